import type { Draft } from '../../schema/common';
import type { CheckOutcome } from '../../schema/response';
import type { Hypothesis } from './hypotheses';
import { CHECKS, type CheckCode } from './words';

/** A check is made at leisure, and still misread now and then: a motor's turning by eye, a propeller's hand. */
const MISREAD = 0.03;

/** What each check would show of a hypothesis: equal texts cannot be told apart by it. */
export const SHOWS: Record<CheckCode, (h: Hypothesis) => string> = {
	'spin-check': (h) => h.sigma.join(),
	'motor-order-check': (h) => `${h.order.join()} ${h.sigma.map((s) => (s === 0 ? 0 : 1)).join()}`,
	'prop-inspection': (h) => `${h.hand.join()} ${h.over.join()}`,
	'tilt-check': (h) => h.board.join(),
	'rc-monitor': (h) => h.channels.join(),
	'mode-check': (h) => String(h.selfRighting),
};

/** How many motors or propellers a check finds wrong; null for a check of something there is one of. */
function wrongOf(h: Hypothesis, code: CheckCode): number | null {
	const count = (wrong: (k: number) => boolean) => h.sigma.filter((_, k) => wrong(k)).length;
	if (code === 'spin-check') return count((k) => h.sigma[k] !== 1);
	if (code === 'prop-inspection') return count((k) => h.hand[k] !== 1 || h.over[k]);
	if (code === 'motor-order-check') return count((k) => h.order[k] !== k || h.sigma[k] === 0);
	return null;
}

/** What a pilot would say of a check on an aircraft with this fault. */
export function shownBy(h: Hypothesis, right: Hypothesis, code: CheckCode): Exclude<CheckOutcome, 'not-done'> {
	const wrong = wrongOf(h, code);
	if (wrong === null) return SHOWS[code](h) === SHOWS[code](right) ? 'right' : 'wrong';
	if (wrong === 0) return 'right';
	if (wrong === h.sigma.length) return 'wrong';
	return wrong === 1 ? 'one-wrong' : 'some-wrong';
}

const KINDS = { counted: 4, single: 2 };

/** Probability of what the checks showed, misreadings included; 1 for those that were not done. */
export function checksLikelihood(
	h: Hypothesis,
	right: Hypothesis,
	checks: Draft<Record<CheckCode, CheckOutcome>>,
): number {
	return CHECKS.reduce((p, code) => {
		const outcome = checks[code] ?? 'not-done';
		if (outcome === 'not-done') return p;
		const others = (wrongOf(h, code) === null ? KINDS.single : KINDS.counted) - 1;
		return p * (shownBy(h, right, code) === outcome ? 1 - MISREAD : MISREAD / others);
	}, 1);
}
