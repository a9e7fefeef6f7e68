import { seededRng } from '$lib/core/math/random';
import { edgePicture, surfacePicture } from '$lib/rig/pictures';
import { pictureFile } from '../files';
import type { Sample } from '../instrument';

const edges = (name: string, blur: number) => (seed: number) => pictureFile(name, edgePicture(blur, seededRng(seed)));

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Far roofs, sharp', file: edges('roofs-sharp.png', 0.6) },
	{ id: 'soft', label: 'Far roofs, focused near', bad: true, file: edges('roofs-blurred.png', 3.6) },
	{
		id: 'wall',
		label: 'An empty wall',
		bad: true,
		file: (seed) => pictureFile('wall.png', surfacePicture('water', seededRng(seed))),
	},
];
