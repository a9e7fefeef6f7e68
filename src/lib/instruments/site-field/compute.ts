import { figure } from '$lib/core/figures/figure';
import { showNumber } from '$lib/words/figures';
import { fields } from './form';
import { working } from '../form';
import { checkSite } from '$lib/core/compass/site';
import { points, requireColumns } from '../files';
import { report } from '../instrument';
import { modelOf } from '../shared/compass';

export const compute = working(fields, async (input) => {
	const c = requireColumns(input);
	const model = modelOf(input);
	const mag = { t: c.t, x: c.mx, y: c.my, z: c.mz };
	const accel = c.ax && c.ay && c.az ? { t: c.t, x: c.ax, y: c.ay, z: c.az } : undefined;
	const answer = checkSite(mag, accel, model);
	const strength = Float64Array.from(c.t, (_, i) => Math.hypot(c.mx[i], c.my[i], c.mz[i]));
	return {
		...report(answer, 'The field of this place is as the model says'),
		figures: [
			figure('field-strength', answer.strengthUt, {
				digits: 1,
				sigma: answer.strengthSigmaUt,
				note: `model ${model.totalUt.toFixed(1)}`,
			}),
			figure('dip', answer.dipDeg, { digits: 1, note: `model ${model.inclinationDeg.toFixed(1)}` }),
			figure('held-still', answer.stillS, { digits: 0 }),
		],
		plots: [
			{
				kind: 'lines',
				title: `Standing still, the field is ${showNumber(Math.abs(answer.strengthUt - model.totalUt))} µT ${answer.strengthUt < model.totalUt ? 'below' : 'above'} the model of the place`,
				xLabel: 'time, s',
				yLabel: 'µT',
				lines: [
					{ label: '', points: points(c.t, strength) },
					{ label: 'model', dashed: true, points: [0, c.t.length - 1].map((i) => ({ x: c.t[i], y: model.totalUt })) },
				],
			},
		],
	};
});
