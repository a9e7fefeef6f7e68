import { propulsion as say } from '$lib/messages/propulsion';
import type { Reason } from '../../schema/common';
import type { Outcome, ResponseAnswer, ResponseRequest } from '../../schema/response';
import { judge, reason } from '../finding/reasons';
import { checksLikelihood, SHOWS } from './checks';
import { hypothesesOf, type Hypothesis } from './hypotheses';
import { motorsOf } from './layouts';
import { likelihood, OUTCOMES, predict, TESTS, type Distribution, type Test } from './observation';
import { CHECK_WORDS, CHECKS, FAULT_WORDS, type CheckCode, nextWords, OUTCOME_WORDS, TEST_WORDS } from './words';

interface Weighed {
	h: Hypothesis;
	predicted: Record<Test, Distribution>;
	p: number;
}

function normalised(rows: Weighed[]): Weighed[] {
	const total = rows.reduce((sum, { p }) => sum + p, 0);
	return rows.map((row) => ({ ...row, p: row.p / total }));
}

/** Entropy of a distribution given as unnormalised sums, bits. */
function entropyOf(sums: Iterable<number>): { bits: number; total: number } {
	let total = 0;
	let weighted = 0;
	for (const p of sums) {
		if (!(p > 0)) continue;
		total += p;
		weighted += p * Math.log2(p);
	}
	return { bits: total > 0 ? Math.log2(total) - weighted / total : 0, total };
}

const addTo = (sums: Map<string, number>, key: string, p: number) => sums.set(key, (sums.get(key) ?? 0) + p);

function faultEntropy(rows: readonly Weighed[]): number {
	const sums = new Map<string, number>();
	for (const { h, p } of rows) addTo(sums, h.fault, p);
	return entropyOf(sums.values()).bits;
}

/** Expected drop of the entropy over fault codes by a check that shows a property without error, bits. */
function checkGain(rows: readonly Weighed[], code: CheckCode): number {
	const groups = new Map<string, Map<string, number>>();
	for (const { h, p } of rows) {
		const shown = SHOWS[code](h);
		const sums = groups.get(shown) ?? new Map<string, number>();
		addTo(sums, h.fault, p);
		groups.set(shown, sums);
	}
	let left = 0;
	for (const sums of groups.values()) {
		const { bits, total } = entropyOf(sums.values());
		left += total * bits;
	}
	return faultEntropy(rows) - left;
}

/** Expected drop of the entropy over fault codes by a powered test seen with the usual errors, bits. */
function nudgeGain(rows: readonly Weighed[], test: Test): number {
	let left = 0;
	for (const outcome of OUTCOMES) {
		const sums = new Map<string, number>();
		for (const { h, predicted, p } of rows) addTo(sums, h.fault, p * likelihood(predicted[test], outcome));
		const { bits, total } = entropyOf(sums.values());
		left += total * bits;
	}
	return faultEntropy(rows) - left;
}

type Checks = NonNullable<ResponseRequest['checks']>;
const isDone = (checks: Checks, code: CheckCode) => (checks[code] ?? 'not-done') !== 'not-done';

const best = <T extends string>(codes: readonly T[], of: (code: T) => number) =>
	codes.map((code) => ({ code, gainBits: Math.max(0, of(code)) })).reduce((a, b) => (b.gainBits > a.gainBits ? b : a));

function nextTest(
	rows: readonly Weighed[],
	observed: Record<Test, Outcome>,
	checks: Checks,
): ResponseAnswer['nextTest'] {
	const seen = TESTS.map((test) => observed[test]);
	const wrong = seen.some((outcome) => outcome !== 'as-commanded' && outcome !== 'not-tried');
	const untried = TESTS.filter((test) => observed[test] === 'not-tried');
	if (!wrong && untried.length > 0) {
		// The throttle brings the weight off the gear: last.
		const nudges = untried.filter((test) => test !== 'throttle');
		return best(nudges.length > 0 ? nudges : untried, (test) => nudgeGain(rows, test));
	}
	const left = CHECKS.filter((code) => !isDone(checks, code));
	return best(left.length > 0 ? left : CHECKS, (code) => checkGain(rows, code));
}

/** The off check that shows a fault: the first in which it differs from a right aircraft. */
function checkFor(h: Hypothesis, right: Hypothesis): CheckCode {
	return CHECKS.find((code) => SHOWS[code](h) !== SHOWS[code](right)) ?? 'prop-inspection';
}

const predictedBy = new Map<string, { h: Hypothesis; predicted: Record<Test, Distribution> }[]>();

/** Hypotheses of a layout with what each would show; worked out once. */
function predictions(layout: ResponseRequest['layout'], spin: ResponseRequest['spin']) {
	const key = `${layout} ${spin}`;
	let rows = predictedBy.get(key);
	if (!rows) {
		const motors = motorsOf(layout, spin);
		rows = hypothesesOf(layout, motors).map((h) => ({ h, predicted: predict(h, motors) }));
		predictedBy.set(key, rows);
	}
	return rows;
}

/** What each fault code of a layout is expected with before anything was tried; sums to one. */
export function faultPriors(layout: ResponseRequest['layout'], spin: ResponseRequest['spin']): Map<string, number> {
	const rows = predictions(layout, spin);
	const total = rows.reduce((sum, { h }) => sum + h.weight, 0);
	const sums = new Map<string, number>();
	for (const { h } of rows) addTo(sums, h.fault, h.weight / total);
	return sums;
}

/**
 * Ranks the faults behind a ground response: what roll, pitch, yaw nudges and the throttle did, by a Bayesian model of
 * mixer, propellers, board mounting and channels; then what the checks with the propellers off showed. `ranked` sums to one over all fault codes; docs/methods/response.md.
 */
export function diagnoseResponse({ layout, spin, observed, checks = {} }: ResponseRequest): ResponseAnswer {
	const known = predictions(layout, spin);
	const rows = normalised(
		known.map(({ h, predicted }) => ({
			h,
			predicted,
			p: TESTS.reduce(
				(p, test) => p * likelihood(predicted[test], observed[test]),
				h.weight * checksLikelihood(h, known[0].h, checks),
			),
		})),
	);
	const families = new Map<string, Weighed[]>();
	for (const row of rows) families.set(row.h.fault, [...(families.get(row.h.fault) ?? []), row]);
	const ranked = [...families]
		.map(([fault, own]) => {
			const top = Math.max(...own.map(({ p }) => p));
			const likely = own.filter(({ p }) => p >= top / 2).flatMap(({ h }) => h.motors);
			return {
				fault,
				motors: [...new Set(likely)],
				probability: own.reduce((sum, { p }) => sum + p, 0),
				check: checkFor(own[0].h, known[0].h),
			};
		})
		.sort((a, b) => b.probability - a.probability)
		.map((row) => ({ ...row, why: FAULT_WORDS(row.fault) }));

	const seen = TESTS.map((test) => observed[test]);
	const faulty = CHECKS.filter((code) => isDone(checks, code) && checks[code] !== 'right');
	const safeToContinue = seen.every((outcome) => outcome === 'as-commanded') && faulty.length === 0;
	const wrong = TESTS.filter((test) => observed[test] !== 'as-commanded' && observed[test] !== 'not-tried');
	const next = nextTest(rows, observed, checks);
	return { ranked, safeToContinue, nextTest: next, ...judge(reasonsOf(observed, wrong, faulty, ranked, next.code)) };
}

const NONE_WRONG = { value: 0, unit: 'wrong', source: 'Practice: the first wrong sign ends the routine' };

function reasonsOf(
	observed: Record<Test, Outcome>,
	wrong: readonly Test[],
	faulty: readonly CheckCode[],
	ranked: ResponseAnswer['ranked'],
	next: string,
): Reason[] {
	if (faulty.length > 0) {
		const [top] = ranked.filter(({ fault }) => fault !== 'no-fault');
		return [
			reason(
				'fail',
				say('check-wrong', {
					checks: faulty.map((code) => CHECK_WORDS[code]),
					why: top.why,
					then: nextWords(next),
				}),
				{ value: faulty.length, limit: NONE_WRONG },
			),
		];
	}
	if (wrong.length > 0) {
		const [top] = ranked.filter(({ fault }) => fault !== 'no-fault');
		return [
			reason(
				'fail',
				say('response-wrong', {
					tests: wrong.map((test) => `${TEST_WORDS[test]} ${OUTCOME_WORDS[observed[test]]}`),
					why: top.why,
					then: nextWords(next),
				}),
				{ value: wrong.length, limit: NONE_WRONG },
			),
		];
	}
	const missing = TESTS.filter((test) => observed[test] === 'not-tried');
	if (missing.length > 0)
		return [
			reason(
				'fail',
				say('insufficient-observations', {
					tests: missing.map((test) => TEST_WORDS[test]),
					then: nextWords(next),
				}),
				{ value: 4 - missing.length, limit: { value: 4, unit: 'tests', source: 'Winglogos rule' } },
			),
		];
	return [reason('pass', say('all-as-commanded'), { value: 4 })];
}
