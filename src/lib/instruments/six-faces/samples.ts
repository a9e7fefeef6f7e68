import type { Mat3 } from '$lib/core/frames/mat3';
import { seededRng } from '$lib/core/math/random';
import { recordPoses, type AccelTruth } from '$lib/rig/inertial';
import { accelFile } from '../files';
import type { Sample } from '../instrument';

const BENT: Mat3 = [
	[1.012, 0.003, -0.002],
	[0.003, 0.991, 0.004],
	[-0.002, 0.004, 1.006],
];

const poses = (name: string, more: Partial<AccelTruth>) => (seed: number) =>
	accelFile(
		name,
		recordPoses(
			{
				faces: ['belly', 'back', 'left', 'right', 'nose', 'tail'],
				holdS: 3,
				offsetMps2: [0.22, -0.15, 0.31],
				matrix: BENT,
				noiseMps2: 0.03,
				sloppyDeg: 4,
				...more,
			},
			seededRng(seed),
		),
	);

export const samples: readonly Sample[] = [
	{
		id: 'good',
		label: 'Dunlin on the bench: six faces, offsets that matter',
		file: poses('dunlin-six-faces.csv', {}),
	},
	{
		id: 'five',
		label: 'The back was forgotten',
		bad: true,
		file: poses('dunlin-five-faces.csv', { faces: ['belly', 'left', 'right', 'nose', 'tail'] }),
	},
	{
		id: 'moved',
		label: 'The left side was moved while it was held',
		bad: true,
		file: poses('dunlin-moved.csv', { movedFace: 'left' }),
	},
];
