/** Instruments that work without a session: drop a file, or take the practice aircraft. */
export const TOOLS = [
	{
		id: 'compass',
		title: 'Compass',
		does: 'Offsets, bending, mounting, dip, and how well the heading is known.',
		takes: 'CSV with the magnetometer',
	},
	{
		id: 'position',
		title: 'Position',
		does: 'Fix, satellites, lock held, scatter, home, broken lines.',
		takes: 'NMEA 0183 text',
	},
	{
		id: 'hover',
		title: 'Hover',
		does: 'Bubble, drift, circling and the compass error behind it, height.',
		takes: 'CSV or GPX track',
	},
] as const;

export type ToolId = (typeof TOOLS)[number]['id'];
