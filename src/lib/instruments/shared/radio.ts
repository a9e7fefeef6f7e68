import type { Taken } from '../instrument';

const CHANNELS = Array.from({ length: 8 }, (_, k) => `c${k + 1}`);

/** The channels that a radio log has, with their names. */
export const channelsOf = (c: Taken) =>
	CHANNELS.filter((id) => c[id]).map((id) => ({ id, name: `channel ${id.slice(1)}`, values: c[id] }));
