import { apply, transpose } from '$lib/core/frames/mat3';
import { fromYawPitchRoll, rotationZ } from '$lib/core/frames/rotation';
import type { Vec3 } from '$lib/core/frames/vec3';
import { seededRng } from '$lib/core/math/random';
import { secondCompass } from '$lib/rig/surroundings';
import { csvFile } from '../files';
import type { Sample } from '../instrument';
import { FIELD } from '../shared/compass';

const two = (name: string, bias: Vec3) => (seed: number) => {
	const rng = seededRng(seed);
	const t = Array.from({ length: 500 }, (_, k) => k / 20);
	const turned = t.map((s) =>
		apply(transpose(fromYawPitchRoll(0.7 * s, 0.9 * Math.sin(0.31 * s), 1.1 * Math.sin(0.23 * s))), FIELD),
	);
	const first = {
		t,
		x: turned.map((v) => v[0] + 0.3 * rng.normal()),
		y: turned.map((v) => v[1] + 0.3 * rng.normal()),
		z: turned.map((v) => v[2] + 0.3 * rng.normal()),
	};
	const second = secondCompass(first, rotationZ(Math.PI / 2), bias, rng);
	return csvFile(name, {
		't [s]': t,
		'm1_x [uT]': first.x,
		'm1_y [uT]': first.y,
		'm1_z [uT]': first.z,
		'm2_x [uT]': second.x,
		'm2_y [uT]': second.y,
		'm2_z [uT]': second.z,
	});
};

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Curlew: both compasses agree', file: two('curlew-two.csv', [0, 0, 0]) },
	{
		id: 'bad',
		label: 'The inner one sits beside the power board',
		bad: true,
		file: two('curlew-two-bad.csv', [7, -4, 3]),
	},
];
