import { IDENTITY, multiply, type Mat3 } from '$lib/core/frames/mat3';
import { rotationX, rotationZ } from '$lib/core/frames/rotation';
import { seededRng } from '$lib/core/math/random';
import { recordGestures } from '$lib/rig/inertial';
import { accelFile } from '../files';
import type { Sample } from '../instrument';

const gestureLog =
	(name: string, mounting: Mat3, nose = 45, right = 45) =>
	(seed: number) =>
		accelFile(name, recordGestures(mounting, nose, right, seededRng(seed)));

const QUARTER = rotationZ(Math.PI / 2);

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Mounted straight', file: gestureLog('dunlin-mounting.csv', IDENTITY) },
	{
		id: 'turned',
		label: 'Turned by a quarter: to be set',
		bad: true,
		file: gestureLog('curlew-mounting.csv', QUARTER),
	},
	{
		id: 'flipped',
		label: 'Upside down and turned: to be set',
		bad: true,
		file: gestureLog('avocet-mounting.csv', multiply(QUARTER, rotationX(Math.PI))),
	},
	{
		id: 'small',
		label: 'The nose was hardly lifted',
		bad: true,
		file: gestureLog('dunlin-mounting-small.csv', IDENTITY, 8),
	},
	{
		id: 'wrong',
		label: 'Left side down instead of right',
		bad: true,
		file: gestureLog('dunlin-mounting-left.csv', IDENTITY, 45, -45),
	},
];
