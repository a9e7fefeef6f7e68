import { guide as say } from '$lib/messages/guide';
import type { Reason, Verdict } from '../../schema/common';
import { judge, reason } from '../finding/reasons';
import type { Recipe } from './recipes';

/** An aircraft may show that a step is done before its time; earlier than this share nobody held it. */
const HELD_SHARE = 0.25;

/** What the pilot answered at a step: as it should be, not so, or could not tell. */
export type Shown = 'as-wanted' | 'otherwise' | 'not-seen';

export interface StepAnswer {
	shown: Shown;
	note: string;
	/** Seconds that the step was held, where it has a hold. */
	heldS?: number | undefined;
}

/**
 * The finding of a guided routine: it holds where every watched step showed what it should; one that showed otherwise stops;
 * one that was not seen, or a step left out, is no evidence.
 */
export function judgeGuide(
	recipe: Recipe,
	ready: readonly boolean[],
	answers: readonly (StepAnswer | undefined)[],
): { headline: string; verdict: Verdict; reasons: Reason[] } {
	const out: Reason[] = [];
	recipe.before.forEach((text, k) => {
		if (!ready[k]) out.push(reason('caution', say('not-ready', { condition: text })));
	});
	// A routine ends with the step that failed: what follows was never to be done.
	const failedAt = recipe.steps.findIndex((step, k) => step.watch !== undefined && answers[k]?.shown === 'otherwise');
	recipe.steps.slice(0, failedAt < 0 ? undefined : failedAt + 1).forEach((step, k) => {
		const answer = answers[k];
		if (!answer) {
			out.push(reason('fail', say('insufficient-steps', { step: step.do }), { value: k + 1 }));
			return;
		}
		if (step.holdS !== undefined && answer.heldS !== undefined && answer.heldS < HELD_SHARE * step.holdS)
			out.push(
				reason('caution', say('hold-cut', { step: step.do, heldS: answer.heldS, holdS: step.holdS }), {
					value: answer.heldS,
					limit: { value: step.holdS, unit: 's', source: 'Routine as entered for this aircraft' },
				}),
			);
		if (!step.watch) return;
		if (answer.shown === 'otherwise')
			out.push(reason('fail', say('showed-otherwise', { step: step.do, note: answer.note }), { value: k + 1 }));
		else if (answer.shown === 'not-seen')
			out.push(reason('caution', say('not-seen', { step: step.do, note: answer.note }), { value: k + 1 }));
		else if (answer.note)
			out.push(reason('pass', say('showed', { step: step.do, note: answer.note }), { value: k + 1 }));
	});
	if (!out.some(({ level }) => level !== 'pass'))
		out.push(reason('pass', say('routine-done'), { value: recipe.steps.length }));
	const judged = judge(out);
	return {
		headline: judged.verdict === 'pass' ? `${recipe.name}: done by the aircraft’s own routine` : judged.reasons[0].text,
		...judged,
	};
}
