import { describe, expect, it } from 'vitest';
import { landingAnswerSchema, landingRequestSchema } from '../../schema/landing';
import { DEG, wrap360 } from '../frames/angles';
import { seededRng, type Rng } from '../math/random';
import { reviewLandings } from './landing';

interface Point {
	north: number;
	east: number;
	powerUp: string;
}

const point = ({ north, east, powerUp }: Point, how = 'paces') => ({
	distanceM: Math.hypot(north, east),
	bearingDeg: wrap360(Math.atan2(east, north) / DEG),
	how,
	powerUp,
});
const review = (points: object[], more: object = {}) =>
	reviewLandings(landingRequestSchema.parse({ receiver: 'plain', points, ...more }));
const codes = (points: object[], more: object = {}) => review(points, more).reasons.map(({ code }) => code);
const at = (north: number, east: number, powerUp: string | number) =>
	point({ north, east, powerUp: String(powerUp) }, 'tape');

/** Landings of a plain receiver, one power-up each, paced: the world that the method takes it to be. */
function flown(rng: Rng, n: number, { north = 0, kappa = 1, powerUps = n } = {}) {
	const [scale, turn] = [1 + 0.08 * rng.normal(), 0.12 * rng.normal()];
	const home = Array.from({ length: powerUps }, () => [1.2 * rng.normal(), 1.2 * rng.normal()]);
	return Array.from({ length: n }, (_, k) => {
		const own = home[k % powerUps];
		const true_ = [north + kappa * (own[0] + 0.8 * rng.normal()), kappa * (own[1] + 0.8 * rng.normal())];
		const d = Math.hypot(...true_);
		const angle = Math.atan2(true_[1], true_[0]);
		const along = scale * d + Math.hypot(0.06 * d, 0.3) * rng.normal();
		const across = Math.hypot(0.15 * d, 0.3) * rng.normal();
		return point({
			north: along * Math.cos(angle + turn) - across * Math.sin(angle + turn),
			east: along * Math.sin(angle + turn) + across * Math.cos(angle + turn),
			powerUp: String(k % powerUps),
		});
	});
}

/** Share of seeded worlds in which an answer holds. */
function share(
	trials: number,
	seed: number,
	world: (rng: Rng) => object[],
	holds: (a: ReturnType<typeof review>) => boolean,
) {
	const rng = seededRng(seed);
	let held = 0;
	for (let k = 0; k < trials; k++) if (holds(review(world(rng)))) held++;
	return held / trials;
}

describe('landings of an aircraft as its class is', () => {
	it.each([3, 10])('after %d: an offset is called in few, and most pass', (n) => {
		const world = (rng: Rng) => flown(rng, n);
		expect(share(60, 3, world, (a) => a.systematic.present)).toBeLessThan(0.12);
		expect(share(60, 4, world, (a) => a.verdict === 'pass')).toBeGreaterThan(0.72);
	});

	it('the radius that is told holds the next landing as often as it says', () => {
		const rng = seededRng(8);
		let inside = 0;
		for (let k = 0; k < 100; k++) {
			const { radius } = review(flown(rng, 4));
			const next = Math.hypot(1.2 * rng.normal() + 0.8 * rng.normal(), 1.2 * rng.normal() + 0.8 * rng.normal());
			if (next <= (radius.r95M ?? 0)) inside++;
		}
		expect(inside / 100).toBeGreaterThan(0.88);
		expect(inside / 100).toBeLessThan(0.995);
	});
});

describe('an aircraft that lands to one side, or anywhere', () => {
	it.each([
		[2, 0.55, 0.85],
		[3, 0.82, 0.99],
		[5, 0.92, 1.01],
	])('an offset of 3.6 m is found after %d landings about as often as it can be', (n, least, most) => {
		const found = share(
			50,
			5 + n,
			(rng) => flown(rng, n, { north: 3.6 }),
			(a) => a.systematic.present,
		);
		expect(found).toBeGreaterThan(least);
		expect(found).toBeLessThan(most);
	});

	it('of one power-up it is found seldom, and home is suspected', () => {
		const one = (rng: Rng) => flown(rng, 3, { north: 3.6, powerUps: 1 });
		const found = share(50, 9, one, (a) => a.systematic.present);
		expect(found).toBeGreaterThan(0.35);
		expect(found).toBeLessThan(0.75);
		const answer = review([at(6, 0, 'a'), at(6.4, 0.3, 'a'), at(5.8, -0.4, 'a'), at(6.1, 0.2, 'a')]);
		expect(answer.suspicion.map(({ code }) => code)).toEqual(['home-point']);
	});

	it('threefold scatter does not pass, and is named', () => {
		const wide = (rng: Rng) => flown(rng, 5, { kappa: 3 });
		expect(share(50, 6, wide, (a) => a.verdict === 'pass')).toBeLessThan(0.08);
		expect(share(50, 7, wide, (a) => (a.scatter.largeProbability ?? 0) > 0.5)).toBeGreaterThan(0.75);
	});

	it('twenty landings scattered threefold are never taken for a scale of the pacing', () => {
		expect(
			share(
				10,
				11,
				(rng) => flown(rng, 20, { kappa: 3 }),
				(a) => a.verdict === 'pass',
			),
		).toBe(0);
	});
});

describe('what is told', () => {
	const good = [at(0.8, 0.2, 1), at(-0.6, 0.9, 2), at(0.3, -1.1, 3), at(-0.4, -0.2, 4)];

	it('four about the mark, one power-up each, pass, and nothing is left to settle', () => {
		const answer = review(good);
		expect(landingAnswerSchema.parse(answer)).toEqual(answer);
		expect(answer).toMatchObject({ n: 4, powerUps: 4, verdict: 'pass', more: null, suspicion: [] });
		expect(answer.reasons.at(-1)?.code).toBe('lands-within-bar');
	});

	it('the offset turns with the landings', () => {
		const base = review([at(5, 0, 1), at(6, 1, 2), at(5, -1, 3)]);
		const turned = review([at(0, 5, 1), at(-1, 6, 2), at(1, 5, 3)]);
		expect(base.meanOffset.northM).toBeCloseTo(turned.meanOffset.eastM ?? NaN, 6);
		expect(turned.meanOffset.bearingDeg).toBeCloseTo(wrap360((base.meanOffset.bearingDeg ?? 0) + 90), 6);
		expect(turned.meanOffset.ellipse95.majorM).toBeCloseTo(base.meanOffset.ellipse95.majorM ?? NaN, 6);
	});

	it('paces are steps of the pilot’s own length', () => {
		const paced = review([{ paces: 10, bearingDeg: 90, how: 'paces', powerUp: 'a' }], { stepM: 0.8 });
		const metres = review([{ distanceM: 8, bearingDeg: 90, how: 'paces', powerUp: 'a' }]);
		expect(paced.meanOffset).toEqual(metres.meanOffset);
	});

	it('one landing is at best a caution, and its words give the range of the next', () => {
		const answer = review([at(0.4, 0.1, 1)]);
		expect(answer).toMatchObject({ verdict: 'caution', systematic: { present: false } });
		expect(answer.reasons.find(({ code }) => code === 'few-landings')?.text).toMatch(
			/^One landing, 0\.4 m from the mark/,
		);
		expect(answer.more?.landings).toBeGreaterThan(0);
	});

	it('none, a wide miss, a circling one, one downwind, and more than sixty are each told', () => {
		const none = review([]);
		expect(landingAnswerSchema.parse(none)).toEqual(none);
		expect(none).toMatchObject({ n: 0, verdict: 'fail', withinBarProbability: null });
		expect(codes([])).toEqual(['insufficient-landings']);
		expect(codes([...good, at(16, 0, 5)])[0]).toBe('wide-miss');
		expect(review([{ ...good[0], circling: true }, ...good.slice(1)]).suspicion[0].code).toBe('compass-or-fix');
		const downwind = [at(4.5, 0, 1), at(5.2, 0.5, 2), at(4.8, -0.5, 3), at(5, 0.2, 4)];
		const told = review(downwind, { wind: { fromDeg: 180, speedMps: 5 } });
		expect(told.suspicion.map(({ code }) => code)).toContain('wind-in-descent');
		expect(review(downwind, { wind: { fromDeg: 0, speedMps: 5 } }).suspicion).toEqual([]);
		const many = Array.from({ length: 64 }, (_, k) => ({ ...good[k % 4], powerUp: String(k) }));
		expect(review(many).n).toBe(60);
		expect(codes(many)).toContain('oldest-left-out');
	});

	it('a point needs one of metres and paces, and the class its own bar', () => {
		const bare = { bearingDeg: 0, how: 'tape', powerUp: 'a' };
		for (const wrong of [bare, { ...bare, distanceM: 1, paces: 1 }])
			expect(landingRequestSchema.safeParse({ receiver: 'rtk', points: [wrong] }).success).toBe(false);
		expect(review(good, { receiver: 'rtk' })).toMatchObject({ barM: 0.5, verdict: 'fail' });
		expect(review(good, { receiver: 'rtk', barM: 4 }).barM).toBe(4);
	});
});
