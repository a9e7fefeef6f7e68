import { guide as say } from '$lib/messages/guide';
import type { Reason, Verdict } from '../../schema/common';
import { judge, reason } from '../finding/reasons';

export interface ColdSoak {
	/** When it must stand outdoors, and when the routine begins, ISO times. */
	outAt: string;
	runAt: string;
	verdict: Verdict;
	reasons: Reason[];
}

/** Shortest cold soak, h: what every plan of a day and every routine takes. */
export const COLD_SOAK_HOURS = 2;
const HOUR_MS = 3_600_000;
const LEAST_HOURS = {
	value: COLD_SOAK_HOURS,
	unit: 'h',
	source: 'Practice: at least a couple of hours, dry, not in a freezer',
};

/** When an aircraft must be put out so that it is cold through by the time of its routine. Times are ISO. */
export function planColdSoak(runAt: string, hours: number, now: string): ColdSoak {
	const outMs = Date.parse(runAt) - hours * HOUR_MS;
	const lateH = (Date.parse(now) - outMs) / HOUR_MS;
	const out: Reason[] = [];
	if (hours < LEAST_HOURS.value) out.push(reason('caution', say('soak-short'), { value: hours, limit: LEAST_HOURS }));
	else out.push(reason('pass', say('soak-long'), { value: hours, limit: LEAST_HOURS }));
	if (lateH > 0)
		out.push(
			reason('fail', say('soak-late'), {
				value: lateH,
				limit: { value: 0, unit: 'h', source: 'The clock of this device' },
			}),
		);
	return { outAt: new Date(outMs).toISOString(), runAt: new Date(Date.parse(runAt)).toISOString(), ...judge(out) };
}
