import { valueIn } from '../figures/figure';
import type { Reason, Verdict } from '../../schema/common';
import type { Entry } from '../../schema/entries';
import { isEvidence } from '../evidence/standing';
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

const TRIGGER_WORDS: Record<Trigger, string> = { switch: 'by its switch', 'radio-off': 'with the radio off' };

/** The time of a flown return against the plan for where it was flown, from both sides. */
function judgeTime(downS: number, { leastS, mostS }: ReturnTimes): Reason {
	const span = mostS - leastS < 1 ? `${mostS.toFixed(0)} s` : `${leastS.toFixed(0)} to ${mostS.toFixed(0)} s`;
	const text = `Return took ${downS.toFixed(0)} s; the plan for this distance gives ${span}.`;
	const { leastShare, plannedShare, slowestShare } = returnTestLimits;
	const short = downS / leastS;
	if (short < leastShare.value)
		return reason('fail', 'faster-than-possible', text, {
			value: short,
			limit: leastShare,
			next: 'Check the return speed, the return altitude and what set the return off, then repeat the test.',
		});
	const long = downS / mostS;
	const limit = long > slowestShare.value ? slowestShare : plannedShare;
	const level = long > slowestShare.value ? 'fail' : long > plannedShare.value ? 'caution' : 'pass';
	return reason(level, level === 'pass' ? 'as-planned' : 'slower-than-planned', text, {
		value: long,
		limit,
		...(level === 'pass'
			? {}
			: { next: 'Read the return speed from the aircraft, then plan again with the wind at its height.' }),
	});
}

/** What a flown return shows, and what it leaves open. */
export function judgeReturn(flown: FlownReturn): { headline: string; verdict: Verdict; reasons: Reason[] } {
	const { trigger, distanceM, heightM, minDistanceM, returnHeightM, seenS, takenOverS, planned } = flown;
	const out: Reason[] = [];
	const stop = 'Land, disarm, unplug; look at the settings; nothing else today.';
	const near = { value: minDistanceM, unit: 'm', source: 'Minimum distance of this aircraft' };
	if (distanceM <= minDistanceM)
		out.push(
			reason('fail', 'test-too-near', 'At this distance it lands instead of returning: the test proves nothing.', {
				value: distanceM,
				limit: near,
				next: `Fly out beyond ${(1.2 * minDistanceM).toFixed(0)} m, over clear ground.`,
			}),
		);
	if (seenS.turned === null) out.push(reason('fail', 'no-reaction', 'It did not turn home.', { next: stop }));
	else if (seenS.turned > returnTestLimits.reactsS.value)
		out.push(
			reason('caution', 'reacts-late', `It turned home after ${seenS.turned.toFixed(0)} s.`, {
				value: seenS.turned,
				limit: returnTestLimits.reactsS,
				next: 'Look at the delay that is set.',
			}),
		);
	else
		out.push(
			reason('pass', 'turned', `It turned home after ${seenS.turned.toFixed(0)} s.`, {
				value: seenS.turned,
				limit: returnTestLimits.reactsS,
			}),
		);
	if (seenS.turned !== null && heightM < returnHeightM && seenS.climbed === null)
		out.push(
			reason('caution', 'did-not-climb', 'Nobody saw it climb to its return height.', {
				next: 'Read the height off at the next test.',
			}),
		);
	if (seenS.turned !== null && seenS.overhead === null)
		out.push(reason('fail', 'did-not-come', 'It did not come back over home.', { next: stop }));
	if (seenS.overhead !== null && planned && seenS.down !== null) out.push(judgeTime(seenS.down, planned));
	if (takenOverS !== null)
		out.push(
			reason(
				'caution',
				'taken-over',
				`Taken over by hand after ${takenOverS.toFixed(0)} s: its landing was not seen.`,
				{
					next: 'Repeat it, hands ready, once the cause is known.',
				},
			),
		);
	else if (seenS.down === null && seenS.overhead !== null)
		out.push(reason('fail', 'did-not-land', 'It came back and did not land.', { next: stop }));
	else if (seenS.down !== null && seenS.disarmed === null)
		out.push(
			reason('caution', 'did-not-disarm', 'It landed and did not switch its motors off.', {
				next: 'Disarm by hand, as always; look how it is meant to know the ground.',
			}),
		);
	if (trigger === 'switch')
		out.push(
			reason('pass', 'switch-is-not-loss', 'By its switch: that proves the return, not what a lost radio does.'),
		);
	const judged = judge(out);
	const words = TRIGGER_WORDS[trigger];
	return {
		headline:
			judged.verdict === 'fail'
				? judged.reasons[0].text
				: takenOverS === null
					? `It came home ${words} from ${distanceM.toFixed(0)} m and landed by itself`
					: `It came home ${words} from ${distanceM.toFixed(0)} m, and was landed by hand`,
		...judged,
	};
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
