import { seededRng } from '$lib/core/math/random';
import { recordShake, type ShakeTruth } from '$lib/rig/inertial';
import { accelFile } from '../files';
import type { Sample } from '../instrument';

const shake = (name: string, more: Partial<ShakeTruth>) => (seed: number) =>
	accelFile(
		name,
		recordShake(
			{
				forS: 20,
				rateHz: 500,
				rotorHz: 92,
				blades: 2,
				rotorMps2: 1.2,
				bladeMps2: 0.8,
				noiseMps2: 0.5,
				rangeMps2: 156,
				...more,
			},
			seededRng(seed),
		),
	);

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Dunlin hovers smoothly', values: { rotorHz: 92 }, file: shake('dunlin-vibration.csv', {}) },
	{
		id: 'unbalanced',
		label: 'Curlew with a chipped propeller',
		bad: true,
		values: { rotorHz: 92 },
		file: shake('curlew-vibration.csv', { rotorMps2: 12 }),
	},
	{
		id: 'clipped',
		label: 'A loose arm drives the sensor to its end',
		bad: true,
		values: { rotorHz: 92 },
		file: shake('curlew-loose-arm.csv', { rotorMps2: 42, bladeMps2: 15, rangeMps2: 39.2 }),
	},
];
