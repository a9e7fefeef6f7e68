import { seededRng } from '$lib/core/math/random';
import { recordLoad, type LoadTruth } from '$lib/rig/surroundings';
import { csvFile } from '../files';
import type { Sample } from '../instrument';
import { FIELD } from '../shared/compass';

const load = (name: string, more: Partial<LoadTruth>) => (seed: number) => {
	const {
		t,
		x,
		y,
		z,
		load: current,
	} = recordLoad(
		{ perLoadUt: [0.02, -0.01, 0.03], noiseUt: 0.35, topLoad: 18, slipDeg: 0, ...more },
		FIELD,
		seededRng(seed),
	);
	return csvFile(name, { 't [s]': t, 'mx [uT]': x, 'my [uT]': y, 'mz [uT]': z, 'current [A]': current });
};

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Dunlin: compass on its mast', file: load('dunlin-load.csv', {}) },
	{
		id: 'bad',
		label: 'Curlew: power leads under the compass',
		bad: true,
		file: load('curlew-load.csv', { perLoadUt: [0.34, 0.22, 0.1] }),
	},
	{ id: 'slip', label: 'The stand slipped', bad: true, file: load('curlew-load-slipped.csv', { slipDeg: 40 }) },
];
