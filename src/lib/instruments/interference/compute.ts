import { figure } from '$lib/core/figures/figure';
import { showNumber } from '$lib/words/figures';
import { fields } from './form';
import { working } from '../form';
import { reviewInterference } from '$lib/core/compass/interference';
import { compassLimits } from '$lib/core/compass/limits';
import { points, requireColumns } from '../files';
import { report } from '../instrument';
import { modelOf } from '../shared/compass';

export const compute = working(fields, async (input) => {
	const c = requireColumns(input);
	const mag = { t: c.t, x: c.mx, y: c.my, z: c.mz };
	const answer = reviewInterference({
		mag,
		load: { t: c.t, values: c.load },
		hoverLoad: input.form.hoverLoad,
		fullLoad: input.form.fullLoad,
		horizontalUt: modelOf(input).horizontalUt,
	});
	const middle = (v: Float64Array) => v.reduce((a, b) => a + b, 0) / v.length;
	return {
		...report(answer, 'The motors hardly move the heading'),
		figures: [
			figure('interference-hover', answer.headingAtHoverDeg, {
				digits: 1,
				sigma: answer.headingAtHoverSigmaDeg,
				note: `limit ${compassLimits.interferenceDeg.value}`,
			}),
			figure('interference-full', answer.headingAtFullDeg, { digits: 1 }),
			figure('interference-shift', answer.hoverShiftUt, { digits: 1 }),
			figure('interference-load', answer.explained === null ? null : 100 * answer.explained, { digits: 0 }),
		],
		plots: [
			{
				kind: 'lines',
				title:
					answer.hoverShiftUt === null
						? 'Readings less their middle'
						: `In the hover the field moves by ${showNumber(answer.hoverShiftUt)} µT`,
				xLabel: 'time, s',
				yLabel: 'µT',
				lines: (['x', 'y', 'z'] as const).map((k) => ({
					label: k,
					points: points(
						c.t,
						c[`m${k}`].map((v) => v - middle(c[`m${k}`])),
					),
				})),
			},
			{
				kind: 'lines',
				title: 'Load while it was recorded',
				xLabel: 'time, s',
				yLabel: '',
				lines: [{ label: '', points: points(c.t, c.load) }],
			},
		],
		tables: [
			{
				title: 'Shift per unit of load, µT',
				columns: ['axis', 'shift', '± one sigma'],
				rows: (['x', 'y', 'z'] as const).map((k, i) => [
					k,
					answer.perLoadUt?.[i] ?? null,
					answer.perLoadSigmaUt?.[i] ?? null,
				]),
			},
		],
	};
});
