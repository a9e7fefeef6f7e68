import { seededRng, type Rng } from '../../src/lib/core/math/random';
import { rankSymptoms } from '../../src/lib/core/symptoms/rank';
import {
	fittingTo,
	phaseAt,
	TABLE,
	type Cause,
	type Observation,
	type SymptomTest,
} from '../../src/lib/core/symptoms/table';
import { symptomKindSchema, symptomRequestSchema, type SymptomKind } from '../../src/lib/schema/symptoms';
import { report } from './report';

const CASES = 400;
const MOST_TESTS = 3;
const TOLD = { striking: 0.85, plain: 0.6, 'if-looked-for': 0.2 } as const;
const TAKEN_FOR_ANOTHER = 0.13;
const INVENTED = 0.05;
const MISREAD = 0.04;
const IN_THE_AIR: readonly string[] = ['ground', 'hover', 'flight'];

const pick = <T>(list: readonly T[], weights: readonly number[], rng: Rng): T => {
	let at = rng.uniform() * weights.reduce((a, b) => a + b, 0);
	for (const [k, w] of weights.entries()) if ((at -= w) < 0) return list[k];
	return list[list.length - 1];
};
const any = <T>(list: readonly T[], rng: Rng): T => list[Math.floor(rng.uniform() * list.length)];

/** What a pilot tells of an aircraft with a cause: signs it shows, some missed, some taken for another, few invented. */
function told(cause: Cause, signs: readonly Observation[], rng: Rng): string[] {
	const out = new Set<string>();
	for (const sign of signs) {
		const level = cause.shows[sign.id];
		if (!(level && rng.uniform() < TABLE.levels[level]) || rng.uniform() > TOLD[sign.noticed]) continue;
		const like = signs.filter(
			({ id, like: others = [] }) => others.includes(sign.id) || (sign.like ?? []).includes(id),
		);
		out.add(like.length > 0 && rng.uniform() < TAKEN_FOR_ANOTHER ? any(like, rng).id : sign.id);
	}
	if (rng.uniform() < INVENTED) out.add(any(signs, rng).id);
	return [...out];
}

/** What a test finds: what the cause shows in it, now and then misread. */
function outcome({ outcomes }: SymptomTest, cause: Cause, rng: Rng): string {
	if (rng.uniform() < MISREAD) return any(outcomes, rng).id;
	for (const { id, finds = {} } of outcomes.slice(1)) {
		const level = finds[cause.id];
		if (level && rng.uniform() < TABLE.levels[level]) return id;
	}
	return outcomes[0].id;
}

/** The finder on simulated cases: the truth among the first three as told and after 1, 2, 3 checks, and what it offered that it must not. */
export function benchFinder(): void {
	const rng = seededRng(21);
	const first = new Float64Array(MOST_TESTS + 1);
	const three = new Float64Array(MOST_TESTS + 1);
	let [cases, offered, unsafe, inTheAir, dangerous] = [0, 0, 0, 0, 0];
	while (cases < CASES) {
		const kind: SymptomKind = any(symptomKindSchema.options, rng);
		const fitting = fittingTo({ kind, has: {} });
		const cause = pick(
			fitting.causes,
			fitting.causes.map(({ kinds }) => kinds[kind] ?? 0),
			rng,
		);
		const signs = told(cause, fitting.observations, rng);
		if (signs.length === 0) continue;
		cases++;
		const seen = fitting.observations.filter(({ id }) => signs.includes(id));
		const reached = seen.reduce((far, { when }) => (phaseAt(when) > phaseAt(far) ? when : far), seen[0].when);
		const locked = seen.some(({ locks, stops }) => locks || stops);
		const tests: { id: string; outcome: string }[] = [];
		for (let made = 0; made <= MOST_TESTS; made++) {
			const observations = signs.map((id) => ({ id, state: 'present' as const }));
			const answer = rankSymptoms(symptomRequestSchema.parse({ kind, observations, reached, tests }));
			const place = answer.ranked.findIndex((one) => one.cause === cause.id);
			if (place === 0) first[made]++;
			if (place >= 0 && place < 3) three[made]++;
			for (const one of answer.tests) {
				const test = fitting.tests.find(({ id }) => id === one.test);
				offered++;
				if (!test || !IN_THE_AIR.includes(test.exposure)) continue;
				inTheAir++;
				if (cause.danger === 3) dangerous++;
				if (locked) unsafe++;
			}
			const next = fitting.tests.find(({ id }) => id === answer.next?.test);
			if (next && made < MOST_TESTS) tests.push({ id: next.id, outcome: outcome(next, cause, rng) });
		}
	}
	const share = (n: number) => (n / CASES).toFixed(2);
	report(
		`What does it do: truth in the first three, ${CASES} simulated cases of all kinds (method notes: .81, .90, .92, .93)`,
		['as told', 'after 1 check', 'after 2', 'after 3'].map((when, k) => ({
			when,
			'in the first three': share(three[k]),
			first: share(first[k]),
		})),
	);
	report('Checks offered', [
		{ offered, 'with propellers on': inTheAir, 'of these, true cause may hurt': dangerous, 'against the lock': unsafe },
	]);
}
