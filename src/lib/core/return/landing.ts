import { returnToHome as say } from '$lib/messages/return';
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { Reason } from '../../schema/common';
import type { Entry } from '../../schema/entries';
import type { LandingAnswer, LandingPoint, LandingRequest } from '../../schema/landing';
import { judge, reason } from '../finding/reasons';
import { DEG, wrap360, wrapPi } from '../frames/angles';
import { seededRng } from '../math/random';
import { quantile } from '../math/statistics';
import {
	add2,
	apply2,
	cholesky2,
	determinant2,
	dot2,
	ellipse2,
	inverse2,
	outer2,
	quarterTurn,
	scale2,
	type Pair,
	type Symmetric2,
} from '../math/symmetric2';
import { landingLimits as limits, MEASURED_BY, RECEIVERS } from './landingLimits';

/** Grid of ln kappa, the factor by which an aircraft scatters more than its class, and the deviation of its prior. */
const KAPPA = { from: -1.2, to: 1.6, count: 15, sigma: 0.35 } as const;
/** Offsets wider than this, metres, are not expected of anything that came home. */
const OFFSET_SIGMA_M = 20;
/** What is expected of offsets to come: mostly small against what the class scatters, seldom large. */
const OFFSETS_TO_COME = [
	{ share: 0.7, by: 0.3 },
	{ share: 0.3, by: 3 },
] as const;
const DRAWS = { aircraft: 300, landings: 150, seed: 1 } as const;
/** Chi of two degrees of freedom at 95 %. */
const CHI95 = 2.45;
const IDENTITY: Symmetric2 = [1, 0, 1];

interface Landing extends LandingPoint {
	metres: number;
	at: Pair;
}

const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

/** Weights from logarithms, adding to one. */
function normalised(logs: readonly number[]): number[] {
	const most = Math.max(...logs);
	const raw = logs.map((l) => Math.exp(l - most));
	const total = sum(raw);
	return raw.map((w) => w / total);
}

/** What measuring itself adds to a landing, metres squared: along its direction and across. */
function measuringOf({ how, metres, bearingDeg }: Landing): Symmetric2 {
	const { share, turn, leastM } = MEASURED_BY[how];
	const along: Pair = [Math.cos(bearingDeg * DEG), Math.sin(bearingDeg * DEG)];
	const a = (share * metres) ** 2 + leastM ** 2;
	const c = (turn * metres) ** 2 + leastM ** 2;
	return add2(scale2(outer2(along), a), scale2(outer2(quarterTurn(along)), c));
}

/** What the landings say of the offset they share, for one kappa: precision, weighted sum, and what is left for the evidence. */
interface Told {
	lnKappa: number;
	precision: Symmetric2;
	weighted: Pair;
	/** ln of what the landings are worth under this kappa, without any offset. */
	base: number;
}

function tellOf(landings: readonly Landing[], lnKappa: number, homeM: number, ownM: number): Told {
	const n = landings.length;
	const kappa2 = Math.exp(2 * lnKappa);
	const v = Matrix.zeros(2 * n, 2 * n);
	const right = Matrix.zeros(2 * n, 3);
	landings.forEach((a, i) => {
		landings.forEach((b, j) => {
			if (i !== j && a.powerUp !== b.powerUp) return;
			const shared = kappa2 * (homeM ** 2 + (i === j ? ownM ** 2 : 0));
			v.set(2 * i, 2 * j, shared);
			v.set(2 * i + 1, 2 * j + 1, shared);
		});
		const [nn, ne, ee] = measuringOf(a);
		v.set(2 * i, 2 * i, v.get(2 * i, 2 * i) + nn);
		v.set(2 * i + 1, 2 * i + 1, v.get(2 * i + 1, 2 * i + 1) + ee);
		v.set(2 * i, 2 * i + 1, ne);
		v.set(2 * i + 1, 2 * i, ne);
		right.set(2 * i, 0, 1);
		right.set(2 * i + 1, 1, 1);
		right.set(2 * i, 2, a.at[0]);
		right.set(2 * i + 1, 2, a.at[1]);
	});
	const factor = new CholeskyDecomposition(v);
	const inner = right.transpose().mmul(factor.solve(right));
	const logDet = 2 * sum(factor.lowerTriangularMatrix.diagonal().map(Math.log));
	return {
		lnKappa,
		precision: [inner.get(0, 0), inner.get(0, 1), inner.get(1, 1)],
		weighted: [inner.get(0, 2), inner.get(1, 2)],
		base: -0.5 * (logDet + inner.get(2, 2) + (lnKappa / KAPPA.sigma) ** 2),
	};
}

interface Posterior {
	mean: Pair;
	covariance: Symmetric2;
	/** ln of prior times evidence. */
	logWeight: number;
	kappa: number;
}

/** Mean and covariance of the offset where it was expected within a deviation of zero. */
function posteriorOf({ precision, weighted, base, lnKappa }: Told, sigmaM: number): Posterior {
	const covariance = inverse2(add2(precision, scale2(IDENTITY, 1 / sigmaM ** 2)));
	const mean = apply2(covariance, weighted);
	const spread = determinant2(add2(IDENTITY, scale2(precision, sigmaM ** 2)));
	return {
		mean,
		covariance,
		logWeight: base + 0.5 * (dot2(weighted, mean) - Math.log(spread)),
		kappa: Math.exp(lnKappa),
	};
}

/** A scale and a turn that all measurements share move the offset with itself. */
const withCommon = (covariance: Symmetric2, mean: Pair, scale: number, turn: number): Symmetric2 =>
	add2(covariance, add2(scale2(outer2(mean), scale ** 2), scale2(outer2(quarterTurn(mean)), turn ** 2)));

/** The scale and turn of the way most landings were measured; the larger on a tie. */
function commonOf(landings: readonly Landing[]): { scale: number; turn: number } {
	const ways = (Object.keys(MEASURED_BY) as (keyof typeof MEASURED_BY)[]).map((how) => ({
		count: landings.filter((l) => l.how === how).length,
		...MEASURED_BY[how],
	}));
	const [most] = ways.toSorted(
		(a, b) => b.count - a.count || b.commonScale + b.commonTurn - a.commonScale - a.commonTurn,
	);
	return { scale: most.commonScale, turn: most.commonTurn };
}

type Radius = LandingAnswer['radius'];

/** Radii about the mark of landings to come, and the share within the bar, by seeded draws. */
function radiiToCome(
	tells: readonly Told[],
	{ homeM, ownM, barM, scale }: { homeM: number; ownM: number; barM: number; scale: number },
): { radius: Radius; within: number } {
	const rng = seededRng(DRAWS.seed);
	const s = Math.hypot(homeM, ownM);
	const candidates = tells.flatMap((told) =>
		OFFSETS_TO_COME.map(({ share, by }) => {
			const found = posteriorOf(told, by * s);
			return { ...found, logWeight: found.logWeight + Math.log(share), root: cholesky2(found.covariance) };
		}),
	);
	const weights = normalised(candidates.map(({ logWeight }) => logWeight));
	const halves = new Float64Array(DRAWS.aircraft);
	const wides = new Float64Array(DRAWS.aircraft);
	let within = 0;
	for (let draw = 0; draw < DRAWS.aircraft; draw++) {
		let at = rng.uniform();
		const found = candidates[weights.findIndex((w) => (at -= w) <= 0)] ?? candidates[candidates.length - 1];
		const [z1, z2] = [rng.normal(), rng.normal()];
		const { root, kappa, mean } = found;
		const north = mean[0] + root[0] * z1;
		const east = mean[1] + root[1] * z1 + root[2] * z2;
		const stretched = Math.exp(scale * rng.normal());
		const radii = Float64Array.from(
			{ length: DRAWS.landings },
			() => stretched * Math.hypot(north + kappa * s * rng.normal(), east + kappa * s * rng.normal()),
		);
		halves[draw] = quantile(radii, 0.5);
		wides[draw] = quantile(radii, 0.95);
		within += radii.filter((r) => r <= barM).length / DRAWS.landings;
	}
	const ends = (values: Float64Array) => [0.5, 0.05, 0.95].map((q) => quantile(values, q));
	const [r50M, r50LowM, r50HighM] = ends(halves);
	const [r95M, r95LowM, r95HighM] = ends(wides);
	return { radius: { r50M, r50LowM, r50HighM, r95M, r95LowM, r95HighM }, within: within / DRAWS.aircraft };
}

/** Landings that a record tells, in the order they were flown: those measured from the mark. */
export const landingsIn = (entries: readonly Pick<Entry, 'payload'>[]): LandingRequest['points'] =>
	entries.flatMap(({ payload }) => (payload.kind === 'flight' && payload.landing ? [payload.landing] : []));

/** How many landings in all settle where it lands, one power-up each. */
function settledBy(n: number, kappa: number, s: number, offsetM: number, barM: number): number {
	const wanted = 0.8 * Math.max(offsetM, barM / 2);
	return Math.max(n, Math.ceil(((CHI95 * kappa * s) / wanted) ** 2 - 1e-9));
}

const NOTHING = {
	meanOffset: {
		distanceM: null,
		bearingDeg: null,
		northM: null,
		eastM: null,
		sigmaM: [null, null] as [null, null],
		ellipse95: { majorM: null, minorM: null, bearingDeg: null },
	},
	radius: { r50M: null, r50LowM: null, r50HighM: null, r95M: null, r95LowM: null, r95HighM: null },
	withinBarProbability: null,
	systematic: { p: null, present: false },
	scatter: { factor: null, largeProbability: null },
	more: null,
	suspicion: [],
};

/**
 * Where an aircraft comes down against its mark: the offset that its landings share, how far they scatter against what its receiver's
 * class does, where the next ones fall, and how many more would settle it. Metres north and east of the mark, bearings from true
 * north. docs/methods/landing.md.
 */
export function reviewLandings(request: LandingRequest): LandingAnswer {
	const { receiver, barometer, stepM, wind } = request;
	const { homeM, ownM: ownUsually, barM: barUsually } = RECEIVERS[receiver];
	const ownM = barometer ? ownUsually : ownUsually * limits.noBarometer.value;
	const barM = request.barM ?? barUsually;
	const landings = request.points.slice(-limits.newest.value).map((point): Landing => {
		const metres = point.distanceM ?? (point.paces ?? 0) * stepM;
		const angle = point.bearingDeg * DEG;
		return { ...point, metres, at: [metres * Math.cos(angle), metres * Math.sin(angle)] };
	});
	const n = landings.length;
	const powerUps = new Set(landings.map(({ powerUp }) => powerUp)).size;
	if (n === 0)
		return {
			n,
			powerUps,
			barM,
			...NOTHING,
			...judge([reason('fail', say('insufficient-landings'), { value: 0, limit: { ...limits.few, value: 1 } })]),
		};

	const step = (KAPPA.to - KAPPA.from) / (KAPPA.count - 1);
	const tells = Array.from({ length: KAPPA.count }, (_, k) => tellOf(landings, KAPPA.from + k * step, homeM, ownM));
	const found = tells.map((told) => posteriorOf(told, OFFSET_SIGMA_M));
	const weights = normalised(found.map(({ logWeight }) => logWeight));
	const mixed = (of: (p: Posterior) => number) => sum(found.map((p, k) => weights[k] * of(p)));
	const mean: Pair = [mixed((p) => p.mean[0]), mixed((p) => p.mean[1])];
	const common = commonOf(landings);
	const apart = found.map((p) => add2(p.covariance, outer2([p.mean[0] - mean[0], p.mean[1] - mean[1]])));
	const between = apart.reduce<Symmetric2>((all, c, k) => add2(all, scale2(c, weights[k])), [0, 0, 0]);
	const covariance = withCommon(between, mean, common.scale, common.turn);
	const p = mixed(({ mean: m, covariance: c }) => {
		const s = withCommon(c, m, common.scale, common.turn);
		return Math.exp(-dot2(m, apply2(inverse2(s), m)) / 2);
	});
	const factor = Math.exp(mixed(({ kappa }) => Math.log(kappa)));
	const largeProbability = mixed(({ kappa }) => (kappa > limits.scattered.value ? 1 : 0));
	const { radius, within } = radiiToCome(tells, { homeM, ownM, barM, scale: common.scale });

	const offsetM = Math.hypot(...mean);
	const towardDeg = wrap360(Math.atan2(mean[1], mean[0]) / DEG);
	const present = n >= 2 && p < limits.systematic.value;
	const { major, minor, angle } = ellipse2(covariance);
	const facts: Facts = {
		landings,
		n,
		powerUps,
		barM,
		within,
		present,
		p,
		largeProbability,
		factor,
		offsetM,
		towardDeg,
		radius,
		leftOut: request.points.length - n,
	};
	const all = settledBy(n, factor, Math.hypot(homeM, ownM), offsetM, barM);
	const judged = judge(reasonsOf(facts, all));
	const open = judged.verdict !== 'pass' && all > n && all <= limits.mostMore.value;
	return {
		n,
		powerUps,
		meanOffset: {
			distanceM: offsetM,
			bearingDeg: towardDeg,
			northM: mean[0],
			eastM: mean[1],
			sigmaM: [Math.sqrt(covariance[0]), Math.sqrt(covariance[2])],
			ellipse95: { majorM: CHI95 * major, minorM: CHI95 * minor, bearingDeg: angle / DEG },
		},
		radius,
		withinBarProbability: within,
		barM,
		systematic: { p, present },
		scatter: { factor, largeProbability },
		more: open ? { landings: all - n, perPowerUp: 1 } : null,
		suspicion: suspicionsOf(facts, wind),
		...judged,
	};
}

interface Facts {
	landings: readonly Landing[];
	leftOut: number;
	n: number;
	powerUps: number;
	barM: number;
	within: number;
	present: boolean;
	p: number;
	largeProbability: number;
	factor: number;
	offsetM: number;
	towardDeg: number;
	radius: Radius;
}

function suspicionsOf(
	{ landings, powerUps, present, largeProbability, towardDeg }: Facts,
	wind: LandingRequest['wind'],
): LandingAnswer['suspicion'] {
	const out: LandingAnswer['suspicion'] = [];
	if (largeProbability > limits.largeScatter.value || landings.some(({ circling }) => circling))
		out.push({
			code: 'compass-or-fix',
			why: landings.some(({ circling }) => circling)
				? 'It circled on the way down: a position loop with a wrong heading, or a weak fix, does that.'
				: 'It scatters far more than its receiver does: a weak fix, or a position loop near its edge.',
			next: 'Look at the lock first; then hover for a minute and watch whether it circles.',
		});
	if (present && powerUps === 1)
		out.push({
			code: 'home-point',
			why: 'All landings were of one power-up, and all lie to one side: the home stored then may lie there.',
			next: 'Power off, wait for the full lock on the mark, and land again.',
		});
	const apart = wind ? Math.abs(wrapPi((towardDeg - wind.fromDeg - 180) * DEG)) / DEG : Infinity;
	if (present && wind && wind.speedMps >= limits.windMps.value && apart <= limits.windDeg.value)
		out.push({
			code: 'wind-in-descent',
			why: 'They lie downwind: it is carried aside in the descent.',
			next: 'Land again in less wind, or look whether it leans into the wind while it comes down.',
		});
	return out;
}

function reasonsOf(facts: Facts, all: number): Reason[] {
	const { landings, leftOut, n, powerUps, barM, within, present, p, largeProbability, offsetM, towardDeg, radius } =
		facts;
	const bar = { value: barM, unit: 'm', source: 'The bar of its receiver’s class' };
	const out: Reason[] = [];
	const farthest = Math.max(...landings.map(({ metres }) => metres));
	if (farthest > limits.wide.value * barM)
		out.push(
			reason('fail', say('wide-miss', { farthestM: farthest }), {
				value: farthest,
				limit: { ...bar, value: limits.wide.value * barM },
			}),
		);
	if (n >= 2 && within < limits.misses.value)
		out.push(reason('fail', say('misses-bar', { barM }), { value: within, limit: limits.misses }));
	if (n < limits.few.value)
		out.push(
			reason(
				'caution',
				say('few-landings', { n, metres: landings[0].metres, lowM: radius.r95LowM ?? 0, highM: radius.r95HighM ?? 0 }),
				{ value: n, limit: limits.few },
			),
		);
	if (powerUps < limits.powerUps.value)
		out.push(reason('caution', say('one-power-up'), { value: powerUps, limit: limits.powerUps }));
	if (within <= limits.within.value && !(n >= 2 && within < limits.misses.value))
		out.push(reason('caution', say('bar-doubtful', { barM, within }), { value: within, limit: limits.within }));
	if (present)
		out.push(
			reason('caution', say('offset-systematic', { offsetM, towardDeg }), {
				value: p,
				limit: limits.systematic,
			}),
		);
	if (largeProbability > limits.largeScatter.value)
		out.push(reason('caution', say('scatter-large'), { value: facts.factor, limit: limits.scattered }));
	if (leftOut > 0)
		out.push(reason('pass', say('oldest-left-out', { leftOut }), { value: leftOut, limit: limits.newest }));
	const held = out.every(({ level }) => level === 'pass');
	if (!held && all > limits.mostMore.value)
		out.push(reason('caution', say('many-more'), { value: all, limit: limits.mostMore }));
	out.push(
		reason('pass', say(held ? 'lands-within-bar' : 'radius-to-come', { r50M: radius.r50M ?? 0 }), {
			value: within,
			limit: limits.within,
		}),
	);
	return out;
}
