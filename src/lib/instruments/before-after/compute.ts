import { figure } from '$lib/core/figures/figure';
import { showNumber } from '$lib/words/figures';
import { recordLimits } from '$lib/core/record/limits';
import { report } from '../instrument';
import { fields } from './form';
import { working } from '../form';
import { compareRepeats } from '$lib/core/record/repeats';

export const compute = working(fields, async ({ form: v }) => {
	const { before, after } = v;
	const told = {
		what: v.what || 'The quantity',
		unit: v.unit,
		lowerIsBetter: v.better !== 'higher',
	};
	const answer = compareRepeats(before, after, told);
	return {
		...report(answer, answer.reasons[0].text),
		figures: [
			figure('difference', answer.difference, { unit: told.unit, sigma: answer.differenceSigma }),
			figure('by-chance', answer.byChance === null ? null : 100 * answer.byChance, {
				digits: 1,
				note: `limit ${100 * recordLimits.byChance.value}`,
			}),
			figure('before', answer.before.mean, { unit: told.unit, name: String(answer.before.n) }),
			figure('after', answer.after.mean, { unit: told.unit, name: String(answer.after.n) }),
		],
		plots: [
			{
				kind: 'bars',
				title: `In the mean ${`${showNumber(Math.abs(answer.difference))} ${told.unit}`.trim()} ${answer.difference < 0 ? 'less' : 'more'} after than before`,
				unit: told.unit,
				bars: [
					...before.map(({ value }, k) => ({ label: `before ${k + 1}`, value })),
					...after.map(({ value }, k) => ({ label: `after ${k + 1}`, value })),
				],
			},
		],
	};
});
