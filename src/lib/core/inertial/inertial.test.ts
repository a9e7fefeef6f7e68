import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEG } from '../frames/angles';
import { apply, inverse, multiply, transpose, type Mat3 } from '../frames/mat3';
import { seededRng } from '../math/random';
import { aboutAxis, RIGHT_ANGLE_ROTATIONS } from '../frames/rotation';
import type { Vec3 } from '../frames/vec3';
import type { Face } from '../../schema/inertial';
import { fitAccelerometer } from './accelFit';
import { allanDeviation, reviewStillGyro } from './gyro';
import { solveMounting } from './mounting';
import { FACE_UP, FACES } from './poses';
import { reviewVibration } from './vibration';

const G = 9.80665;
const RATE = 50;

/** A stream of held poses (2.5 s each) with shaking hands between them. */
function poses(
	ups: Vec3[],
	{ offset = [0, 0, 0] as Vec3, matrix = null as Mat3 | null, noise = 0.03, seed = 1, unit = G } = {},
) {
	const rng = seededRng(seed);
	const bend = matrix && inverse(matrix);
	const rows: number[][] = [];
	const raw = (f: Vec3) => {
		const v = bend ? apply(bend, f) : f;
		return v.map((value, k) => ((value + offset[k] + noise * rng.normal()) * unit) / G);
	};
	for (const up of ups) {
		for (let k = 0; k < 0.8 * RATE; k++) rows.push(raw([6 * rng.normal(), 6 * rng.normal(), 6 * rng.normal()]));
		for (let k = 0; k < 2.5 * RATE; k++) rows.push(raw([up[0] * G, up[1] * G, up[2] * G]));
	}
	return {
		t: rows.map((_, k) => k / RATE),
		x: rows.map((r) => r[0]),
		y: rows.map((r) => r[1]),
		z: rows.map((r) => r[2]),
	};
}
const six = FACES.map((face) => FACE_UP[face]);
const tilted = (face: Face, deg: number, about: Vec3): Vec3 => apply(aboutAxis(about, deg * DEG), FACE_UP[face]);

describe('six faces', () => {
	it('give offsets and scales within their stated uncertainty, however sloppily they are held', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 9999 }), (seed) => {
				const rng = seededRng(seed);
				const offset: Vec3 = [0.4 * rng.normal(), 0.4 * rng.normal(), 0.4 * rng.normal()];
				const matrix: Mat3 = [
					[1 + 0.01 * rng.normal(), 0, 0],
					[0, 1 + 0.01 * rng.normal(), 0],
					[0, 0, 1 + 0.01 * rng.normal()],
				];
				const ups = FACES.map((face) => tilted(face, 6 * rng.normal(), [rng.normal(), rng.normal(), rng.normal()]));
				const answer = fitAccelerometer({ accel: poses(ups, { offset, matrix, seed }), rawUnit: 'm/s2' });
				return (
					answer.missingFaces.length === 0 &&
					(answer.offsetMps2?.every(
						(v, k) => Math.abs(v - offset[k]) < 6 * (answer.uncertainty?.offsetMps2[k] ?? 0) + 0.01,
					) ??
						false)
				);
			}),
			{ numRuns: 20, seed: 2 },
		);
	});

	it('are found in the stream with their names and times', () => {
		const answer = fitAccelerometer({ accel: poses(six), rawUnit: 'm/s2' });
		expect(answer.poses.map(({ face }) => face)).toEqual(FACES);
		expect(answer.poses[0].tStart).toBeGreaterThan(0.6);
		expect(answer.poses[0].tEnd).toBeLessThan(3.4);
		expect(answer.determined).toEqual(['offset x', 'offset y', 'offset z', 'scale x', 'scale y', 'scale z']);
		expect(answer.verdict).toBe('pass');
	});

	it('in units of g are the same', () => {
		const a = fitAccelerometer({ accel: poses(six, { offset: [0.2, 0, 0] }), rawUnit: 'm/s2' });
		const b = fitAccelerometer({ accel: poses(six, { offset: [0.2, 0, 0], unit: 1 }), rawUnit: 'g' });
		b.offsetMps2?.forEach((v, k) => expect(v).toBeCloseTo(a.offsetMps2?.[k] ?? NaN, 6));
		expect(fitAccelerometer({ accel: poses(six, { unit: 1 }), rawUnit: 'm/s2' }).reasons[0].code).toBe(
			'unit-implausible',
		);
	});

	it('say how far off level was: an offset of 0.2 m/s² forward is 1.17°', () => {
		const answer = fitAccelerometer({ accel: poses(six, { offset: [0.2, 0, 0] }), rawUnit: 'm/s2' });
		expect(answer.levelErrorDeg).toBeCloseTo(Math.atan(0.2 / G) / DEG, 1);
	});

	it('a missing one is named and asked for; five are not six', () => {
		const answer = fitAccelerometer({ accel: poses(six.filter((_, k) => FACES[k] !== 'nose')), rawUnit: 'm/s2' });
		expect(answer.verdict).toBe('fail');
		expect(answer.missingFaces).toEqual(['nose']);
		expect(answer.reasons[0].code).toBe('insufficient-faces');
		expect(answer.reasons[0].next).toContain('nose');
	});

	it('a face held twice is told twice, and both holds count in the fit', () => {
		const answer = fitAccelerometer({ accel: poses([...six, FACE_UP.belly, FACE_UP.nose]), rawUnit: 'm/s2' });
		expect(answer.poses.map(({ face }) => face).toSorted()).toEqual([...FACES, 'belly', 'nose'].toSorted());
		expect(answer.reasons.map(({ code }) => code)).toContain('residual-small');
	});

	it('how far a pose was off its face is told of the corrected reading', () => {
		const answer = fitAccelerometer({ accel: poses(six, { offset: [0.6, -0.5, 0.3] }), rawUnit: 'm/s2' });
		for (const { face, tiltDeg } of answer.poses) expect(tiltDeg, face).toBeLessThan(0.2);
	});

	it('five by the recipe of the aircraft are never called whole; a face of the recipe that is missing fails', () => {
		const faces: Face[] = ['belly', 'right', 'left', 'tail', 'back'];
		const held = poses(faces.map((face) => FACE_UP[face]));
		const answer = fitAccelerometer({ accel: held, rawUnit: 'm/s2', faces });
		expect(answer.verdict).toBe('caution');
		expect(answer.missingFaces).toEqual([]);
		expect(answer.reasons.map(({ code }) => code)).toContain('faces-by-recipe');
		expect(answer.determined).not.toContain('offset x');
		expect(answer.uncertainty?.offsetMps2[0]).toBeGreaterThan(5 * (answer.uncertainty?.offsetMps2[1] ?? 1));
		const short = fitAccelerometer({ accel: poses([FACE_UP.belly, FACE_UP.left]), rawUnit: 'm/s2', faces });
		expect(short.verdict).toBe('fail');
		expect([...short.missingFaces].toSorted()).toEqual(['back', 'right', 'tail']);
	});

	it('one flat hold gives offsets as loose as the surface is unknown', () => {
		const answer = fitAccelerometer({
			accel: poses([FACE_UP.belly], { offset: [0.2, -0.1, 0.05] }),
			rawUnit: 'm/s2',
			faces: ['belly'],
		});
		expect(answer.verdict).toBe('caution');
		expect(answer.offsetMps2?.[0]).toBeCloseTo(0.2, 1);
		expect(answer.uncertainty?.offsetMps2[0]).toBeGreaterThan(0.3);
		expect(answer.levelErrorDeg).toBeCloseTo(Math.atan2(Math.hypot(0.2, 0.1), G) / DEG, 1);
	});

	it('nothing held still is refused', () => {
		const rng = seededRng(1);
		const t = Array.from({ length: 400 }, (_, k) => k / RATE);
		const shake = () => t.map(() => 10 * rng.normal());
		const answer = fitAccelerometer({ accel: { t, x: shake(), y: shake(), z: shake() }, rawUnit: 'm/s2' });
		expect(answer.verdict).toBe('fail');
		expect(answer.reasons[0].code).toMatch(/^insufficient-|unit-implausible/);
	});
});

describe('a gyro at rest', () => {
	const record = (T: number, rate: number, white: number, bias: Vec3, drift = 0, bump = 0) => {
		const rng = seededRng(3);
		const t = Array.from({ length: T * rate }, (_, k) => k / rate);
		const column = (b: number) =>
			t.map((s) => b + (drift * s) / T + white * Math.sqrt(rate) * rng.normal() + (Math.abs(s - T / 2) < 1 ? bump : 0));
		return { t, x: column(bias[0]), y: column(bias[1]), z: column(bias[2]) };
	};

	it('shows bias and white noise as they are', () => {
		const answer = reviewStillGyro({ gyro: record(120, 100, 2e-4, [0.01, -0.02, 0.003]) });
		expect(answer.biasRadps?.[1]).toBeCloseTo(-0.02, 3);
		answer.noiseDensityRadpsRtHz?.forEach((v) => expect(Math.abs(v / 2e-4 - 1)).toBeLessThan(0.1));
		expect(answer.moved).toBe(false);
		expect(answer.verdict).toBe('pass');
	});

	it('shows a drift and a bump', () => {
		expect(reviewStillGyro({ gyro: record(120, 100, 2e-4, [0, 0, 0], 0.02) }).driftRadps?.[0]).toBeCloseTo(0.02, 3);
		const bumped = reviewStillGyro({ gyro: record(60, 100, 2e-4, [0, 0, 0], 0, 0.2) });
		expect(bumped.moved).toBe(true);
		expect(bumped.verdict).toBe('fail');
	});

	/** What is added to each axis of a record at rest, by time. */
	const disturbed = (white: number, added: (s: number) => number) => {
		const gyro = record(60, 100, white, [0.01, 0, 0]);
		return reviewStillGyro({ gyro: { ...gyro, y: gyro.y.map((v, k) => v + added(gyro.t[k])) } });
	};

	it.each([3e-4, 1e-3, 3e-3])('held in a hand is moved, with a noise of %s rad/s/√Hz', (white) => {
		const sway = (s: number) => 0.03 * Math.sin(4.4 * s) + 0.02 * Math.sin(19 * s + 1);
		expect(disturbed(white, sway).moved).toBe(true);
		expect(disturbed(white, () => 0).moved).toBe(false);
	});

	it('knocked for three tenths of a second is moved, wherever that falls', () => {
		for (const at of [5.1, 22.4, 47.3])
			expect(disturbed(1e-3, (s) => (Math.abs(s - at) < 0.15 ? 0.2 * Math.sin(90 * s) : 0)).moved).toBe(true);
	});

	it('that never changes is a frozen log, and one such axis is named', () => {
		const { t, x } = record(20, 100, 1e-3, [0, 0, 0]);
		const still = t.map(() => 0.01);
		const frozen = reviewStillGyro({ gyro: { t, x: still, y: still, z: still } });
		expect([frozen.verdict, frozen.reasons[0].code]).toEqual(['fail', 'insufficient-variation']);
		expect(frozen.biasRadps?.[0]).toBeCloseTo(0.01, 9);
		const one = reviewStillGyro({ gyro: { t, x, y: still, z: x.map((v) => -v) } });
		expect([one.verdict, one.reasons[0].text]).toEqual(['caution', 'Axis y never changes.']);
	});

	it('with a glitch of one reading is not', () => {
		expect(disturbed(1e-3, (s) => (Math.abs(s - 20) < 0.004 ? 2 : 0)).moved).toBe(false);
	});

	it('too short is not enough', () => {
		expect(reviewStillGyro({ gyro: record(4, 100, 2e-4, [0, 0, 0]) }).reasons[0].code).toBe('insufficient-duration');
	});

	it('has an Allan deviation that follows the definition on a known series', () => {
		// For rates 0, 1, 0, 1 … neighbouring means of two differ by nothing, of one by one.
		const rate = Float64Array.from({ length: 64 }, (_, k) => k % 2);
		const [one, two] = allanDeviation(rate, [1, 2]);
		expect(one).toBeCloseTo(Math.SQRT1_2, 12);
		expect(two).toBeCloseTo(0, 12);
	});
});

describe('a gyro log with a gap', () => {
	const log = (gapS: number) => {
		const rng = seededRng(3);
		const t = Array.from({ length: 6000 }, (_, k) => k / 100 + (k < 3000 ? 0 : gapS));
		const axis = () => t.map(() => 0.01 + 0.002 * rng.normal());
		return reviewStillGyro({ gyro: { t, x: axis(), y: axis(), z: axis() } });
	};
	it('names it, keeps its noise, and counts the seconds that it holds', () => {
		const [whole, gap] = [log(0), log(600)];
		expect(gap.reasons.find(({ code }) => code === 'log-gap')).toMatchObject({ limit: 3, level: 'caution' });
		expect(whole.reasons.some(({ code }) => code === 'log-gap')).toBe(false);
		expect(gap.reasons.find(({ code }) => code === 'at-rest')?.value).toBeCloseTo(60, 1);
		for (const k of [0, 1, 2])
			expect((gap.noiseDensityRadpsRtHz?.[k] ?? NaN) / (whole.noiseDensityRadpsRtHz?.[k] ?? NaN)).toBeCloseTo(1, 2);
	});
});

describe('mounting from gestures', () => {
	const gesture = (mounting: Mat3, sloppy: number, seed: number) => {
		const rng = seededRng(seed);
		const slop = () => aboutAxis([rng.normal(), rng.normal(), rng.normal()], sloppy * DEG * (2 * rng.uniform() - 1));
		const reads = (body: Vec3) => ({
			accel: [...apply(multiply(transpose(mounting), slop()), body)] as [number, number, number],
		});
		const a = 50 * DEG;
		return {
			level: reads([0, 0, -G]),
			noseUp: reads([G * Math.sin(a), 0, -G * Math.cos(a)]),
			rightDown: reads([0, -G * Math.sin(a), -G * Math.cos(a)]),
		};
	};

	it.each(RIGHT_ANGLE_ROTATIONS.map((_, k) => k))(
		'mounting %s of 24 is found with gestures sloppy to fifteen degrees',
		(k) => {
			for (let seed = 1; seed <= 8; seed++) {
				const answer = solveMounting({ gestures: gesture(RIGHT_ANGLE_ROTATIONS[k], 15, seed) });
				expect(answer.rotation).toEqual(RIGHT_ANGLE_ROTATIONS[k].map((row) => row.map((v) => v + 0)));
				expect(answer.runnerUpDeg ?? 0).toBeGreaterThan(answer.agreementDeg ?? 99);
			}
		},
	);

	it('mirrored or contradictory gestures fail, and so does a gesture that was not made', () => {
		const right = gesture(RIGHT_ANGLE_ROTATIONS[3], 0, 1);
		const mirrored = {
			...right,
			rightDown: {
				accel: right.rightDown.accel.map((v, k) => 2 * (right.level.accel[k] * Math.cos(50 * DEG)) - v) as [
					number,
					number,
					number,
				],
			},
		};
		expect(solveMounting({ gestures: mirrored }).reasons[0].code).toBe('mirrored');
		expect(solveMounting({ gestures: { ...right, rightDown: right.noseUp } }).verdict).toBe('fail');
		expect(solveMounting({ gestures: { ...right, noseUp: right.level } }).reasons[0].code).toBe('insufficient-tilt');
		expect(solveMounting({ gestures: { ...right, level: { accel: [0, 0, 0] } } }).reasons[0].code).toBe(
			'insufficient-reading',
		);
	});
});

describe('vibration', () => {
	const shake = (tones: [number, number][], { n = 8000, rate = 1000, clip = Infinity } = {}) => {
		const rng = seededRng(4);
		const t = Array.from({ length: n }, (_, k) => k / rate);
		const x = t.map((s) => {
			const v = tones.reduce((sum, [hz, a]) => sum + a * Math.sin(2 * Math.PI * hz * s), 0) + 0.05 * rng.normal();
			return Math.max(-clip, Math.min(clip, v));
		});
		return { t, x, y: t.map(() => 0.05 * rng.normal()), z: t.map(() => -9.81 + 0.05 * rng.normal()) };
	};

	it.each([
		[92.3, 3],
		[150, 1.2],
		[333.1, 0.7],
	])('finds a tone of %s Hz with its amplitude %s', (hz, amplitude) => {
		const answer = reviewVibration({ accel: shake([[hz, amplitude]]) });
		expect(Math.abs(answer.peaks[0].hz - hz)).toBeLessThan(0.15);
		expect(Math.abs(answer.peaks[0].amplitude / amplitude - 1)).toBeLessThan(0.05);
		expect(answer.rms?.[0]).toBeCloseTo(amplitude / Math.SQRT2, 1);
	});

	it('of a log too slow for any rotor is refused', () => {
		const { verdict, reasons, rms } = reviewVibration({ accel: shake([[3, 2]], { rate: 10, n: 600 }) });
		expect([verdict, reasons[0].code, rms]).toEqual(['fail', 'insufficient-rate', null]);
		expect(reasons[0]).toMatchObject({ limit: 80, unit: 'Hz' });
	});

	it('of a log in another unit is refused or doubted by its mean', () => {
		const inUnit = (scale: number) => {
			const { t, x, y, z } = shake([[90, 2]]);
			const scaled = (axis: number[]) => axis.map((v) => v * scale);
			return reviewVibration({ accel: { t, x: scaled(x), y: scaled(y), z: scaled(z) } });
		};
		expect(inUnit(1 / G).reasons[0].code).toBe('insufficient-unit');
		expect(inUnit(3.2808).reasons.map(({ code }) => code)).toContain('gravity-not-seen');
		expect(inUnit(1).verdict).toBe('pass');
	});

	it('with a gap names it, and keeps its rate', () => {
		const { t, ...axes } = shake([[92.3, 3]]);
		const answer = reviewVibration({ accel: { t: t.map((s) => (s < 4 ? s : s + 40)), ...axes } });
		expect(answer.reasons[0]).toMatchObject({ code: 'log-gap', level: 'caution', limit: 3 });
		expect(answer.sampleRateHz).toBeCloseTo(1000, 3);
		expect(answer.peaks[0].hz).toBeCloseTo(92.3, 0);
	});

	it('of a log that never changes is refused', () => {
		const t = Array.from({ length: 2000 }, (_, k) => k / 200);
		const still = t.map(() => 0);
		const answer = reviewVibration({ accel: { t, x: still, y: still, z: t.map(() => -G) } });
		expect([answer.verdict, answer.reasons[0].code, answer.rms]).toEqual(['fail', 'insufficient-variation', null]);
	});

	it('matches rotor and blade passing', () => {
		const { peaks } = reviewVibration({
			accel: shake([
				[90, 3],
				[180, 1],
			]),
			rotorHz: 91,
		});
		expect(peaks.slice(0, 2).map((p) => p.likely)).toEqual(['rotor', 'blade-passing']);
	});

	it('shows clipping, and refuses a rotor it cannot see', () => {
		expect(reviewVibration({ accel: shake([[50, 20]], { clip: 16 }) }).reasons[0].code).toMatch(/clipping|vibration/);
		expect(reviewVibration({ accel: shake([[50, 20]], { clip: 16 }) }).clippedPct).toBeGreaterThan(10);
		expect(reviewVibration({ accel: shake([[50, 1]]) }).clippedPct).toBe(0);
		expect(reviewVibration({ accel: shake([[50, 1]], { rate: 100 }), rotorHz: 90 }).reasons[0].code).toBe(
			'insufficient-rate',
		);
		expect(reviewVibration({ accel: shake([[5, 1]], { n: 30 }) }).reasons[0].code).toBe('insufficient-samples');
	});
});
