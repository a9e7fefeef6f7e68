import { seededRng } from '$lib/core/math/random';
import { recordPressure, type PressureTruth } from '$lib/rig/inertial';
import { csvFile } from '../files';
import type { Sample } from '../instrument';

const onStand = (name: string, truth: PressureTruth) => (seed: number) => {
	const { t, heightM, throttle } = recordPressure(truth, seededRng(seed));
	return csvFile(name, { 't [s]': t, 'height [m]': heightM, 'throttle [0..1]': throttle });
};

export const samples: readonly Sample[] = [
	{
		id: 'good',
		label: 'Dunlin with its foam cover',
		file: onStand('dunlin-pressure.csv', { noiseM: 0.08, driftMPerMin: 0.15, perThrottleM: 0.3 }),
	},
	{
		id: 'bare',
		label: 'The cover was left off',
		bad: true,
		file: onStand('dunlin-pressure-bare.csv', { noiseM: 0.34, driftMPerMin: 0.2, perThrottleM: 2.1 }),
	},
];
