export const SWITCHES = [
	{ name: 'left top', channel: 5, p1: -1, p2: 0, p3: 1 },
	{ name: 'right top', channel: 6, p1: -1, p2: 1, p3: null },
];

export const RANGES = [
	{ does: 'self-level', role: 'flight', channel: 5, low: -1, high: -0.4 },
	{ does: 'position hold', role: 'flight', channel: 5, low: -0.39, high: 0.4 },
	{ does: 'return home', role: 'return', channel: 5, low: 0.41, high: 1 },
	{ does: 'arm', role: 'arm', channel: 6, low: 0.4, high: 1 },
];
