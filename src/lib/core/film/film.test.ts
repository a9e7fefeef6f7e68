import { describe, expect, it } from 'vitest';
import { NO_FAULTS, rigHover } from '../../rig/rig';
import { renderFilm, seenAt, type Camera, type Filmed } from '../../rig/film';
import { InputError } from '../finding/inputError';
import { interpolate } from '../math/interpolate';
import { seededRng } from '../math/random';
import { filmedCompassError } from './filmLoop';
import { greyOf, type Frame } from './frame';
import { reviewFilm } from './reviewFilm';
import type { FilmSetup } from './setup';
import { FilmTracker, type FilmTrack } from './trackFilm';

const camera = (more: Partial<Camera> = {}): Camera => ({
	width: 320,
	height: 180,
	framesPerS: 10,
	fPx: 246,
	elevationDeg: 30,
	distanceM: 6,
	shakePx: 0,
	...more,
});
const wander = (t: number) => ({
	right: 0.3 * Math.sin(0.7 * t) + 0.12 * Math.sin(1.9 * t),
	forward: 0.25 * Math.sin(0.5 * t + 1),
	up: 0.08 * Math.sin(0.9 * t),
});
const filmed = (more: Partial<Filmed> = {}): Filmed => ({
	spanM: 0.45,
	grey: 40,
	scene: 'sky',
	durationS: 9,
	at: wander,
	...more,
});
const SETUP: FilmSetup = {
	spanM: 0.45,
	markedLarge: true,
	fPx: 246,
	elevationDeg: 30,
	hold: 'position',
	confirmed: true,
};

function track(of: Filmed, by: Camera, seed = 1): { got: FilmTrack; truth: ReturnType<typeof seenAt>[] } {
	const { frames, first } = renderFilm(of, by, seededRng(seed));
	const all: Frame[] = [...frames()];
	const spread = all.filter((_, k) => k % Math.ceil(all.length / 31) === 0);
	const tracker = new FilmTracker(spread, all[0], { u: first.u, v: first.v, widthPx: first.widthPx });
	all.forEach((frame) => tracker.push(frame));
	return { got: tracker.finish(), truth: all.map(({ tS }) => seenAt(of.at(tS), by, of.spanM)) };
}
/** Root mean square of how far off the track is, in pixels, its constant part taken out, and of its size. */
function off({ got, truth }: ReturnType<typeof track>) {
	const rms = (values: number[]) => {
		const mean = values.reduce((a, b) => a + b, 0) / values.length;
		return Math.sqrt(values.reduce((a, b) => a + (b - mean) ** 2, 0) / values.length);
	};
	return {
		px: Math.hypot(rms(got.u.map((u, k) => u - truth[k].u)), rms(got.v.map((v, k) => v - truth[k].v))),
		size: rms(got.q.map((q, k) => q - Math.log(truth[k].widthPx / truth[0].widthPx))),
	};
}

describe('an aircraft followed through a film', () => {
	it('is found to a fraction of a pixel before the sky, and before what stirs', { timeout: 120_000 }, () => {
		for (const [scene, grey] of [
			['sky', 40],
			['field', 230],
			['trees', 235],
		] as const) {
			const found = track(filmed({ scene, grey, durationS: 9 }), camera());
			expect(found.got.lost.filter(Boolean), scene).toHaveLength(0);
			expect(off(found).px, scene).toBeLessThan(0.4);
			expect(off(found).size, scene).toBeLessThan(0.04);
			expect(found.got.cr, scene).toBeGreaterThan(5);
		}
	});

	it('is found though it stood still where it was marked for half of the film', () => {
		const at = (t: number) => (t < 5 ? { right: 0, forward: 0, up: 0 } : { ...wander(0), ...wander(t - 5) });
		const start = at(0);
		const found = track(
			filmed({ at: (t) => ({ ...at(t), right: at(t).right - (t < 5 ? 0 : 0) + start.right }) }),
			camera(),
		);
		expect(found.got.lost.filter(Boolean).length).toBeLessThan(5);
		expect(off(found).px).toBeLessThan(0.6);
	});

	it('takes the hand out where the background has corners, and says how it moved', () => {
		const found = track(filmed({ scene: 'trees', grey: 235, durationS: 9 }), camera({ shakePx: 2 }));
		const moved = Math.sqrt(found.got.shift.reduce((s, { x, y }) => s + x * x + y * y, 0) / found.got.shift.length);
		expect(moved).toBeGreaterThan(0.8);
		expect(found.got.lost.filter(Boolean)).toHaveLength(0);
		expect(off(found).px).toBeLessThan(0.7);
	});

	it('refuses a mark outside the picture, and one too small', () => {
		const { frames } = renderFilm(filmed({ durationS: 0.3 }), camera(), seededRng(1));
		const [first] = [...frames()];
		expect(() => new FilmTracker([first], first, { u: 900, v: 20, widthPx: 20 })).toThrow(InputError);
		expect(() => new FilmTracker([first], first, { u: 90, v: 20, widthPx: 3 })).toThrow(/pixels wide/);
	});

	it('reads grey from colours', () => {
		expect([...greyOf(Uint8ClampedArray.from([255, 255, 255, 255, 0, 0, 0, 255, 255, 0, 0, 255]), 3, 1)]).toEqual([
			255, 0, 77,
		]);
	});
});

/** A track as if the tracker were perfect, of a motion as it is flown. */
function perfect(of: Filmed, by: Camera, noisePx = 0.08, seed = 3): FilmTrack {
	const rng = seededRng(seed);
	const count = Math.floor(of.durationS * by.framesPerS);
	const first = seenAt(of.at(0), by, of.spanM);
	const out: FilmTrack = {
		t: [],
		u: [],
		v: [],
		q: [],
		z: [],
		z2: [],
		lost: [],
		shift: [],
		restless: 0,
		patches: 0,
		cr: 25,
		widthPx: first.widthPx,
		width: by.width,
		height: by.height,
		leftAtS: null,
	};
	for (let k = 0; k < count; k++) {
		const seen = seenAt(of.at(k / by.framesPerS), by, of.spanM);
		out.t.push(k / by.framesPerS);
		out.u.push(seen.u + noisePx * rng.normal());
		out.v.push(seen.v + noisePx * rng.normal());
		out.q.push(Math.log(seen.widthPx / first.widthPx) + 0.01 * rng.normal());
		out.z.push(0.95);
		out.z2.push(0.2);
		out.lost.push(false);
		out.shift.push({ x: 0, y: 0, roll: 0 });
	}
	return out;
}
const large = camera({ width: 640, height: 360, framesPerS: 15, fPx: 493, elevationDeg: 90, distanceM: 6 });
const flown = (headingErrorDeg: number, seed: number) => {
	const { log } = rigHover(seed, { ...NO_FAULTS, headingErrorDeg }, { hold: 'position' });
	const at = (values: ArrayLike<number>, t: number) => interpolate(log.t, values, [log.t[0] + t])[0] - values[0];
	return filmed({
		durationS: 58,
		at: (t) => ({ right: at(log.east, t), forward: at(log.north, t), up: 0 }),
	});
};
const onBack: FilmSetup = { ...SETUP, fPx: 493, elevationDeg: 90 };

describe('a hover judged from its film', () => {
	it('bounds the bubble, and knows more with the phone on its back', () => {
		const review = reviewFilm(perfect(flown(0, 4), large), onBack);
		const { lower95M, estimate95M, upper95M } = review.bubble;
		expect(review.reasons.map(({ code }) => code)).not.toContain('circling');
		expect(lower95M ?? 9).toBeLessThan((estimate95M ?? 0) * 1.05);
		expect(estimate95M ?? 9).toBeLessThan(upper95M ?? 0);
		expect(review.spiral.present).toBe(false);
		expect(review.spiral.sense).toBeNull();
		const aside = reviewFilm(perfect(flown(0, 4), { ...large, elevationDeg: 5, distanceM: 14 }, 0.2), {
			...onBack,
			elevationDeg: 5,
		});
		expect((aside.bubble.upper95M ?? 0) / (aside.bubble.lower95M ?? 1)).toBeGreaterThan(
			(upper95M ?? 0) / (lower95M ?? 1),
		);
	});

	it('finds which way it circles, how far the compass is off, and never on a healthy one', () => {
		for (const seed of [3, 5, 8]) {
			for (const error of [50, -50]) {
				const { spiral, verdict } = reviewFilm(perfect(flown(error, seed), large), onBack);
				expect(spiral.present, `${error} ${seed}`).toBe(true);
				expect(spiral.sense).toBe(error > 0 ? 'cw' : 'ccw');
				expect(Math.abs((spiral.compassErrorDeg ?? 0) - error)).toBeLessThan(30);
				expect(verdict).toBe('fail');
			}
			expect(reviewFilm(perfect(flown(0, seed), large), onBack).spiral.present).toBe(false);
		}
	});

	it('measures a flown circle: radius and period', () => {
		const circle = filmed({
			durationS: 40,
			at: (t) => ({
				right: 1.5 * Math.sin((2 * Math.PI * t) / 9),
				forward: 1.5 * Math.cos((2 * Math.PI * t) / 9),
				up: 0,
			}),
		});
		const { spiral } = reviewFilm(perfect(circle, large), onBack);
		expect(spiral.present).toBe(true);
		expect(spiral.periodS).toBeCloseTo(9, 0);
		expect(Math.abs((spiral.radiusM ?? 0) - 1.5)).toBeLessThan(0.2);
		expect(spiral.compassErrorDeg ?? 0).toBeGreaterThan(0);
	});

	it('mirrors: the same hover seen in a mirror has the other sign', () => {
		const clockwise = flown(50, 5);
		const mirrored = { ...clockwise, at: (t: number) => ({ ...clockwise.at(t), right: -clockwise.at(t).right }) };
		const [a, b] = [clockwise, mirrored].map(
			(of) => reviewFilm(perfect(of, large, 0), onBack).spiral.compassErrorDeg ?? 0,
		);
		expect(Math.abs(a + b)).toBeLessThan(8);
	});

	it('allows for a camera whose width of view nobody knows, but not where the phone lies below', () => {
		const [known, unknown] = [493, undefined].map((fPx) => {
			const by = { ...large, elevationDeg: 20 };
			const setup: FilmSetup = { ...SETUP, elevationDeg: 20 };
			delete setup.fPx;
			return reviewFilm(perfect(flown(0, 4), by), fPx ? { ...setup, fPx } : setup).bubble;
		});
		expect(unknown.upper95M ?? 0).toBeGreaterThan((known.upper95M ?? 9) * 1.05);
		expect(unknown.lower95M).toBeCloseTo(known.lower95M ?? 0, 6);
	});

	it('sees bobbing, and not where there is none', () => {
		const bob = filmed({ durationS: 30, at: (t) => ({ ...wander(t), up: 0.16 * Math.sin(2 * Math.PI * 0.8 * t) }) });
		const upright = { ...SETUP, fPx: 493, elevationDeg: 10 };
		const seen = reviewFilm(perfect(bob, { ...large, elevationDeg: 10 }), upright);
		expect(seen.height.oscillationHz).toBeCloseTo(0.8, 1);
		expect(seen.reasons.map(({ code }) => code)).toContain('height-oscillation');
		const calm = reviewFilm(perfect(filmed({ durationS: 30 }), { ...large, elevationDeg: 10 }), upright);
		expect(calm.height.oscillationHz).toBeNull();
	});

	it('says nothing of a film that does not carry it, each for its reason', () => {
		const good = perfect(flown(0, 4), large);
		const codes = (of: FilmTrack, setup: Partial<FilmSetup> = {}) =>
			reviewFilm(of, { ...onBack, ...setup }).reasons.map(({ code }) => code);
		expect(codes(good, { confirmed: false })).toContain('insufficient-track');
		expect(codes({ ...good, cr: 3 })).toContain('insufficient-contrast');
		expect(codes({ ...good, lost: good.lost.map((_, k) => k % 5 === 0) })).toContain('insufficient-track');
		expect(codes({ ...good, z2: good.z2.map(() => 0.9) })).toContain('insufficient-track');
		expect(codes({ ...good, u: good.u.map(() => 300), v: good.v.map(() => 100) })).toContain('insufficient-motion');
		expect(
			codes({ ...good, patches: 12, shift: good.shift.map((_, k) => ({ x: k % 2 ? 9 : -9, y: 0, roll: 0 })) }),
		).toContain('insufficient-steadiness');
		expect(codes({ ...good, patches: 12, restless: good.t.length / 4 })).toContain('insufficient-background');
		expect(codes(perfect(filmed({ durationS: 4 }), large))).toContain('insufficient-duration');
		expect(codes(perfect(filmed({ durationS: 12 }), large))).toContain('too-short');
		expect(codes(good, { hold: 'height' })).toContain('no-place-held');
		const left = reviewFilm({ ...good, leftAtS: 30 }, onBack);
		expect(left.leftFrame).toBe(true);
		expect(left.verdict).toBe('fail');
		expect(left.durationS).toBeLessThan(31);
	});

	it('has an error of nothing for noise that turns no way', () => {
		const rng = seededRng(11);
		const [d, x] = [0, 0].map(() => Float64Array.from({ length: 240 }, () => 0.1 * rng.normal()));
		const got = filmedCompassError(d, x, 4, { whiteM: 0.02, slowM: 0.02 });
		expect(Math.abs(got.errorDeg)).toBeLessThan(25);
		expect(got.evidence).toBeLessThan(6);
	});
});
