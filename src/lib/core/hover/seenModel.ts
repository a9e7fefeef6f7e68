import { interpolate } from '../math/interpolate';
import { normalBelow, normalDensity } from '../math/normal';
import { ATTENTION, LATENT, SEEN_TABLE as TABLE } from './seenLimits';
import type { Seen } from './seenViews';

const range = ({ from, to, step }: { from: number; to: number; step: number }) =>
	Array.from({ length: Math.round((to - from) / step) + 1 }, (_, k) => from + k * step);
const ERRORS = range(LATENT.error);
const EDGES = range(LATENT.edge);
/** Every pair of an error and an edge, degrees. */
const NODES = ERRORS.flatMap((error) => EDGES.map((edge) => ({ error, edge, beyond: Math.abs(error) - edge })));
/** Variance of an angle that stands for its whole step. */
const STEP_VARIANCE = LATENT.error.step ** 2 / 3;
/** Nearer to its edge than this an aircraft circles. */
const CIRCLES_FROM_DEG = -5;

const total = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
const normalise = (values: readonly number[]) => {
	const all = total(values);
	return values.map((v) => v / all);
};

const edgePrior = (edge: number) =>
	total(LATENT.edge.mix.map(({ share, mean, sigma }) => share * normalDensity(edge, mean, sigma)));
/** What is expected of an aircraft that nobody watched. */
const PRIOR = normalise(NODES.map(({ error, edge }) => normalDensity(error, 0, LATENT.error.sigma) * edgePrior(edge)));
/** The same, every error alike. */
const FLAT = normalise(NODES.map(({ edge }) => edgePrior(edge)));

const at = (x: readonly number[], y: readonly number[], where: number) => interpolate(x, y, [where])[0];
const LN_TIMES = TABLE.forS.map(Math.log);
/** A table by degrees beyond the edge and time watched: linear in both, the time as its logarithm; the ends are held. */
const inTable = (table: readonly (readonly number[])[], beyond: number, lnS: number) =>
	at(
		LN_TIMES,
		table.map((row) => at(TABLE.beyondDeg, row, beyond)),
		lnS,
	);
const LN_PERIODS = TABLE.periodS.map(Math.log);

/** Mean of ln of the largest distance, metres. */
function lnFarthest(beyond: number, lnS: number): number {
	const [first] = TABLE.outsideDeg;
	if (beyond >= first) return at(TABLE.outsideDeg, TABLE.outside, beyond);
	const within = at(LN_TIMES, TABLE.within, lnS);
	const t = (beyond + 10) / 12.5;
	if (t <= 0) return within;
	const rise = t < 0.6 ? 0.4 * t : 0.24 + 1.9 * (t - 0.6);
	return within + (TABLE.outside[0] - within) * rise;
}

/** How well an error and an edge explain each thing a watcher told; one list of all nodes a thing. */
function factorsOf({ category, sense, view, tableS, farthestM }: Seen): number[][] {
	const lnS = Math.log(tableS);
	const outcome = NODES.map(({ error, beyond }) => {
		const none = inTable(TABLE.none, beyond, lnS);
		if (category === 'none') return none;
		const mostly = inTable(TABLE.mostly, beyond, lnS);
		const p = category === 'mostly' ? mostly : Math.max(TABLE.leastSome, 1 - none - mostly);
		if (error === 0) return 0.5 * p;
		const right = at(TABLE.beyondDeg, TABLE.rightSense, beyond);
		return p * (sense === (error > 0 ? 'cw' : 'ccw') ? right : 1 - right);
	});
	const factors = [outcome];
	if (farthestM !== null)
		factors.push(
			NODES.map(({ beyond }) => {
				const mean = lnFarthest(beyond, lnS);
				const ln = Math.log(farthestM);
				return view.stoppedEarly
					? 1 - normalBelow((ln - mean) / TABLE.distanceSigma)
					: normalDensity(ln, mean, TABLE.distanceSigma);
			}),
		);
	if (category !== 'none' && view.circleS !== undefined)
		factors.push(
			NODES.map(({ beyond }) =>
				normalDensity(
					Math.log(view.circleS ?? 1),
					at(TABLE.beyondDeg, LN_PERIODS, beyond),
					Math.hypot(at(TABLE.beyondDeg, TABLE.periodSigma, beyond), TABLE.toldPeriod),
				),
			),
		);
	return factors;
}

/** ln of how well each node explains a view: every thing told may have been told by somebody who did not look. */
function lnView(seen: Seen): number[] {
	const a = seen.gap ? ATTENTION.gap : ATTENTION.usual;
	const sum = NODES.map(() => 0);
	for (const factor of factorsOf(seen)) {
		const blind = total(factor.map((l, k) => l * PRIOR[k]));
		factor.forEach((l, k) => (sum[k] += Math.log((1 - a) * l + a * blind)));
	}
	return sum;
}

/** The same of all views: persons at one hover saw much the same, hovers of one aircraft add. */
function lnAll(seen: readonly Seen[]): number[] {
	const sum = NODES.map(() => 0);
	for (const hover of new Set(seen.map(({ view }) => view.hover))) {
		const of = seen.filter(({ view }) => view.hover === hover);
		const shrink = 1 + 0.5 * (of.length - 1);
		for (const one of of) lnView(one).forEach((l, k) => (sum[k] += l / shrink));
	}
	return sum;
}

function posterior(prior: readonly number[], ln: readonly number[]): number[] {
	const most = Math.max(...ln);
	return normalise(prior.map((p, k) => p * Math.exp(ln[k] - most)));
}

/** Angle that a share of all errors lies below in size; each stands for its whole step, spread evenly. */
function sizeQuantile(weights: readonly number[], share: number): number {
	const { step, to } = LATENT.error;
	let below = 0;
	for (let size = 0; size <= to; size += step) {
		const mass = total(weights.filter((_, k) => Math.abs(NODES[k].error) === size));
		const [low, high] = [Math.max(0, size - step / 2), size + step / 2];
		if (below + mass >= share) return low + ((high - low) * (share - below)) / mass;
		below += mass;
	}
	return to + step / 2;
}

export interface SeenError {
	circlingProbability: number;
	errorDeg: number;
	errorSigmaDeg: number;
	sizeDeg: number;
	sizeSigmaDeg: number;
	excludedAboveDeg: number;
}

/** What watchers' views say of a compass error: how likely it circles, the error with its sense (cw positive), and what is excluded. */
export function errorFromViews(seen: readonly Seen[]): SeenError {
	const ln = lnAll(seen);
	const weights = posterior(PRIOR, ln);
	const mean = (of: (node: (typeof NODES)[number]) => number) => total(weights.map((w, k) => w * of(NODES[k])));
	const errorDeg = mean(({ error }) => error);
	const sizeDeg = mean(({ error }) => Math.abs(error));
	const spread = (middle: number, of: (error: number) => number) =>
		Math.sqrt(mean(({ error }) => (of(error) - middle) ** 2) + STEP_VARIANCE);
	return {
		circlingProbability: mean(({ beyond }) => (beyond > CIRCLES_FROM_DEG ? 1 : 0)),
		errorDeg,
		errorSigmaDeg: spread(errorDeg, (e) => e),
		sizeDeg,
		sizeSigmaDeg: spread(sizeDeg, Math.abs),
		excludedAboveDeg: sizeQuantile(posterior(FLAT, ln), 0.95),
	};
}
