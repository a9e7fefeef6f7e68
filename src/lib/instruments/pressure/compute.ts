import { figure } from '$lib/core/figures/figure';
import { showNumber } from '$lib/words/figures';
import { fields } from './form';
import { working } from '../form';
import { reviewPressure } from '$lib/core/inertial/pressure';
import { points, requireColumns } from '../files';
import { report } from '../instrument';

export const compute = working(fields, async (input) => {
	const c = requireColumns(input);
	const answer = reviewPressure({
		t: c.t,
		heightM: c.height,
		...(c.disturbance ? { disturbance: c.disturbance } : {}),
	});
	return {
		...report(answer, 'The pressure height is quiet, and nothing moves it'),
		figures: [
			figure('pressure-shift', answer.swingM, { digits: 1, sigma: answer.perDisturbanceSigma }),
			figure('pressure-noise', answer.noiseM),
			figure('pressure-drift', answer.driftMPerMin),
		],
		plots: [
			{
				kind: 'lines',
				title:
					answer.noiseM === null
						? 'Height as it was recorded'
						: `While nothing moved the height was noisy by ${showNumber(answer.noiseM)} m${answer.driftMPerMin === null ? '' : ` and drifted ${showNumber(Math.abs(answer.driftMPerMin))} m a minute`}`,
				xLabel: 'time, s',
				yLabel: 'm',
				lines: [{ label: '', points: points(c.t, c.height) }],
			},
			...(c.disturbance
				? [
						{
							kind: 'lines' as const,
							title: 'What may disturb it, beside the height',
							xLabel: 'time, s',
							yLabel: '',
							lines: [{ label: '', points: points(c.t, c.disturbance) }],
						},
					]
				: []),
		],
	};
});
