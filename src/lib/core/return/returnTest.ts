import { returnToHome as say } from '$lib/messages/return';
import { valueIn } from '../figures/figure';
import type { Reason, Verdict } from '../../schema/common';
import type { Entry } from '../../schema/entries';
import { isEvidence } from '../evidence/standing';
import { plain } from '../../words/plain';
import { judge, reason } from '../finding/reasons';
import type { ReturnTimes } from './returnTimes';

/** How a return is set off: by its switch, or by the radio really off. They prove different things. */
export type Trigger = 'switch' | 'radio-off';

/** What is watched, in its order. */
export const PHASES = ['turned', 'climbed', 'overhead', 'descending', 'down', 'disarmed'] as const;
export type Phase = (typeof PHASES)[number];

/** A return as it was flown and tapped. Seconds since it was set off; null where a phase was not seen. */
export interface FlownReturn {
	trigger: Trigger;
	distanceM: number;
	heightM: number;
	/** What the aircraft is set to. */
	minDistanceM: number;
	returnHeightM: number;
	seenS: Record<Phase, number | null>;
	/** Taken over by hand before it was down, and when. */
	takenOverS: number | null;
	/** What the plan for this distance and height gives, s; null without one. */
	planned: ReturnTimes | null;
}

/** Thresholds of a flown return: value, unit, why, source. */
export const returnTestLimits = {
	reactsS: {
		value: 5,
		unit: 's',
		why: 'Later than this it flies on with the last command it heard.',
		source: 'Practice: within a few seconds',
	},
	plannedShare: {
		value: 1.5,
		unit: 'of the plan',
		why: 'Half as long again as planned is a wind or a setting that the plan does not know.',
		source: 'Winglogos default',
	},
	slowestShare: {
		value: 2.5,
		unit: 'of the plan',
		why: 'A return so slow does not reach home on the reserve that was planned.',
		source: 'Winglogos default',
	},
	leastShare: {
		value: 0.5,
		unit: 'of the plan',
		why: 'Faster than the settings allow in any direction is not the return that was set.',
		source: 'Winglogos default; the plan’s shortest time over all directions',
	},
} as const;

/** The task that a flown return is kept under: radio off is not a switch. */
export const taskOfTrigger = (trigger: Trigger): string => `return-${trigger}`;

/** The time of a flown return against the plan for where it was flown, from both sides. */
function judgeTime(downS: number, { leastS, mostS }: ReturnTimes): Reason {
	const { leastShare, plannedShare, slowestShare } = returnTestLimits;
	const short = downS / leastS;
	if (short < leastShare.value)
		return reason('fail', say('faster-than-possible', { downS, mostS, leastS }), { value: short, limit: leastShare });
	const long = downS / mostS;
	const limit = long > slowestShare.value ? slowestShare : plannedShare;
	const level = long > slowestShare.value ? 'fail' : long > plannedShare.value ? 'caution' : 'pass';
	return reason(level, say(level === 'pass' ? 'as-planned' : 'slower-than-planned', { downS, mostS, leastS }), {
		value: long,
		limit,
	});
}

/** What a flown return shows, and what it leaves open. */
export function judgeReturn(flown: FlownReturn): { headline: string; verdict: Verdict; reasons: Reason[] } {
	const { trigger, distanceM, heightM, minDistanceM, returnHeightM, seenS, takenOverS, planned } = flown;
	const out: Reason[] = [];
	const near = { value: minDistanceM, unit: 'm', source: 'Minimum distance of this aircraft' };
	if (distanceM <= minDistanceM)
		out.push(reason('fail', say('test-too-near', { minDistanceM }), { value: distanceM, limit: near }));
	if (seenS.turned === null) out.push(reason('fail', say('no-reaction')));
	else if (seenS.turned > returnTestLimits.reactsS.value)
		out.push(
			reason('caution', say('reacts-late', { turned: seenS.turned }), {
				value: seenS.turned,
				limit: returnTestLimits.reactsS,
			}),
		);
	else
		out.push(
			reason('pass', say('turned', { turned: seenS.turned }), { value: seenS.turned, limit: returnTestLimits.reactsS }),
		);
	if (seenS.turned !== null && heightM < returnHeightM && seenS.climbed === null)
		out.push(reason('caution', say('did-not-climb')));
	if (seenS.turned !== null && seenS.overhead === null) out.push(reason('fail', say('did-not-come')));
	if (seenS.overhead !== null && planned && seenS.down !== null) out.push(judgeTime(seenS.down, planned));
	if (takenOverS !== null) out.push(reason('caution', say('taken-over', { takenOverS })));
	else if (seenS.down === null && seenS.overhead !== null) out.push(reason('fail', say('did-not-land')));
	else if (seenS.down !== null && seenS.disarmed === null) out.push(reason('caution', say('did-not-disarm')));
	if (trigger === 'switch') out.push(reason('pass', say('switch-is-not-loss')));
	const came = reason('pass', say(takenOverS === null ? 'came-home' : 'came-home#by-hand', { trigger, distanceM }));
	const judged = judge(out);
	if (judged.verdict === 'fail') return { headline: judged.reasons[0].text, ...judged };
	return { headline: plain(came.text), ...judge([...out, came]) };
}

/** How far out a return was proved, by what, and when; null where none was. The latest of each kind that did not fail. */
export interface ProvedReturn {
	trigger: Trigger;
	at: string;
	by: string;
	distanceM: number;
	heightM: number;
}

/** What flown returns on record prove; `entries` of one aircraft, `since` the ISO time of what undid all before it. */
export function provedReturns(entries: readonly Entry[], since: string | null): ProvedReturn[] {
	return (['radio-off', 'switch'] as const).flatMap((trigger): ProvedReturn[] => {
		const found = entries
			.filter((entry) => {
				const { at, payload } = entry;
				if (payload.kind !== 'test' || payload.task !== taskOfTrigger(trigger)) return false;
				return payload.verdict !== 'fail' && isEvidence(entry) && (since === null || at > since);
			})
			.toSorted((a, b) => (a.at < b.at ? 1 : -1));
		const [latest] = found;
		if (latest?.payload.kind !== 'test') return [];
		const { figures } = latest.payload;
		const [distanceM, heightM] = [valueIn(figures, 'return-distance') ?? 0, valueIn(figures, 'return-height') ?? 0];
		return [{ trigger, at: latest.at, by: latest.by, distanceM, heightM }];
	});
}
