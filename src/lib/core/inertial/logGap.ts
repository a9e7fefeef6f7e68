import { inertial as say } from '$lib/messages/inertial';
import type { Reason } from '../../schema/common';
import { reason } from '../finding/reasons';
import { inertialLimits as limits } from './limits';

/** Reasons for a gap in a log, seconds; nothing where it has none. */
export function gapReasons(longestS: number): Reason[] {
	if (longestS === 0) return [];
	const long = longestS > limits.gapS.value;
	return [
		reason(long ? 'caution' : 'pass', say('log-gap', { longestS }), {
			value: longestS,
			limit: limits.gapS,
			...(long ? { next: 'Record again without a pause.' } : {}),
		}),
	];
}
