import { seededRng } from '$lib/core/math/random';
import { recordSticks, type StickTruth } from '$lib/rig/sticks';
import { csvFile } from '../files';
import type { Sample } from '../instrument';

const stick = (name: string, more: Partial<StickTruth> = {}): StickTruth => ({
	name,
	centre: 0.004,
	low: -1,
	high: 1,
	hysteresis: 0.004,
	noise: 0.002,
	bend: 0,
	selfCentring: true,
	...more,
});

const sticksLog = (file: string, truths: readonly StickTruth[]) => (seed: number) => {
	const { t, axes } = recordSticks(truths, seededRng(seed));
	return csvFile(file, { 't [s]': t, ...Object.fromEntries(axes.map(({ values }, k) => [`ch${k + 1}`, values])) });
};

const four = (more: Partial<StickTruth> = {}) => [
	stick('roll', more),
	stick('pitch'),
	stick('throttle', { selfCentring: false }),
	stick('yaw'),
];

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'The trust’s radio, in order', file: sticksLog('radio-sticks.csv', four()) },
	{
		id: 'worn',
		label: 'A worn roll stick',
		bad: true,
		file: sticksLog('radio-worn.csv', four({ centre: 0.05, hysteresis: 0.045, noise: 0.012 })),
	},
	{
		id: 'still',
		label: 'The yaw stick was left alone',
		bad: true,
		file: sticksLog('radio-still.csv', [...four().slice(0, 3), stick('yaw', { low: 0, high: 0, hysteresis: 0 })]),
	},
	{
		id: 'short',
		label: 'Roll does not reach its right end',
		bad: true,
		file: sticksLog('radio-short.csv', four({ high: 0.82 })),
	},
];
