import { call } from '$lib/workers/core';

/** Brings the demo onto this device, beside whatever is here. What writes it is loaded with it: the first page needs none of it. */
export async function loadDemo(signal?: AbortSignal) {
	const [{ restore }, demo] = await Promise.all([
		import('$lib/store/backup'),
		call('makeDemo', new Date().toISOString(), { signal }),
	]);
	return restore(demo);
}
