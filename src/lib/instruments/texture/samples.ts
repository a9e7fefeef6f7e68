import { seededRng } from '$lib/core/math/random';
import { surfacePicture, type Surface } from '$lib/rig/pictures';
import { pictureFile } from '../files';
import type { Sample } from '../instrument';

const ground = (name: string, kind: Surface) => (seed: number) =>
	pictureFile(name, surfacePicture(kind, seededRng(seed)));

export const samples: readonly Sample[] = [
	{ id: 'grass', label: 'Grass', file: ground('grass.png', 'grass') },
	{ id: 'mat', label: 'The patterned mat', file: ground('mat.png', 'mat') },
	{ id: 'water', label: 'Still water', bad: true, file: ground('water.png', 'water') },
	{ id: 'tiles', label: 'Tiles, all alike', bad: true, file: ground('tiles.png', 'tiles') },
	{ id: 'dusk', label: 'Dusk', bad: true, file: ground('dusk.png', 'dusk') },
];
