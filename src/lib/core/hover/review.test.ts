import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { drawGains, flyHover, type HoverTruth } from '../../rig/hover';
import { directGeodesic } from '../earth/geodesy';
import { seededRng } from '../math/random';
import type { HoverRequest } from '../../schema/hover';
import { reviewHover } from './review';

const calm: HoverTruth = {
	hold: 'position',
	durationS: 60,
	rateHz: 5,
	heightM: 2.4,
	compassErrorDeg: 0,
	wind: { fromDeg: 240, speedMps: 3, gustMps: 4.5 },
	trim: { rollDeg: 0, pitchDeg: 0 },
	headingDeg: 30,
	fixNoiseM: 0.03,
	fixWanderM: 0.35,
	jump: { atS: 0, sizeM: 0 },
	bobbingM: 0,
	pressureWanderM: 0.05,
};

function hover(more: Partial<HoverTruth> = {}, seed = 1, extra: Partial<HoverRequest> = {}) {
	const rng = seededRng(seed);
	const truth = { ...calm, ...more };
	const { t, north, east, up } = flyHover(truth, drawGains(rng), rng);
	return reviewHover({ track: { t, north, east, up }, hold: truth.hold, ...extra });
}

const top = (answer: ReturnType<typeof reviewHover>) => answer.causes[0].code;

describe('a healthy hover in position hold', () => {
	it('is called circling at most once in thirty', () => {
		const alarms = Array.from({ length: 30 }, (_, k) => hover({}, k + 1)).filter((a) => a.spiral.present);
		expect(alarms.length).toBeLessThanOrEqual(1);
	});

	it('passes, and says which compass errors it has not excluded', () => {
		const answer = hover({}, 5);
		expect(answer.verdict).toBe('pass');
		expect(top(answer)).toBe('holding-well');
		expect(answer.spiral.excludedAboveDeg).toBeGreaterThan(10);
	});
});

describe('a compass that is far off', () => {
	it.each([45, -45, 50, -50])('by %s° is found in most hovers, its sign being the sense of the circle', (error) => {
		const answers = Array.from({ length: 8 }, (_, k) => hover({ compassErrorDeg: error }, 100 + k));
		const found = answers.filter((a) => a.spiral.present);
		expect(found.length).toBeGreaterThanOrEqual(7);
		for (const { spiral, verdict } of found) {
			expect(verdict).toBe('fail');
			expect(Math.sign(spiral.compassErrorDeg ?? 0)).toBe(Math.sign(error));
			expect(spiral.sense).toBe(error > 0 ? 'cw' : 'ccw');
			const off = Math.abs((spiral.compassErrorDeg ?? 0) - error);
			expect(off).toBeLessThan(3.5 * (spiral.compassErrorSigmaDeg ?? 0));
		}
	});

	it('mirrors when the track is mirrored', () => {
		const rng = seededRng(101);
		const { t, north, east, up } = flyHover({ ...calm, compassErrorDeg: 48 }, drawGains(rng), rng);
		const straight = reviewHover({ track: { t, north, east, up }, hold: 'position' });
		const mirrored = reviewHover({ track: { t, north, east: east.map((e) => -e), up }, hold: 'position' });
		expect(mirrored.spiral.compassErrorDeg).toBeCloseTo(-(straight.spiral.compassErrorDeg ?? NaN), 1);
		expect(mirrored.bubble.diameter95M).toBeCloseTo(straight.bubble.diameter95M ?? NaN, 9);
	});
});

describe('other causes', () => {
	it('a fix that jumps', () => {
		const answer = hover({ jump: { atS: 20, sizeM: 4 } }, 3);
		expect(answer.jumps).toBeGreaterThanOrEqual(1);
		expect(answer.causes.find((c) => c.code === 'fix-jump')?.probability).toBeGreaterThan(0.8);
	});

	it('a weak fix', () => {
		expect(hover({ fixNoiseM: 0.4, fixWanderM: 1.5 }, 4).reasons.map((r) => r.code)).toContain('weak-fix');
	});

	it('a height that bobs, at its frequency', () => {
		const answer = hover({ bobbingM: 0.2, rateHz: 10 }, 6);
		expect(answer.height.oscillationHz).toBeCloseTo(0.8, 1);
		expect(answer.height.oscillationM).toBeCloseTo(0.2, 1);
	});

	it('a pressure height that wanders', () => {
		expect(hover({ pressureWanderM: 1 }, 7).reasons.map((r) => r.code)).toContain('height-wander');
	});

	it('position hold that runs away straight', () => {
		const t = Array.from({ length: 300 }, (_, k) => k / 5);
		const answer = reviewHover({
			track: { t, north: t.map((s) => 0.4 * s), east: t.map((s) => 0.1 * Math.sin(s)), up: t.map(() => 2) },
			hold: 'position',
		});
		expect(top(answer)).toBe('no-position-hold');
		expect(answer.spiral.present).toBeNull();
		expect(answer.drift.speedMps).toBeCloseTo(0.4, 2);
	});

	it('wind is told from trim when the wind is given, and not told when it is not', () => {
		const wind = { fromDeg: 240, speedMps: 3, gustMps: 4.5 };
		const drift = { hold: 'height' as const, durationS: 25 };
		expect(top(hover(drift, 9, { wind }))).toBe('wind-drift');
		const untold = hover(drift, 9);
		expect(Math.max(...untold.causes.map((c) => (/wind|trim/.test(c.code) ? c.probability : 0)))).toBeLessThanOrEqual(
			0.8,
		);
		const still = { fromDeg: 0, speedMps: 0, gustMps: 0 };
		const trimmed = hover({ ...drift, wind: still, trim: { rollDeg: 3, pitchDeg: 0 } }, 9, { wind: still });
		expect(top(trimmed)).toBe('level-trim');
	});

	it('a landing is measured from the setpoint, else from the first fix', () => {
		expect(hover({}, 1, { touchdown: { north: 3, east: 4 }, setpoint: { north: 0, east: 0 } }).landingErrorM).toBe(5);
	});
});

describe('too little to tell', () => {
	const straight = (n: number, rate: number, step = 0.01) => {
		const t = Array.from({ length: n }, (_, k) => k / rate);
		return { t, north: t.map((s) => step * s), east: t.map(() => 0), up: t.map(() => 2) };
	};

	it.each([
		['insufficient-samples', straight(9, 5)],
		['insufficient-duration', straight(20, 5)],
		['insufficient-rate', straight(30, 0.5)],
		['insufficient-hover', straight(300, 5, 50)],
	])('%s', (code, track) => {
		const answer = reviewHover({ track, hold: 'position' });
		expect(answer.verdict).toBe('fail');
		expect(answer.reasons[0].code).toBe(code);
		expect(answer.bubble.diameter95M).toBeNull();
	});

	it('fifteen seconds of position hold are not passed, whatever they look like', () => {
		const answer = hover({ durationS: 15 }, 5);
		expect(answer.verdict).toBe('fail');
		expect(answer.spiral.present).toBeNull();
	});

	it('a track that does not move at all is a frozen log', () => {
		const t = Array.from({ length: 200 }, (_, k) => k / 5);
		const answer = reviewHover({
			track: { t, north: t.map(() => 0), east: t.map(() => 0), up: t.map(() => 2) },
			hold: 'position',
		});
		expect(JSON.stringify(answer)).not.toMatch(/NaN/);
		expect(answer.reasons[0].code).toBe('insufficient-motion');
	});
});

describe('latitude and longitude', () => {
	it('give the same hover as metres', () => {
		const rng = seededRng(12);
		const { t, north, east, up } = flyHover({ ...calm, compassErrorDeg: 0 }, drawGains(rng), rng);
		const at = north.map((n, i) =>
			directGeodesic(54.2, -3.1, (Math.atan2(east[i], n) * 180) / Math.PI, Math.hypot(n, east[i])),
		);
		const a = reviewHover({ track: { t, north, east, up }, hold: 'position' });
		const b = reviewHover({
			track: { t, lat: at.map((p) => p.latDeg), lon: at.map((p) => p.lonDeg), alt: up.map((u) => u + 12) },
			groundAltM: 12,
			hold: 'position',
		});
		expect(b.bubble.diameter95M).toBeCloseTo(a.bubble.diameter95M ?? NaN, 3);
		expect(b.height.stdM).toBeCloseTo(a.height.stdM ?? NaN, 6);
	});

	it('moving the whole track changes nothing', () => {
		fc.assert(
			fc.property(evenly(-500, 500), (shift) => {
				const rng = seededRng(3);
				const { t, north, east, up } = flyHover({ ...calm, durationS: 25 }, drawGains(rng), rng);
				const a = reviewHover({ track: { t, north, east, up }, hold: 'position' });
				const b = reviewHover({ track: { t, north: north.map((n) => n + shift), east, up }, hold: 'position' });
				return Math.abs((a.bubble.diameter95M ?? 0) - (b.bubble.diameter95M ?? 1)) < 1e-6;
			}),
			{ numRuns: 8, seed: 1 },
		);
	});
});

describe('a gap in the log', () => {
	const rng = seededRng(7);
	const { t, north, east, up } = flyHover(calm, drawGains(rng), rng);
	const cut = (keep: (s: number) => boolean, moveM = 0) => {
		const at = Array.from(t, (s, i) => ({ s, i })).filter(({ s }) => keep(s));
		const column = (values: ArrayLike<number>, by = 0) => at.map(({ s, i }) => (values[i] ?? 0) + (s > 30 ? by : 0));
		return reviewHover({
			track: { t: column(t), north: column(north, moveM), east: column(east), up: column(up) },
			hold: 'position',
		});
	};
	it('is no jump of the fix, and is named by its length', () => {
		const answer = cut((s) => s < 20 || s > 32, 3);
		expect(answer.jumps).toBe(0);
		const gap = answer.reasons.find(({ code }) => code === 'log-gap');
		expect(gap?.level).toBe('caution');
		expect(gap?.value).toBeCloseTo(12, 0);
		expect(cut(() => true).reasons.some(({ code }) => code === 'log-gap')).toBe(false);
	});
	it('leaves what two short pieces hold: too little to show a circle', () => {
		const answer = cut((s) => s < 7 || s > 53);
		expect(answer.verdict).toBe('fail');
		expect(answer.reasons[0]?.code).toBe('insufficient-duration');
		expect(answer.spiral.present).toBeNull();
	});
});
