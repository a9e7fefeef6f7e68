import { seededRng } from '$lib/core/math/random';
import { recordGestureSticks } from '$lib/rig/sticks';
import { csvFile } from '../files';
import type { Sample } from '../instrument';

const orderLog = (file: string, order: readonly number[], signs: readonly number[]) => (seed: number) => {
	const { t, channels } = recordGestureSticks(order, signs, seededRng(seed));
	return csvFile(file, { 't [s]': t, ...Object.fromEntries(channels.map((values, k) => [`ch${k + 1}`, values])) });
};

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'In the usual order', file: orderLog('radio-order.csv', [0, 1, 3, 2], [1, 1, 1, 1]) },
	{
		id: 'mixed',
		label: 'Throttle and yaw exchanged, pitch reversed',
		bad: true,
		file: orderLog('radio-order-mixed.csv', [0, 1, 2, 3], [1, -1, 1, 1]),
	},
	{
		id: 'twice',
		label: 'A mix moves roll for yaw too',
		bad: true,
		file: orderLog('radio-order-twice.csv', [0, 1, 0, 2], [1, 1, 1, 1]),
	},
];
