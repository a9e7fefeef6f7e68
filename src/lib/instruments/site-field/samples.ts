import type { Vec3 } from '$lib/core/frames/vec3';
import { seededRng } from '$lib/core/math/random';
import { csvFile } from '../files';
import type { Sample } from '../instrument';
import { FIELD } from '../shared/compass';

const standing = (name: string, offset: Vec3, swing: number) => (seed: number) => {
	const rng = seededRng(seed);
	const t = Array.from({ length: 400 }, (_, k) => k / 50);
	const mag = (k: number) => t.map((s) => FIELD[k] + offset[k] + swing * Math.sin(2 * s + k) + 0.3 * rng.normal());
	const accel = (v: number) => t.map(() => v + 0.04 * rng.normal());
	return csvFile(name, {
		't [s]': t,
		'mx [uT]': mag(0),
		'my [uT]': mag(1),
		'mz [uT]': mag(2),
		'ax [m/s2]': accel(0),
		'ay [m/s2]': accel(0),
		'az [m/s2]': accel(-9.81),
	});
};

export const samples: readonly Sample[] = [
	{
		id: 'good',
		label: 'The saltings, away from the sluice',
		file: standing('saltings-clean.csv', [0.4, -0.3, 0.2], 0),
	},
	{
		id: 'sluice',
		label: 'Beside the steel sluice',
		bad: true,
		file: standing('saltings-sluice.csv', [9, -6, 11], 0),
	},
	{ id: 'cable', label: 'Over a buried cable', bad: true, file: standing('saltings-cable.csv', [1, 0, 1], 3) },
];
