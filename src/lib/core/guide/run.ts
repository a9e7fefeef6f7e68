import type { Reason, Verdict } from '../../schema/common';
import { judge, reason } from '../finding/reasons';
import type { Recipe } from './recipes';

/** What the pilot answered at a step: as it should be, not so, or could not tell. */
export type Shown = 'as-wanted' | 'otherwise' | 'not-seen';

export interface StepAnswer {
	shown: Shown;
	note: string;
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
		if (!ready[k]) out.push(reason('caution', 'not-ready', `Not confirmed before: ${text}.`));
	});
	recipe.steps.forEach((step, k) => {
		const answer = answers[k];
		if (!answer) {
			out.push(
				reason('fail', 'insufficient-steps', `Left out: ${step.do}.`, {
					value: k + 1,
					next: 'Do the routine to its end.',
				}),
			);
			return;
		}
		const note = answer.note ? ` (${answer.note})` : '';
		if (!step.watch) return;
		if (answer.shown === 'otherwise')
			out.push(
				reason('fail', 'showed-otherwise', `${step.do}: not as it should be${note}.`, {
					value: k + 1,
					next: 'Repeat it; if it stays, ask the maker.',
				}),
			);
		else if (answer.shown === 'not-seen')
			out.push(
				reason('caution', 'not-seen', `${step.do}: what it showed was not seen${note}.`, {
					value: k + 1,
					next: 'Repeat it and watch the aircraft.',
				}),
			);
		else if (answer.note) out.push(reason('pass', 'showed', `${step.do}: ${answer.note}.`, { value: k + 1 }));
	});
	if (!out.some(({ level }) => level !== 'pass'))
		out.push(
			reason('pass', 'routine-done', 'Every step was done, and the aircraft showed what it should.', {
				value: recipe.steps.length,
			}),
		);
	const judged = judge(out);
	return {
		headline: judged.verdict === 'pass' ? `${recipe.name}: done by the aircraft’s own routine` : judged.reasons[0].text,
		...judged,
	};
}
