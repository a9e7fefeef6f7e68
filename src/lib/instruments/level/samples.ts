import { DEG } from '$lib/core/frames/angles';
import { multiply } from '$lib/core/frames/mat3';
import { aboutAxis, fromYawPitchRoll, rotationZ } from '$lib/core/frames/rotation';
import { seededRng } from '$lib/core/math/random';
import { standing } from '$lib/rig/inertial';
import { accelFile } from '../files';
import type { Sample } from '../instrument';

const onSurface = (surfaceDeg: number, rollDeg: number, pitchDeg: number) => {
	const surface = aboutAxis([0.6, 0.8, 0], surfaceDeg * DEG);
	const askew = fromYawPitchRoll(0, pitchDeg * DEG, rollDeg * DEG);
	return [0, Math.PI].map((turn) => multiply(multiply(surface, rotationZ(turn)), askew));
};

const levelLog =
	(name: string, surfaceDeg: number, rollDeg: number, pitchDeg: number, once = false) =>
	(seed: number) =>
		accelFile(name, standing(onSurface(surfaceDeg, rollDeg, pitchDeg).slice(0, once ? 1 : 2), seededRng(seed)));

export const samples: readonly Sample[] = [
	{
		id: 'good',
		label: 'Dunlin: level is right, the bench is not',
		file: levelLog('dunlin-level.csv', 1.4, 0.1, -0.2),
	},
	{
		id: 'off',
		label: 'Curlew leans right and noses down',
		bad: true,
		file: levelLog('curlew-level.csv', 0.8, 1.2, -0.9),
	},
	{
		id: 'wing',
		label: 'Avocet: four degrees nose-up, as it flies',
		values: { wantedRoll: 0, wantedPitch: 4 },
		file: levelLog('avocet-level.csv', 0.6, 0.1, 4.1),
	},
	{
		id: 'once',
		label: 'Measured once only',
		bad: true,
		file: levelLog('dunlin-level-once.csv', 1.4, 0.1, -0.2, true),
	},
];
