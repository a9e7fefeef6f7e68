import type { Sample } from '../instrument';

export const samples: readonly Sample[] = [
	{
		id: 'good',
		label: 'Dunlin: arrow forward, upright, set so',
		values: { arrow: 0, flipped: 'no', up: 0, right: 0, nowYaw: 0, nowPitch: 0, nowRoll: 0 },
	},
	{
		id: 'tail',
		label: 'Arrow to the tail, flipped; the setting is at zero',
		bad: true,
		values: { arrow: 180, flipped: 'yes', up: 0, right: 0, nowYaw: 0, nowPitch: 0, nowRoll: 0 },
	},
	{
		id: 'mast',
		label: 'On a mast, twenty degrees up, set flat',
		bad: true,
		values: { arrow: 90, flipped: 'no', up: 20, right: 0, nowYaw: 90, nowPitch: 0, nowRoll: 0 },
	},
];
