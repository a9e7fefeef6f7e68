import { compass as say } from '$lib/messages/compass';
import type { Reason, Verdict } from '../../schema/common';
import { DEG, wrap360 } from '../frames/angles';
import { InputError } from '../finding/inputError';
import { judge, reason } from '../finding/reasons';
import { compassLimits as limits } from './limits';

export interface HeadingPair {
	/** The true bearing that the nose was pointed along. */
	knownDeg: number;
	/** What the aircraft showed. */
	shownDeg: number;
}

export interface HeadingCheck {
	/** Shown less known, of each, −180..180. */
	errorsDeg: number[];
	/** The part that is alike at every heading, and the part that changes with it. */
	constantDeg: number | null;
	varyingDeg: number | null;
	worstDeg: number | null;
	verdict: Verdict;
	reasons: Reason[];
}

const ALIKE_DEG = 5;
const RIGHT_ANGLE_WITHIN_DEG = 20;
const wrap180 = (deg: number) => wrap360(deg + 180) - 180;

/**
 * Headings shown against bearings known, both from true north. What is alike at every heading is a mounting (right angles)
 * or a declination that was left out or applied twice; what changes with the heading is the compass itself.
 * @throws InputError with path `pairs` where there is none.
 */
export function checkHeadings(pairs: readonly HeadingPair[], declinationDeg: number): HeadingCheck {
	if (pairs.length === 0) throw new InputError('empty', 'pairs', 'Give at least one known bearing and what was shown.');
	const errorsDeg = pairs.map(({ knownDeg, shownDeg }) => wrap180(shownDeg - knownDeg));
	const [s, c] = [Math.sin, Math.cos].map((f) => errorsDeg.reduce((sum, e) => sum + f(e * DEG), 0));
	const constantDeg = Math.atan2(s, c) / DEG;
	const rest = errorsDeg.map((e) => Math.abs(wrap180(e - constantDeg)));
	const varyingDeg = Math.max(...rest);
	const worstDeg = Math.max(...errorsDeg.map(Math.abs));
	const quarters = Math.round(constantDeg / 90);
	const out: Reason[] = [];
	if (varyingDeg > limits.headingShownDeg.value)
		out.push(reason('fail', say('heading-varies'), { value: varyingDeg, limit: limits.headingShownDeg }));
	else if (quarters !== 0 && Math.abs(wrap180(constantDeg - 90 * quarters)) <= RIGHT_ANGLE_WITHIN_DEG)
		out.push(
			reason('fail', say('heading-turned', { quarters }), { value: constantDeg, limit: limits.headingShownDeg }),
		);
	else if (worstDeg > limits.headingShownDeg.value) {
		const left = (
			[
				{ by: -declinationDeg, code: 'declination' },
				{ by: declinationDeg, code: 'declination#twice' },
			] as const
		).find(({ by }) => Math.abs(by) > ALIKE_DEG && Math.abs(wrap180(constantDeg - by)) < ALIKE_DEG);
		out.push(
			reason('caution', say(left?.code ?? 'heading-off'), { value: constantDeg, limit: limits.headingShownDeg }),
		);
	} else out.push(reason('pass', say('heading-right'), { value: worstDeg, limit: limits.headingShownDeg }));
	const spread = pairs.some(({ knownDeg }) => Math.abs(wrap180(knownDeg - pairs[0].knownDeg)) > 60);
	if (!spread) out.push(reason('caution', say('one-direction'), { value: pairs.length }));
	return { errorsDeg, constantDeg, varyingDeg, worstDeg, ...judge(out) };
}
