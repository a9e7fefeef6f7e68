import type { Verdict } from '../../schema/common';
import type { Limit } from '../finding/reasons';
import { returnLimits as limits } from './limits';

/**
 * Gusts against the return speed, both m/s and as felt where the pilot stands: at or above it the way home fails, above the share of
 * the limit little is left. The limit shown is the one that decided.
 */
export function judgeGust(gustMps: number, returnSpeedMps: number): { level: Verdict; why: string; limit: Limit } {
	const whole = { value: returnSpeedMps, unit: 'm/s', source: 'Return speed of this aircraft' };
	if (gustMps >= returnSpeedMps)
		return { level: 'fail', why: 'Against a gust it would stand still or drift away.', limit: whole };
	const share: Limit = {
		value: limits.gustShare.value * returnSpeedMps,
		unit: 'm/s',
		source: `${100 * limits.gustShare.value} % of the return speed; ${limits.gustShare.source}`,
	};
	return gustMps > share.value
		? {
				level: 'caution',
				why: 'Little is left of the return speed; higher up the wind is stronger still.',
				limit: share,
			}
		: { level: 'pass', why: 'Enough speed is left to come home against a gust at head height.', limit: share };
}
