import { restore } from '$lib/store/backup';
import { core } from '$lib/workers/core';

/** Brings the demo onto this device, beside whatever is here. */
export async function loadDemo() {
	return restore(await core().makeDemo(new Date().toISOString()));
}
