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
		out.push(
			reason(
				'fail',
				'heading-varies',
				'The error changes with the heading: the compass is bent by something on board or near.',
				{
					value: varyingDeg,
					limit: limits.headingShownDeg,
					next: 'Calibrate it by turning, away from metal, and check again.',
				},
			),
		);
	else if (quarters !== 0 && Math.abs(wrap180(constantDeg - 90 * quarters)) <= RIGHT_ANGLE_WITHIN_DEG)
		out.push(
			reason(
				'fail',
				'heading-turned',
				`It is turned by ${quarters === 2 || quarters === -2 ? 'half a turn' : `a quarter to the ${quarters > 0 ? 'right' : 'left'}`}: the mounting setting is wrong.`,
				{
					value: constantDeg,
					limit: limits.headingShownDeg,
					next: 'Look where the arrow on the compass points, and correct the setting.',
				},
			),
		);
	else if (worstDeg > limits.headingShownDeg.value) {
		const left = [
			{ by: -declinationDeg, words: 'Declination is left out' },
			{ by: declinationDeg, words: 'Declination is applied twice' },
		].find(({ by }) => Math.abs(by) > ALIKE_DEG && Math.abs(wrap180(constantDeg - by)) < ALIKE_DEG);
		out.push(
			reason(
				'caution',
				left ? 'declination' : 'heading-off',
				left
					? `${left.words}: the error is as large as it is here.`
					: 'It shows headings that are off by the same everywhere.',
				{
					value: constantDeg,
					limit: limits.headingShownDeg,
					next: left
						? 'Let the aircraft know its place, or correct the declination setting.'
						: 'Check how straight the compass is mounted, and the bearing itself.',
				},
			),
		);
	} else
		out.push(
			reason('pass', 'heading-right', 'The heading agrees with what is known.', {
				value: worstDeg,
				limit: limits.headingShownDeg,
			}),
		);
	const spread = pairs.some(({ knownDeg }) => Math.abs(wrap180(knownDeg - pairs[0].knownDeg)) > 60);
	if (!spread)
		out.push(
			reason(
				'caution',
				'one-direction',
				'Only one direction was checked: a bent compass may be right there and wrong across.',
				{ value: pairs.length, next: 'Turn the nose a quarter and a half round and check there too.' },
			),
		);
	return { errorsDeg, constantDeg, varyingDeg, worstDeg, ...judge(out) };
}
