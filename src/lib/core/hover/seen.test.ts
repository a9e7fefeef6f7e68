import { describe, expect, it } from 'vitest';
import { hoverSeenAnswerSchema, hoverSeenRequestSchema } from '../../schema/hoverSeen';
import { DEG } from '../frames/angles';
import { seededRng } from '../math/random';
import { reviewSeenHover } from './seen';

const WIND = { speedMps: 2, fromDeg: 250, heightM: 2 };

/** Marks every twelve seconds, all of one kind. */
const marked = (durationS: number, mark: object = { kind: 'still' }): { t: number; [told: string]: unknown }[] =>
	Array.from({ length: Math.floor(durationS / 12) + 1 }, (_, k) => ({ t: Math.min(12 * k, durationS), ...mark }));
const view = (more: Record<string, unknown> = {}) => {
	const durationS = (more.durationS as number | undefined) ?? 60;
	return {
		hover: 'a',
		person: 'pilot',
		durationS,
		heightM: 2,
		marks: marked(durationS),
		farthest: { value: 1.5, unit: 'm' },
		...more,
	};
};
const ask = (views: object[], more: object = {}) =>
	reviewSeenHover(
		hoverSeenRequestSchema.parse({ hold: 'position', aircraft: { lengthM: 0.4 }, wind: WIND, views, ...more }),
	);
const codes = (views: object[], more: object = {}) => ask(views, more).reasons.map(({ code }) => code);
const circles = (sense: 'left' | 'right', more: object = {}) =>
	view({ marks: marked(60, { kind: 'circling', sense }), farthest: { value: 12, unit: 'm' }, circleS: 8, ...more });

describe('what a still hover excludes', () => {
	it.each([
		[20, 60],
		[30, 51],
		[60, 48],
		[120, 47],
	])('watched for %d s: errors above %d°', (durationS, deg) => {
		const marks = marked(durationS).concat(durationS < 24 ? [{ t: 15, kind: 'still' }] : []);
		const { excludedAboveDeg, circling } = ask([view({ durationS, marks: marks.toSorted((a, b) => a.t - b.t) })]);
		expect(Math.abs((excludedAboveDeg ?? 0) - deg)).toBeLessThan(1.5);
		expect(circling.probability).toBeLessThan(0.2);
	});

	it('more by two hovers, less without a distance or attention', () => {
		const two = ask([view(), view({ hover: 'b' })]).excludedAboveDeg ?? 0;
		expect(Math.abs(two - 42)).toBeLessThan(1.5);
		expect(ask([view({ farthest: undefined })]).excludedAboveDeg).toBeGreaterThan(60);
		const seldom = [0, 30, 59].map((t) => ({ t, kind: 'still' }));
		expect(ask([view({ marks: seldom })]).excludedAboveDeg).toBeGreaterThan(60);
	});

	it('is never a pass unless the compass has evidence of its own', () => {
		expect(ask([view()])).toMatchObject({ verdict: 'caution', clears: null });
		expect(codes([view()])).toEqual(['large-errors-only', 'excluded']);
		const sound = ask([view()], { compassChecked: true });
		expect(sound).toMatchObject({ verdict: 'pass', clears: 'held-its-place', circling: { category: 'none' } });
		expect(sound.reasons.map(({ code }) => code)).toEqual(['excluded', 'held-its-place']);
		expect(sound.stillShare).toBeCloseTo(1, 9);
		expect(hoverSeenAnswerSchema.parse(sound)).toEqual(sound);
		const ten = Array.from({ length: 10 }, (_, k) => view({ hover: `h${k}` }));
		expect(ask(ten).verdict).toBe('caution');
	});
});

describe('circling', () => {
	it('to the right is a heading that reads too much, to the left too little', () => {
		const right = ask([circles('right')]);
		const left = ask([circles('left')]);
		expect(right.circling).toMatchObject({ category: 'mostly', sense: 'cw', periodS: 8 });
		expect(right.circling.probability).toBeGreaterThan(0.9);
		expect(right.compassErrorDeg).toBeGreaterThan(35);
		expect(left.compassErrorDeg).toBeCloseTo(-(right.compassErrorDeg ?? 0), 6);
		expect(right.sizeDeg).toBeGreaterThan(45);
		expect(right.sizeDeg).toBeLessThan(65);
		expect(right.verdict).toBe('fail');
		expect(right.reasons.map(({ code }) => code).slice(0, 3)).toEqual([
			'circling-seen',
			'circling-mark',
			'weak-fix-possible',
		]);
		expect(right.causes[0].code).toBe('compass-error');
	});

	it('both ways in turn is some, not mostly', () => {
		const marks = marked(60).map(({ t }, k) => ({ t, kind: 'circling', sense: k % 2 ? 'left' : 'right' }));
		expect(ask([circles('left', { marks })]).circling.category).toBe('some');
	});

	it('broken off early it went at least that far', () => {
		const early = { durationS: 20, marks: [0, 6, 14].map((t) => ({ t, kind: 'circling', sense: 'left' })) };
		const stopped = ask([circles('left', { ...early, farthest: { value: 5, unit: 'm' }, stoppedEarly: true })]);
		const whole = ask([circles('left', { ...early, farthest: { value: 5, unit: 'm' } })]);
		expect(stopped.circling.probability).toBeGreaterThan(whole.circling.probability ?? 1);
	});

	it('two persons at one hover count less than two hovers, and the worse view leads', () => {
		const one = ask([circles('left')]).circling.probability ?? 0;
		const persons = ask([circles('left'), circles('left', { person: 'spotter' })]).circling.probability ?? 0;
		const hovers = ask([circles('left'), circles('left', { hover: 'b' })]).circling.probability ?? 0;
		expect(persons).toBeGreaterThan(one);
		expect(hovers).toBeGreaterThan(persons);
		const apart = ask([view(), circles('right', { person: 'spotter' })]);
		expect(apart.reasons.map(({ code }) => code)).toContain('persons-differ');
		expect(apart.circling.category).toBe('mostly');
		expect(apart.farthestM).toBe(12);
		expect(apart.persons.map(({ category }) => category)).toEqual(['none', 'mostly']);
	});
});

describe('what is told beside it', () => {
	it('steps, lengths and metres are metres with their uncertainty', () => {
		const of = (farthest: object) => ask([view({ farthest })], { stepM: 0.8 });
		expect(of({ value: 2, unit: 'steps' }).farthestM).toBeCloseTo(1.6, 9);
		expect(of({ value: 3, unit: 'lengths' }).farthestM).toBeCloseTo(1.2, 9);
		expect(of({ value: 0, unit: 'm' }).farthestM).toBe(0.5);
		expect(of({ value: 2, unit: 'steps' }).farthestSigmaM).toBeCloseTo(Math.hypot(0.4, 0.4, 0.16), 9);
	});

	it.each([
		['short', view({ durationS: 36 }), {}],
		['inattentive', view({ marks: [0, 25, 50].map((t) => ({ t, kind: 'still' })) }), {}],
		['no-distance', view({ farthest: undefined }), {}],
		['wind-not-noted', view(), { wind: undefined }],
		['hold-loose', view({ farthest: { value: 3, unit: 'm' } }), {}],
		['bobbing', view({ marks: [...marked(48), { t: 55, kind: 'bobbing' }] }), {}],
		['wobble', view({ marks: [...marked(48), { t: 55, kind: 'wobble' }] }), {}],
	])('%s is a caution of its own', (code, one, more) => {
		const answer = ask([one], { compassChecked: true, ...more });
		expect(answer.reasons.map((r) => r.code)).toContain(code);
		expect(answer.verdict).toBe('caution');
	});

	it('creeping one way, far, is no position hold', () => {
		const marks = marked(60, { kind: 'creeping', frame: 'wind', dirDeg: 0 });
		expect(codes([view({ marks, farthest: { value: 6, unit: 'm' } })])[0]).toBe('no-position-hold');
		expect(codes([view({ marks })])).not.toContain('no-position-hold');
	});

	it('too short, or with too few marks, nothing is told; beside a good view it is left out and said', () => {
		const short = view({ durationS: 12, marks: [0, 5, 10].map((t) => ({ t, kind: 'still' })) });
		const sparse = view({ marks: [{ t: 3, kind: 'still' }] });
		expect(codes([short])).toEqual(['insufficient-duration']);
		expect(codes([sparse])).toEqual(['insufficient-marks']);
		const none = ask([sparse]);
		expect(none).toMatchObject({ excludedAboveDeg: null, circling: { probability: null }, verdict: 'fail' });
		expect(hoverSeenAnswerSchema.parse(none)).toEqual(none);
		expect(codes([view(), short])).toContain('views-left-out');
		expect(ask([view(), short]).excludedAboveDeg).toBe(ask([view()]).excludedAboveDeg);
	});

	it.each([
		['views.0.marks.0.sense', view({ marks: [{ t: 0, kind: 'circling' }] })],
		['views.0.marks.0.dirDeg', view({ marks: [{ t: 0, kind: 'creeping', frame: 'nose' }] })],
		[
			'views.0.marks.1.t',
			view({
				marks: [
					{ t: 9, kind: 'still' },
					{ t: 3, kind: 'still' },
				],
			}),
		],
		['views.0.marks.0.t', view({ marks: [{ t: 90, kind: 'still' }] })],
	])('%s is refused', (path, one) => {
		const found = hoverSeenRequestSchema.safeParse({ hold: 'position', aircraft: { lengthM: 0.4 }, views: [one] });
		expect(found.error?.issues.map((issue) => issue.path.join('.'))).toContain(path);
	});
});

describe('drift without position hold', () => {
	const creep = (towardDeg: number, metres: number, more: object = {}) => ({
		t0: 0,
		t1: 6,
		dirDeg: towardDeg,
		frame: 'north',
		distance: { value: metres, unit: 'm' } as const,
		fromRest: true,
		...more,
	});
	const drifted = (creeps: [number, object][], more: object = {}) =>
		ask(
			creeps.map(([noseDeg, one], k) => view({ hover: `h${k}`, noseDeg, creep: [one] })),
			{ hold: 'attitude', ...more },
		);

	it('that turns with the nose is trim, that does not is wind', () => {
		const trim = drifted([
			[0, creep(0, 5)],
			[180, creep(180, 5)],
			[90, creep(90, 5)],
		]);
		const p = (answer: typeof trim, code: string) => answer.causes.find((c) => c.code === code)?.probability ?? 0;
		expect(trim.drift?.trimMps[0]).toBeGreaterThan(0.7);
		expect(p(trim, 'level-trim')).toBeGreaterThan(0.85);
		const wind = drifted([
			[0, creep(90, 5)],
			[180, creep(90, 5)],
			[90, creep(90, 5)],
		]);
		expect(wind.drift?.windMps[1]).toBeGreaterThan(0.6);
		expect(p(wind, 'wind-drift')).toBeGreaterThan(0.9);
		expect(p(wind, 'level-trim')).toBeLessThan(0.5);
		expect(hoverSeenAnswerSchema.parse(wind)).toEqual(wind);
	});

	it('with the nose one way says neither, and asks for the turn', () => {
		const one = drifted([[0, creep(45, 8)]], { wind: undefined });
		for (const { code, probability } of one.causes.filter(({ code }) => code !== 'held-its-place'))
			expect(probability, code).toBeLessThanOrEqual(0.8);
		expect(one.reasons.map(({ code }) => code)).toContain('turn-and-repeat');
		expect(one).toMatchObject({ compassErrorDeg: null, excludedAboveDeg: null, circling: { probability: null } });
	});

	it('is as sure as it is right, over seeded creeps of its own kind', () => {
		const rng = seededRng(12);
		let [chi, n] = [0, 0];
		for (let trial = 0; trial < 60; trial++) {
			const width = rng.uniform() < 0.5 ? 0.15 : 1.2;
			const trim = [width * rng.normal(), width * rng.normal()];
			const blow = [3 * rng.normal(), 3 * rng.normal()];
			const creeps = [0, 90, 180].map((nose): [number, object] => {
				const [c, s] = [Math.cos(nose * DEG), Math.sin(nose * DEG)];
				const v = [blow[0] + c * trim[0] - s * trim[1], blow[1] + s * trim[0] + c * trim[1]];
				const speed = Math.hypot(...v);
				const seen = v.map((x) => x + (0.15 + 0.34 * speed) * rng.normal());
				const toward = Math.round((Math.atan2(seen[1], seen[0]) / DEG + 360) / 45) % 8;
				return [nose, creep(45 * toward, 6 * Math.hypot(...seen), { fromRest: false })];
			});
			const { drift } = drifted(creeps, { wind: undefined });
			drift?.trimMps.forEach((q, k) => (chi += ((q - trim[k]) / drift.trimSigmaMps[k]) ** 2));
			n += 2;
		}
		expect(chi / n).toBeGreaterThan(0.5);
		expect(chi / n).toBeLessThan(1.7);
	});

	it('far and unexplained asks how; steady in attitude passes', () => {
		const far = view({ farthest: { value: 5, unit: 'm' } });
		expect(codes([far], { hold: 'height' })).toContain('drift-not-explained');
		expect(codes([view()], { hold: 'attitude' })).toEqual(['attitude-held']);
	});
});
