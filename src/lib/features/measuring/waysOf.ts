import { getContext, setContext } from 'svelte';
import { prefer, preferences } from '$lib/ui/preferences.svelte';

const KEY = Symbol('ways');

/** Says whose readings are taken below: each aircraft has its own ways. Call while a component is set up. */
export const waysOf = (aircraftId: () => string): void => void setContext(KEY, aircraftId);

/** The way in that was taken last for one thing that is measured. Call while a component is set up. */
export function wayTaken(): { last: (what: string) => string | undefined; take: (what: string, way: string) => void } {
	const aircraft = getContext<(() => string) | undefined>(KEY) ?? (() => 'any');
	const key = (what: string) => `${aircraft()} ${what}`;
	return {
		last: (what) => preferences.ways[key(what)],
		take: (what, way) => prefer({ ways: { ...preferences.ways, [key(what)]: way } }),
	};
}
