import type { Compute } from './instrument';

const COMPUTES = import.meta.glob<{ compute: Compute }>('./*/compute.ts');

/** What an instrument computes, loaded when it is first wanted; for the worker. @throws Error where there is no such instrument. */
export async function computeOf(id: string): Promise<Compute> {
	const load = COMPUTES[`./${id}/compute.ts`];
	if (!load) throw new Error(`There is no instrument ${id}.`);
	return (await load()).compute;
}
