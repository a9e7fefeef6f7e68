import { figure } from '$lib/core/figures/figure';
import { begunSmall } from '$lib/words/begun';
import { fields } from './form';
import { working } from '../form';
import { diagnoseResponse } from '$lib/core/propulsion/diagnose';
import { FAULT_WORDS, nextWords } from '$lib/core/propulsion/words';
import { responseRequestSchema } from '$lib/schema/response';
import { checked } from '$lib/core/finding/checked';
import { report } from '../instrument';
import { CHECKED, OBSERVED } from './parts';

export const compute = working(fields, async ({ form: v }) => {
	const request = checked(responseRequestSchema, {
		layout: v.layout,
		spin: v.spin,
		observed: Object.fromEntries(Object.keys(OBSERVED).map((id) => [id, v[id]])),
		checks: Object.fromEntries(CHECKED.map(([id]) => [id, v[id]])),
	});
	const answer = diagnoseResponse(request);
	const [first] = answer.ranked;
	return {
		...report(answer, 'It answers as it should'),
		figures: [
			figure('likely-fault', 100 * first.probability, {
				part: first.fault,
				name: FAULT_WORDS(first.fault),
				digits: 0,
				note: first.motors.length > 1 ? `may be ${first.motors.join(', ')}` : first.motors.join(''),
			}),
		],
		plots: [
			{
				kind: 'bars',
				title: `Most likely ${begunSmall(FAULT_WORDS(first.fault))}, ${(100 * first.probability).toFixed(0)} %`,
				unit: '%',
				digits: 0,
				bars: answer.ranked.slice(0, 6).map((r) => ({
					label: `${FAULT_WORDS(r.fault)}${r.motors.length > 0 ? ` (${r.motors.join(', ')})` : ''}`,
					value: 100 * r.probability,
				})),
			},
		],
		tables: [
			{
				title: 'What shows it',
				columns: ['it may be', '%', 'where to look'],
				rows: answer.ranked
					.slice(0, 6)
					.map((r) => [FAULT_WORDS(r.fault), Math.round(100 * r.probability), nextWords(r.check)]),
			},
		],
	};
});
