import { seededRng } from '$lib/core/math/random';
import { horizonPicture } from '$lib/rig/pictures';
import { pictureFile } from '../files';
import type { Sample } from '../instrument';

const view =
	(name: string, tiltDeg: number, fog = false) =>
	(seed: number) =>
		pictureFile(name, horizonPicture(tiltDeg, seededRng(seed), fog));

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'The saltings, level', file: view('saltings-level.png', 0.2) },
	{ id: 'tilted', label: 'Right side low', bad: true, file: view('saltings-tilted.png', 2.3) },
	{ id: 'fog', label: 'Fog: no horizon', bad: true, file: view('saltings-fog.png', 1, true) },
];
