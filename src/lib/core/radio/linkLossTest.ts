import type { Reason, Verdict } from '../../schema/common';
import type { LossAction } from '../../schema/records';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { radioLimits as limits } from './limits';

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
	/** Seconds from radio off until it reacted; null where it did not. */
	reactedS: number | null;
	/** What the motors did: stopped, ran on as that action needs them, or were not turning. */
	motors: 'stopped' | 'ran-on' | 'not-turning';
	/** Its screen, lights or tones said that the link was lost. */
	told: boolean;
	/** It linked again when the radio came back. */
	linkedAgain: boolean;
}

/**
 * The finding of a link-loss test on the bench, for the action that is set. Stopping is proved by motors that stop; returning, landing
 * and hovering need them, so on the bench they run on, and that it reacted at all is what is seen. Disarmed, only the message is.
 */
export function judgeLinkLoss(seen: LinkLossSeen): { headline: string; verdict: Verdict; reasons: Reason[] } {
	const { action, armed, reactedS, motors, told, linkedAgain } = seen;
	const out: Reason[] = [];
	const again = 'Look at the setting, put it right, and test again.';
	if (reactedS === null)
		out.push(reason('fail', 'no-reaction', 'It did not react to the radio being off.', { next: again }));
	else
		out.push(
			atMost(reactedS, {
				caution: {
					limit: limits.linkLossS,
					code: 'reacts-late',
					text: `It reacted after ${reactedS.toFixed(1)} s.`,
					next: again,
				},
				pass: { code: 'reacted', text: `It reacted after ${reactedS.toFixed(1)} s.` },
			}),
		);
	if (armed && action === 'stop' && motors !== 'stopped')
		out.push(reason('fail', 'motors-ran-on', 'The motors ran on, though stopping them is set.', { next: again }));
	if (armed && action !== 'stop' && motors === 'stopped')
		out.push(
			reason(
				'fail',
				'motors-stopped',
				`The motors stopped, though it is set to ${LOSS_WORDS[action]}: in the air it would fall.`,
				{ next: again },
			),
		);
	if (!armed)
		out.push(
			reason(
				'caution',
				'disarmed',
				'Tested disarmed: it shows that the loss is noticed, not what the motors do then.',
				{ next: 'Where the propellers come off, test it armed.' },
			),
		);
	else if (action !== 'stop' && reactedS !== null)
		out.push(
			reason(
				'pass',
				'bench-only',
				`On the bench it cannot be seen that it will ${LOSS_WORDS[action]}: that is tried in the air, near and low.`,
			),
		);
	if (!told)
		out.push(
			reason('caution', 'not-told', 'Nothing on screen, no light and no tone said that the link was lost.', {
				next: 'Look up in the manual how it says so.',
			}),
		);
	if (!linkedAgain)
		out.push(
			reason('fail', 'not-linked-again', 'It did not link again when the radio came back.', {
				next: 'Switch the aircraft off and on with the radio on; then test again.',
			}),
		);
	const judged = judge(out);
	const after = reactedS === null ? '' : ` after ${reactedS.toFixed(1)} s`;
	const good =
		action === 'stop' && armed
			? `Radio off: the motors stopped${after}`
			: `Radio off: it noticed${after}, set to ${LOSS_WORDS[action]}`;
	return { headline: judged.verdict === 'fail' ? judged.reasons[0].text : good, ...judged };
}
