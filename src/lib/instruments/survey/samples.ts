import type { Vec3 } from '$lib/core/frames/vec3';
import { seededRng } from '$lib/core/math/random';
import { type Iron, walkAbout } from '$lib/rig/surroundings';
import { csvFile } from '../files';
import type { Sample } from '../instrument';
import { FIELD } from '../shared/compass';

const walk =
	(name: string, iron: readonly Iron[], offset: Vec3 = [4, -3, 2]) =>
	(seed: number) => {
		const { t, north, east, x, y, z } = walkAbout(iron, FIELD, offset, seededRng(seed));
		return csvFile(name, {
			't [s]': t,
			'north [m]': north,
			'east [m]': east,
			'mx [uT]': x,
			'my [uT]': y,
			'mz [uT]': z,
		});
	};

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Open grass on the north shore', file: walk('north-shore-walk.csv', []) },
	{
		id: 'culvert',
		label: 'An old pipe lies under the east side',
		bad: true,
		file: walk('culvert-walk.csv', [
			{ north: 8, east: 15, depthM: 0.9, momentUtM3: 16 },
			{ north: 11, east: 15, depthM: 0.9, momentUtM3: 16 },
		]),
	},
	{
		id: 'yard',
		label: 'The yard: reinforced floor',
		bad: true,
		file: walk(
			'yard-walk.csv',
			Array.from({ length: 36 }, (_, k) => ({
				north: 4 * (k % 6),
				east: 4 * Math.floor(k / 6),
				depthM: 0.8,
				momentUtM3: k % 2 ? 30 : -30,
			})),
		),
	},
];
