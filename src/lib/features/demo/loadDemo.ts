import { restore } from '$lib/store/backup';
import { call } from '$lib/workers/core';

/** Brings the demo onto this device, beside whatever is here. */
export async function loadDemo(signal?: AbortSignal) {
	return restore(await call('makeDemo', new Date().toISOString(), { signal }));
}
