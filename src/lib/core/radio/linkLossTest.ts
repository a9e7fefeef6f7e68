import { radio as say } from '$lib/messages/radio';
import type { Reason, Verdict } from '../../schema/common';
import type { LossAction } from '../../schema/records';
import { judge, reason } from '../finding/reasons';
import { showSigma } from '../../words/sigma';
import { radioLimits as limits } from './limits';
import { stopTime, type Start, type Stop, type StopTime } from './stopwatch';

/** What an aircraft is set to do when the link is lost, as said in a sentence. */
export const LOSS_WORDS: Record<LossAction, string> = {
	stop: 'stop its motors',
	return: 'return home',
	land: 'land where it is',
	hover: 'hover where it is',
};

/** What was seen when the radio was switched off on the bench. */
export interface LinkLossSeen {
	/** What is set in the aircraft. */
	action: LossAction;
	/** Armed with the motors turning, or disarmed: then only the message can be seen. */
	armed: boolean;
	/** Seconds from radio off until it reacted, as timed, of each loss; none where it did not react. */
	measuredS: readonly number[];
	/** How the loss and the reaction were noticed. */
	start: Start;
	stop: Stop;
	/** What the motors did: stopped, ran on as that action needs them, or were not turning. */
	motors: 'stopped' | 'ran-on' | 'not-turning';
	/** Its screen, lights or tones said that the link was lost. */
	told: boolean;
	/** It linked again when the radio came back. */
	linkedAgain: boolean;
}

/** A time with its uncertainty, as it is said; nothing reacts before the radio is off. */
const timeWords = ({ meanS, sigmaS }: StopTime): string => `${Math.max(0, meanS).toFixed(1)} ± ${showSigma(sigmaS)} s`;

/** What the stopwatch says of the time, against what it may take. */
function timeReason(time: StopTime): Reason {
	const told = { value: Math.max(0, time.meanS), limit: limits.linkLossS };
	const words = timeWords(time);
	if (time.verdict === 'fail') return reason('fail', say('reacts-late', { time: words }), { ...told });
	if (time.verdict === 'caution') return reason('caution', say('too-close-to-tell', { time: words }), { ...told });
	return reason('pass', say('reacted', { time: words }), told);
}

/** A link-loss test as it is told and kept. */
export interface LinkLossFinding {
	headline: string;
	verdict: Verdict;
	reasons: Reason[];
	/** Corrected for whoever timed it; null where it did not react. */
	time: StopTime | null;
}

/**
 * The finding of a link-loss test on the bench, for the action that is set. Stopping is proved by motors that stop; returning, landing
 * and hovering need them, so on the bench they run on, and that it reacted at all is what is seen. Disarmed, only the message is.
 * The time is corrected for whoever took it: docs/methods/stopwatch.md.
 */
export function judgeLinkLoss(seen: LinkLossSeen): LinkLossFinding {
	const { action, armed, measuredS, motors, told, linkedAgain } = seen;
	const out: Reason[] = [];
	const time = measuredS.length > 0 ? stopTime(measuredS, seen.start, seen.stop, limits.linkLossS.value) : null;
	out.push(time ? timeReason(time) : reason('fail', say('no-reaction')));
	if (armed && action === 'stop' && motors !== 'stopped') out.push(reason('fail', say('motors-ran-on')));
	if (armed && action !== 'stop' && motors === 'stopped')
		out.push(reason('fail', say('motors-stopped', { action: LOSS_WORDS[action] })));
	if (!armed) out.push(reason('caution', say('disarmed')));
	else if (action !== 'stop' && time) out.push(reason('pass', say('bench-only', { action: LOSS_WORDS[action] })));
	if (!told) out.push(reason('caution', say('not-told')));
	if (!linkedAgain) out.push(reason('fail', say('not-linked-again')));
	const judged = judge(out);
	const after = time ? ` after ${timeWords(time)}` : '';
	const good =
		action === 'stop' && armed
			? `Radio off: the motors stopped${after}`
			: `Radio off: it noticed${after}, set to ${LOSS_WORDS[action]}`;
	return { headline: judged.verdict === 'fail' ? judged.reasons[0].text : good, time, ...judged };
}
