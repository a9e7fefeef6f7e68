import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { compassLimits } from '$lib/core/compass/limits';
import { comparePair } from '$lib/core/compass/pair';
import { points, requireColumns } from '../files';
import { report } from '../instrument';
import { modelOf } from '../shared/compass';

export const compute = working(fields, async (input) => {
	const c = requireColumns(input);
	const of = (n: 1 | 2) => ({ t: c.t, x: c[`m${n}x`], y: c[`m${n}y`], z: c[`m${n}z`] });
	const answer = comparePair(of(1), of(2), modelOf(input).inclinationDeg);
	const { series } = answer;
	return {
		...report(answer, 'The two compasses agree over the whole turn'),
		figures: [
			figure('pair-worst', answer.worstDeg, { digits: 1, note: `limit ${compassLimits.pairDeg.value}` }),
			figure('pair-mean', answer.meanDeg, { digits: 1 }),
			figure('pair-turned', answer.yawDeg, { digits: 0 }),
		],
		plots: series
			? [
					{
						kind: 'lines',
						title: `Over the turn they part by up to ${answer.worstDeg?.toFixed(1) ?? '–'}°`,
						xLabel: 'time, s',
						yLabel: '°',
						lines: [{ label: '', points: points(series.t, series.deg) }],
						limits: [
							{ y: compassLimits.pairDeg.value, label: 'differ' },
							{ y: compassLimits.pairFailDeg.value, label: 'disagree' },
						],
					},
				]
			: [],
	};
});
