import { seededRng } from '$lib/core/math/random';
import { recordGyro, type GyroTruth } from '$lib/rig/inertial';
import { csvFile } from '../files';
import type { Sample } from '../instrument';

const rest = (name: string, more: Partial<GyroTruth>) => (seed: number) => {
	const { t, x, y, z } = recordGyro(
		{
			forS: 60,
			biasRadps: [0.006, -0.004, 0.002],
			noiseRadps: 0.004,
			walk: 4e-5,
			warmUpRadps: 0,
			knocked: false,
			...more,
		},
		seededRng(seed),
	);
	return csvFile(name, { 't [s]': t, 'gx [rad/s]': x, 'gy [rad/s]': y, 'gz [rad/s]': z });
};

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Dunlin left alone on the bench', file: rest('dunlin-gyro.csv', {}) },
	{
		id: 'warm',
		label: 'Just switched on: the bias still moves',
		bad: true,
		file: rest('dunlin-gyro-cold.csv', { warmUpRadps: 0.007 }),
	},
	{
		id: 'knocked',
		label: 'Somebody leant on the table',
		bad: true,
		file: rest('dunlin-gyro-knocked.csv', { knocked: true }),
	},
];
