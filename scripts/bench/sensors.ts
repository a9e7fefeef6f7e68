import Papa from 'papaparse';
import { STANDARD_GRAVITY_MPS2 } from '../../src/lib/core/earth/gravity';
import { seededRng, type Rng } from '../../src/lib/core/math/random';
import { RIGHT_ANGLE_ROTATIONS, aboutAxis } from '../../src/lib/core/frames/rotation';
import { apply, multiply, transpose, type Mat3 } from '../../src/lib/core/frames/mat3';
import type { Vec3 } from '../../src/lib/core/frames/vec3';
import { fitAccelerometer } from '../../src/lib/core/inertial/accelFit';
import { solveMounting } from '../../src/lib/core/inertial/mounting';
import { findHorizon } from '../../src/lib/core/payload/horizon';
import { guessColumns, takeColumns } from '../../src/lib/core/record/columns';
import { HOVER_ROLES } from '../../src/lib/core/record/logRoles';
import { readTable } from '../../src/lib/core/record/csv';
import { recordPoses } from '../../src/lib/rig/inertial';
import { horizonPicture } from '../../src/lib/rig/pictures';
import { byTurns, report, rms, timeMs } from './report';

const G = STANDARD_GRAVITY_MPS2;

/**
 * Offset error of six exact faces against the Cramér–Rao bound: two opposite faces of n readings each give an offset with
 * variance sigma²/2n, whatever the scale.
 */
export function benchAccelerometer(): void {
	const rows = [0.02, 0.1].map((noiseMps2) => {
		const errors: number[] = [];
		const plain: number[] = [];
		const honest: number[] = [];
		const truth: Vec3 = [0.2, -0.15, 0.3];
		for (let seed = 1; seed <= 60; seed++) {
			const accel = recordPoses(
				{
					faces: ['belly', 'back', 'left', 'right', 'nose', 'tail'],
					holdS: 3,
					offsetMps2: truth,
					matrix: [
						[1.01, 0, 0],
						[0, 0.99, 0],
						[0, 0, 1.005],
					],
					noiseMps2,
					sloppyDeg: 0,
				},
				seededRng(seed),
			);
			const { offsetMps2, uncertainty } = fitAccelerometer({ accel, rawUnit: 'm/s2' });
			truth.forEach((t, k) => {
				errors.push((offsetMps2?.[k] ?? NaN) - t);
				honest.push(((offsetMps2?.[k] ?? NaN) - t) / (uncertainty?.offsetMps2[k] ?? NaN));
			});
			// The plain way: belly alone, taken for level.
			const belly = accel.t.findIndex((t) => t > 1.6);
			const mean = (v: number[]) => v.slice(belly, belly + 100).reduce((s, x) => s + x, 0) / 100;
			plain.push(mean(accel.x) - truth[0], mean(accel.y) - truth[1], mean(accel.z) + G - truth[2]);
		}
		const bound = noiseMps2 / Math.sqrt(2 * 150);
		return {
			'noise m/s²': noiseMps2,
			'error / bound': (rms(errors) / bound).toFixed(2),
			'error / stated sigma': rms(honest).toFixed(2),
			'one flat hold / bound': (rms(plain) / bound).toFixed(1),
		};
	});
	report('Accelerometer: offset error of six faces of 150 readings against the Cramér–Rao bound', rows);
}

export function benchMounting(): void {
	const rows = [5, 15].map((sloppyDeg) => {
		let right = 0;
		let all = 0;
		for (const mounting of RIGHT_ANGLE_ROTATIONS)
			for (let seed = 1; seed <= 20; seed++) {
				const rng = seededRng(1000 * seed + all);
				const read = (nose: number, roll: number) => ({ accel: gesture(mounting, nose, roll, sloppyDeg, rng) });
				const { rotation } = solveMounting({
					gestures: { level: read(0, 0), noseUp: read(45, 0), rightDown: read(0, 45) },
				});
				all++;
				if (rotation && rotation.every((row, i) => row.every((v, k) => Math.round(v) === mounting[i][k]))) right++;
			}
		return { 'gestures sloppy to °': sloppyDeg, 'right of all 24 × 20': `${right} of ${all}` };
	});
	report('Mounting: all 24, with hands that miss by up to so much (bar: all right at 15°)', rows);
}

function gesture(
	mounting: Mat3,
	noseDeg: number,
	rollDeg: number,
	sloppyDeg: number,
	rng: Rng,
): [number, number, number] {
	const deg = Math.PI / 180;
	const off = aboutAxis([rng.normal(), rng.normal(), rng.normal()], sloppyDeg * deg * (2 * rng.uniform() - 1));
	const held = multiply(multiply(off, aboutAxis([0, 1, 0], noseDeg * deg)), aboutAxis([1, 0, 0], rollDeg * deg));
	const [x, y, z] = apply(transpose(mounting), apply(transpose(held), [0, 0, -G]));
	return [x, y, z];
}

export function benchHorizon(): void {
	const errors: number[] = [];
	let refused = 0;
	let fooled = 0;
	for (let seed = 1; seed <= 24; seed++) {
		const rng = seededRng(seed);
		const tilt = -10 + 20 * rng.uniform();
		const { tiltDeg } = findHorizon(horizonPicture(tilt, rng));
		if (tiltDeg === null) refused++;
		else errors.push(tiltDeg - tilt);
		if (findHorizon(horizonPicture(tilt, rng, true)).tiltDeg !== null) fooled++;
	}
	const size = errors.map(Math.abs).sort((a, b) => a - b);
	const picture = horizonPicture(3, seededRng(5));
	report('Camera horizon on drawn views of known tilt (bar: a photo in 500 ms)', [
		{
			'median error °': size[size.length >> 1].toFixed(3),
			'90th percentile °': size[Math.floor(size.length * 0.9)].toFixed(3),
			'refused of 24': refused,
			'found in fog, of 24': fooled,
			'horizon, ms': timeMs(() => findHorizon(picture), 5).toFixed(0),
		},
	]);
}

export function benchCsv(): void {
	const rng = seededRng(2);
	const lines = Array.from({ length: 120_000 }, (_, k) => {
		const v = () => (2 * rng.normal()).toFixed(4);
		return `${(k / 10).toFixed(2)},${v()},${v()},${v()},${(60 + rng.normal()).toFixed(2)}`;
	});
	const text = `t [s],north [m],east [m],up [m],heading [deg]\n${lines.join('\n')}`;
	const read = () => {
		const table = readTable(text, 'log.csv');
		return takeColumns(table, HOVER_ROLES, guessColumns(table, HOVER_ROLES).choices, 'log.csv');
	};
	const [ours, alone] = byTurns(12, read, () => Papa.parse(text, { delimiter: ',' }));
	report('CSV import of 120,000 rows (bar: 1.3 × the parser alone)', [
		{
			'parser alone, ms': alone.toFixed(0),
			'to checked columns, ms': ours.toFixed(0),
			times: (ours / alone).toFixed(2),
		},
	]);
}
