import type { SymptomEvidence, SymptomRequest } from '../../schema/symptoms';
import { diagnoseResponse, faultPriors } from '../propulsion/diagnose';
import { asked, likeOf, outcomesOf, reported, type Hypotheses } from './model';
import { phaseAt, TABLE, type Fitting, type Observation, type Phase } from './table';

/** Something known, as factors of every hypothesis: what it says, and what would be said were it not known. */
export interface Item {
	from: SymptomEvidence['from'];
	id?: string;
	ln: Float64Array;
	/** ln of the factors where this is left out; null for 1. */
	without: Float64Array | null;
}

export interface Evidence {
	items: Item[];
	/** Which causes explain something that was seen, found or tried. */
	explains: boolean[];
	/** The latest phase that was reached; −1 where nobody said. */
	reached: number;
	/** Signs that may still be asked for, with how likely each is told when asked. */
	open: { sign: Observation; told: Float64Array }[];
}

/** The phase a pilot came to: as told, else the latest of what was seen. */
export function reachedPhase(request: SymptomRequest, { observations }: Fitting): number {
	if (request.reached) return phaseAt(request.reached);
	const seen = request.observations.filter(({ state }) => state === 'present');
	return Math.max(-1, ...seen.map(({ id }) => phaseAt(observations.find((o) => o.id === id)?.when as Phase)));
}

const logOf = (values: Float64Array) => values.map((v) => Math.log(v));

/** ln of saying nothing of a sign that could have been seen; null where saying nothing says nothing. */
function silenceOf({ noticed }: Observation, r: Float64Array): Float64Array | null {
	const { mention, mentionStriking } = TABLE.report;
	if (noticed === 'if-looked-for') return null;
	const mu = noticed === 'striking' ? mentionStriking : mention;
	return r.map((v) => Math.log(1 - mu * v));
}

/** Causes that a fault code of the ground response stands for: several where any of them may be it, two parts where it needs both. */
function causesOfFault(fault: string): { each: string[] } | { both: [string, string] } {
	const exact = TABLE.responseFaults[fault];
	const mapped =
		exact !== undefined
			? exact
			: Object.entries(TABLE.responseFaults).find(
					([key]) => key.endsWith('*') && fault.startsWith(key.slice(0, -1)) && !fault.includes('+'),
				)?.[1];
	if (mapped === null) return { each: [] };
	if (mapped !== undefined) {
		if (typeof mapped !== 'string') return { each: [...mapped] };
		const [a, b] = mapped.split('+');
		return b === undefined ? { each: [a] } : { both: [a, b] };
	}
	if (!fault.includes('+')) return { each: [] };
	const parts = fault.split('+').flatMap((part) => {
		const means = causesOfFault(part);
		return 'each' in means ? means.each : means.both;
	});
	const [a, b, ...more] = new Set(parts);
	return b !== undefined && more.length === 0 ? { both: [a, b] } : { each: [...new Set(parts)] };
}

/** What the ground response makes of each cause and each pair, as ratios against a right aircraft. */
function responseRatios({ layout, spin, observed }: NonNullable<SymptomRequest['response']>) {
	const { ranked } = diagnoseResponse({ layout, spin, observed });
	const priors = faultPriors(layout, spin);
	const most = TABLE.limits.responseRatio;
	const sums = new Map<string, { p: number; w: number }>();
	const add = (key: string, p: number, w: number) => {
		const sum = sums.get(key) ?? { p: 0, w: 0 };
		sums.set(key, { p: sum.p + p, w: sum.w + w });
	};
	let right = 1;
	for (const { fault, probability: p } of ranked) {
		const w = priors.get(fault) ?? 0;
		if (fault === 'no-fault') right = p / w;
		const means = causesOfFault(fault);
		if ('both' in means) add(means.both.toSorted().join('+'), p, w);
		else for (const cause of means.each) add(cause, p, w);
	}
	const ratio = (key: string): number | null => {
		const sum = sums.get(key);
		return sum && sum.w > 0 ? Math.min(most, Math.max(1 / most, sum.p / sum.w / right)) : null;
	};
	return { of: ratio, ofPair: (a: string, b: string) => ratio([a, b].toSorted().join('+')) };
}

const EXPLAINS_FROM = 2;

/** All that is known, as items whose factors multiply, and which causes explain any of it. */
export function evidenceOf(request: SymptomRequest, fitting: Fitting, hypotheses: Hypotheses): Evidence {
	const { causes, first, second } = hypotheses;
	const explains = causes.map(() => false);
	const reached = reachedPhase(request, fitting);
	const answered = new Set<string>(request.response ? TABLE.responseObservations : []);
	const items: Item[] = [];
	const open: Evidence['open'] = [];
	const silence = new Float64Array(first.length);
	for (const sign of fitting.observations) {
		if (answered.has(sign.id)) continue;
		const seen = request.observations.find(({ id }) => id === sign.id);
		const inReach = phaseAt(sign.when) <= reached;
		if (!seen && !inReach) continue;
		const r = reported(hypotheses, sign, fitting.observations);
		const silent = inReach ? silenceOf(sign, r) : null;
		if (!seen) {
			silent?.forEach((ln, h) => (silence[h] += ln));
			open.push({ sign, told: r.map(asked) });
			continue;
		}
		if (seen.state === 'unknown') continue;
		const told = r.map((v) => (seen.state === 'absent' ? 1 - asked(v) : seen.asked ? asked(v) : v));
		items.push({ from: 'observation', id: sign.id, ln: logOf(told), without: silent });
		if (seen.state !== 'present') continue;
		const like = likeOf(sign, fitting.observations);
		causes.forEach(({ shows }, c) => {
			if (shows[sign.id] !== undefined) explains[c] = true;
			for (const { id } of like)
				if (shows[id] !== undefined && TABLE.levels[shows[id]] >= TABLE.levels.sometimes) explains[c] = true;
		});
	}
	if (silence.some((ln) => ln !== 0)) items.push({ from: 'silence', ln: silence, without: null });
	for (const { id, outcome } of request.tests) {
		const test = fitting.tests.find((t) => t.id === id);
		if (!test) continue;
		const at = test.outcomes.findIndex((o) => o.id === outcome);
		items.push({ from: 'test', id, ln: logOf(outcomesOf(hypotheses, test)[at]), without: null });
		const { finds = {} } = test.outcomes[at];
		causes.forEach((cause, c) => (explains[c] ||= finds[cause.id] !== undefined));
	}
	if (request.response) {
		const ratios = responseRatios(request.response);
		const single = causes.map(({ id }) => ratios.of(id));
		single.forEach((ratio, c) => (explains[c] ||= (ratio ?? 1) >= EXPLAINS_FROM));
		const ln = Float64Array.from(first, (i, h) => {
			if (i < 0) return 0;
			const j = second[h];
			if (j < 0) return Math.log(single[i] ?? 1);
			const [a, b] = [single[i], single[j]];
			const both = ratios.ofPair(causes[i].id, causes[j].id);
			if (both !== null) return Math.log(both);
			if (a !== null && b !== null) return Math.log(a * b) / 2;
			return Math.log(a ?? b ?? 1);
		});
		items.push({ from: 'response', ln, without: null });
	}
	const { remedyPersists, remedyGone } = TABLE.limits;
	for (const { cause, result } of request.remedies) {
		const c = causes.findIndex(({ id }) => id === cause);
		const ln = Float64Array.from(first, (i, h) => {
			const there = i === c || second[h] === c;
			if (result === 'persists') return there ? Math.log(remedyPersists) : 0;
			return there ? 0 : Math.log(remedyGone);
		});
		items.push({ from: 'remedy', id: cause, ln, without: null });
	}
	return { items, explains, reached, open };
}
