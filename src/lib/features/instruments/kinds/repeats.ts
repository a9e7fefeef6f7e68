import { run } from '$lib/workers/core';
import { number } from '../fields';
import { num, opt, rows, word, type Instrument } from '../instrument';

const list = (...values: number[]) => values.map((value) => ({ value, sigma: null }));

export const repeats: Instrument = {
	id: 'before-after',
	title: 'Before and after',
	group: 'Records',
	does: 'Whether a difference between repeated measurements is larger than their noise.',
	calls: 'compare comparison before after repeat noise difference significant foam cold calibration improvement',
	opening: 'Enter what was measured before, and after',
	method: [
		'Two or more on each side: Welch’s test (1947). One on each side: their stated uncertainties. Neither: it cannot be told. A difference rarer than one in twenty by chance counts.',
	],
	fields: [
		{ kind: 'text', id: 'what', label: 'What was measured', start: 'Wander in the hover' },
		{ kind: 'text', id: 'unit', label: 'Unit', start: 'm' },
		{
			kind: 'choice',
			id: 'better',
			label: 'Better is',
			options: [
				{ value: 'lower', label: 'lower' },
				{ value: 'higher', label: 'higher' },
			],
			start: 'lower',
		},
		{
			kind: 'rows',
			id: 'before',
			label: 'Before',
			one: 'a value',
			of: [number('value', 'Value', '', 0), number('sigma', '± one sigma', '', null, { optional: true, min: 0 })],
			start: list(2.9, 3.2, 3.0),
		},
		{
			kind: 'rows',
			id: 'after',
			label: 'After',
			one: 'a value',
			of: [number('value', 'Value', '', 0), number('sigma', '± one sigma', '', null, { optional: true, min: 0 })],
			start: list(2.1, 1.9, 2.2),
		},
	],
	samples: [
		{
			id: 'real',
			label: 'A foam cover that helped',
			values: { before: list(2.9, 3.2, 3.0), after: list(2.1, 1.9, 2.2) },
		},
		{
			id: 'noise',
			label: 'A chilled calibration that made no difference',
			values: { before: list(2.9, 2.2, 3.0), after: list(2.5, 2.8, 2.3) },
		},
		{ id: 'once', label: 'Once before, once after', bad: true, values: { before: list(2.9), after: list(2.1) } },
	],
	async work({ values: v }, context) {
		const side = (id: string) => rows(v, id).map((r) => ({ value: num(r, 'value', 'Value'), sigma: opt(r, 'sigma') }));
		const told = {
			what: word(v, 'what') || 'The quantity',
			unit: word(v, 'unit'),
			lowerIsBetter: word(v, 'better') !== 'higher',
		};
		const answer = await run('repeats', { before: side('before'), after: side('after'), told }, context);
		return {
			headline: answer.reasons[0].text,
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'Difference', value: answer.difference, unit: told.unit, sigma: answer.differenceSigma },
				{
					label: 'By chance',
					value: answer.byChance === null ? null : 100 * answer.byChance,
					unit: '%',
					digits: 1,
					note: 'limit 5',
				},
				{ label: `Before, ${answer.before.n} ×`, value: answer.before.mean, unit: told.unit },
				{ label: `After, ${answer.after.n} ×`, value: answer.after.mean, unit: told.unit },
			],
			plots: [
				{
					kind: 'bars',
					title: 'Value by value',
					unit: told.unit,
					bars: [
						...side('before').map(({ value }, k) => ({ label: `before ${k + 1}`, value })),
						...side('after').map(({ value }, k) => ({ label: `after ${k + 1}`, value })),
					],
				},
			],
			tables: [],
			answer,
		};
	},
};
