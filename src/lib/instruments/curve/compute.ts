import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { reviewCurve } from '$lib/core/radio/curve';
import { points } from '../files';
import { report } from '../instrument';

export const compute = working(fields, async (input) => {
	const v = input.form;
	const answer = reviewCurve({
		expo: v.expo,
		maxRateDegPerS: v.rate,
		comfortLowDegPerS: v.low,
		comfortHighDegPerS: v.high,
	});
	return {
		...report(answer, 'The whole stick stays within what you find comfortable'),
		figures: [
			figure('roll-time', answer.to90S),
			figure('stick-start', answer.centreDegPerSPerTenth, { digits: 0 }),
			figure('stick-usable', 100 * answer.calmTravel, { digits: 0 }),
		],
		plots: [
			{
				kind: 'lines',
				title: `Comfortable over ${(100 * answer.calmTravel).toFixed(0)} % of the stick`,
				xLabel: 'stick',
				yLabel: '°/s',
				lines: [{ label: '', points: points(answer.curve.stick, answer.curve.rateDegPerS) }],
				limits: [{ y: v.high, label: 'comfortable up to here' }],
			},
		],
	};
});
