import type { SymptomRequest } from '../../schema/symptoms';
import { TABLE, type Cause, type Fitting, type Observation, type SymptomTest } from './table';

/** What is worked out of hypotheses once: a pilot answers again and again of one aircraft. */
interface Known {
	reported: Map<string, Float64Array>;
	outcomes: Map<string, Float64Array[]>;
}

const known = new WeakMap<Hypotheses, Known>();
let last: { key: string; hypotheses: Hypotheses } | null = null;

/** One thing of hypotheses, worked out when it is asked for first. Nobody may change what it returns. */
function once<T>(hypotheses: Hypotheses, of: (known: Known) => Map<string, T>, id: string, work: () => T): T {
	const all = known.get(hypotheses) ?? { reported: new Map(), outcomes: new Map() };
	known.set(hypotheses, all);
	const there = of(all).get(id);
	if (there !== undefined) return there;
	const made = work();
	of(all).set(id, made);
	return made;
}

/** Why something may be so: nothing of the table, one cause, or two at once; numbers are places in the list of causes. */
export interface Hypotheses {
	causes: readonly Cause[];
	/** First cause of each; −1 for none of these. */
	first: Int16Array;
	/** Second cause of each; −1 for a single one. */
	second: Int16Array;
	prior: Float64Array;
	/** Share of each cause among single ones. */
	single: Float64Array;
}

/** All single causes, all pairs and none of these, with what is expected before anything was seen. None stands last. */
export function hypothesesFor(
	{ causes }: Fitting,
	{ kind, recent }: Pick<SymptomRequest, 'kind' | 'recent'>,
): Hypotheses {
	const key = JSON.stringify([kind, recent, causes.map(({ id }) => id)]);
	if (last?.key !== key) last = { key, hypotheses: hypothesesOf(causes, { kind, recent }) };
	return last.hypotheses;
}

function hypothesesOf(causes: readonly Cause[], { kind, recent }: Pick<SymptomRequest, 'kind' | 'recent'>): Hypotheses {
	const weights = causes.map(({ kinds, after }) => {
		const events = recent.map((event) => after?.[event] ?? 1);
		return (kinds[kind] ?? 0) * (events.length > 0 ? Math.max(...events) : 1);
	});
	const all = weights.reduce((a, b) => a + b, 0);
	const single = Float64Array.from(weights, (w) => w / all);
	const n = causes.length;
	const worked = recent.includes('new') || recent.includes('part');
	const pairs = worked ? TABLE.prior.pairsAfterNewOrPart : TABLE.prior.pairs;
	const { none } = TABLE.prior;
	const count = (n * (n + 1)) / 2 + 1;
	const first = new Int16Array(count).fill(-1);
	const second = new Int16Array(count).fill(-1);
	const prior = new Float64Array(count);
	let products = 0;
	for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) products += single[i] * single[j];
	let at = 0;
	for (let i = 0; i < n; i++, at++) {
		first[at] = i;
		prior[at] = single[i] * (1 - pairs - none);
	}
	for (let i = 0; i < n; i++)
		for (let j = i + 1; j < n; j++, at++) {
			first[at] = i;
			second[at] = j;
			prior[at] = (pairs * single[i] * single[j]) / products;
		}
	prior[at] = n > 1 ? none : none + pairs;
	return { causes, first, second, prior, single };
}

/** How likely each cause shows a sign by itself; the leak comes on top. */
const shownBy = (causes: readonly Cause[], { id }: Observation): Float64Array =>
	Float64Array.from(causes, ({ shows }) => (shows[id] === undefined ? 0 : TABLE.levels[shows[id]]));

const LEAK = 0.002;
const MOST_UNEXPLAINED = 0.5;

/** How likely a sign is there under each hypothesis: causes work by themselves, and any may show it. */
function there({ causes, first, second, single }: Hypotheses, sign: Observation): Float64Array {
	const a = shownBy(causes, sign);
	const leak = sign.leak ?? LEAK;
	const out = new Float64Array(first.length);
	for (let h = 0; h < out.length - 1; h++) {
		const two = second[h] < 0 ? 1 : 1 - a[second[h]];
		out[h] = 1 - (1 - leak) * (1 - a[first[h]]) * two;
	}
	const usual = single.reduce((sum, s, c) => sum + s * (1 - (1 - leak) * (1 - a[c])), 0);
	out[out.length - 1] = Math.min(MOST_UNEXPLAINED, Math.max(leak, usual));
	return out;
}

/** Signs that one is taken for; holds both ways. */
export const likeOf = ({ id, like = [] }: Observation, all: readonly Observation[]): Observation[] =>
	all.filter((o) => o.id !== id && (like.includes(o.id) || (o.like ?? []).includes(id)));

/** How likely a sign is told unasked under each hypothesis: some are missed, some taken for another, few invented. */
export function reported(hypotheses: Hypotheses, sign: Observation, all: readonly Observation[]): Float64Array {
	const { hit, swap, spurious, cap } = TABLE.report;
	return once(
		hypotheses,
		(known) => known.reported,
		sign.id,
		() => {
			const own = there(hypotheses, sign);
			const others = likeOf(sign, all).map((o) => there(hypotheses, o));
			return own.map((q, h) => {
				const taken = others.reduce((most, of) => Math.max(most, of[h]), 0);
				return Math.min(cap, hit * q + swap * (1 - q) * taken + spurious);
			});
		},
	);
}

/** The same where the finder asked: people say yes when asked. */
export const asked = (r: number): number => Math.min(TABLE.report.cap, r + TABLE.report.askedSpurious);

const MOST_FOUND = 0.97;

/** How likely each outcome of a test is under each hypothesis, in the order of the test's outcomes. */
export const outcomesOf = (hypotheses: Hypotheses, test: SymptomTest): Float64Array[] =>
	once(
		hypotheses,
		(known) => known.outcomes,
		test.id,
		() => outcomesUnder(hypotheses, test),
	);

function outcomesUnder({ causes, first, second }: Hypotheses, { outcomes }: SymptomTest): Float64Array[] {
	const { misread, falseFinding, noneFinding } = TABLE.testing;
	const m = outcomes.length;
	const finds = outcomes
		.slice(1)
		.map(({ finds: found = {} }) =>
			Float64Array.from(causes, ({ id }) => (found[id] === undefined ? 0 : TABLE.levels[found[id]])),
		);
	const whole = Float64Array.from(causes, (_, c) => finds.reduce((sum, f) => sum + f[c], 0));
	whole.forEach((sum, c) => {
		if (sum <= MOST_FOUND) return;
		for (const f of finds) f[c] *= MOST_FOUND / sum;
		whole[c] = MOST_FOUND;
	});
	const out = outcomes.map(() => new Float64Array(first.length));
	const none = Math.min(0.5, noneFinding * (m - 1));
	for (let h = 0; h < first.length; h++) {
		const [i, j] = [first[h], second[h]];
		const listed = i < 0 ? 0 : whole[i] + (j < 0 ? 0 : whole[j]);
		const any = i < 0 ? none : 1 - (1 - whole[i]) * (j < 0 ? 1 : 1 - whole[j]);
		let found = 0;
		for (let k = 1; k < m; k++) {
			const f = finds[k - 1];
			const share = listed > 0 ? (f[i] + (j < 0 ? 0 : f[j])) / listed : 0;
			const p = i < 0 ? none / (m - 1) : any * share + ((1 - any) * falseFinding) / (m - 1);
			found += p;
			out[k][h] = (1 - misread) * p + misread / m;
		}
		out[0][h] = (1 - misread) * (1 - found) + misread / m;
	}
	return out;
}

/** Probabilities from priors and sums of logarithms. */
export function posterior(prior: ArrayLike<number>, ln: ArrayLike<number>): Float64Array {
	let most = -Infinity;
	for (let h = 0; h < ln.length; h++) most = Math.max(most, ln[h]);
	const p = Float64Array.from({ length: ln.length }, (_, h) => prior[h] * Math.exp(ln[h] - most));
	const all = p.reduce((a, b) => a + b, 0);
	return p.map((v) => v / all);
}

/** Probability of each cause, alone or in a pair. */
export function perCause({ causes, first, second }: Hypotheses, p: ArrayLike<number>): Float64Array {
	const out = new Float64Array(causes.length);
	for (let h = 0; h < first.length - 1; h++) {
		out[first[h]] += p[h];
		if (second[h] >= 0) out[second[h]] += p[h];
	}
	return out;
}

/** Probability that one of some causes is there, each hypothesis once. */
export function anyOf(
	{ causes, first, second }: Hypotheses,
	p: ArrayLike<number>,
	is: (cause: Cause) => boolean,
): number {
	const of = causes.map(is);
	let sum = 0;
	for (let h = 0; h < first.length - 1; h++) if (of[first[h]] || (second[h] >= 0 && of[second[h]])) sum += p[h];
	return sum;
}

/** Entropy, bits, of the shares of causes, by one pass over what is possible: a pair counts half for each of its two. */
function surveyOf({ causes, first, second }: Hypotheses, p: ArrayLike<number>) {
	const possible = Int32Array.from(first.keys()).filter((h) => p[h] > 0);
	const shares = new Float64Array(causes.length + 1);
	/** What is left after an outcome, which weighs every hypothesis: how likely it was, and the entropy then. */
	return (weight?: ArrayLike<number>): { chance: number; bits: number } => {
		shares.fill(0);
		let chance = 0;
		for (const h of possible) {
			const v = weight ? p[h] * weight[h] : p[h];
			chance += v;
			if (first[h] < 0) shares[causes.length] += v;
			else if (second[h] < 0) shares[first[h]] += v;
			else {
				shares[first[h]] += v / 2;
				shares[second[h]] += v / 2;
			}
		}
		let bits = 0;
		for (const s of shares) if (s > 0) bits -= (s / chance) * Math.log2(s / chance);
		return { chance, bits };
	};
}

/** Entropy, bits, of the shares of causes: a pair counts half for each of its two. */
export const entropy = (hypotheses: Hypotheses, p: ArrayLike<number>): number => surveyOf(hypotheses, p)().bits;

/** Expected drop of the entropy, bits, by something whose outcomes have these likelihoods. */
export function gainsOf(
	hypotheses: Hypotheses,
	p: ArrayLike<number>,
): (outcomes: readonly ArrayLike<number>[]) => number {
	const survey = surveyOf(hypotheses, p);
	const { bits: now } = survey();
	return (outcomes) =>
		Math.max(
			0,
			outcomes.reduce((left, outcome) => {
				const { chance, bits } = survey(outcome);
				return left - chance * bits;
			}, now),
		);
}
