import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { inertialLimits } from '$lib/core/inertial/limits';
import { reviewVibration } from '$lib/core/inertial/vibration';
import { points, series, requireColumns } from '../files';
import { report } from '../instrument';

export const compute = working(fields, async (input) => {
	const rotorHz = input.form.rotorHz;
	const answer = reviewVibration({
		accel: series(requireColumns(input), 'a'),
		...(rotorHz === null ? {} : { rotorHz }),
	});
	const { spectrum, rms } = answer;
	const most = rms ? Math.max(...rms) : null;
	return {
		...report(answer, `It shakes by ${most?.toFixed(1)} m/s²: the estimates do not suffer`),
		figures: [
			figure('vibration', most, { digits: 1, note: `limit ${inertialLimits.vibrationMps2.value}` }),
			figure('clipping', answer.clippedPct),
			figure('sample-rate', answer.sampleRateHz, { digits: 0 }),
		],
		plots: spectrum
			? [
					{
						kind: 'lines',
						title: answer.peaks[0]
							? `Most at ${answer.peaks[0].hz.toFixed(0)} Hz: ${answer.peaks[0].likely}`
							: 'No rate stands out',
						xLabel: 'Hz',
						yLabel: 'm/s²',
						lines: (['x', 'y', 'z'] as const).map((k) => ({ label: k, points: points(spectrum.hz, spectrum[k]) })),
						marks: [...new Set(answer.peaks.map(({ hz }) => Math.round(hz)))]
							.slice(0, 3)
							.map((hz) => ({ x: hz, label: `${hz} Hz` })),
					},
				]
			: [],
		tables: [
			{
				title: 'Peaks',
				columns: ['likely', 'Hz', 'm/s²', 'axis'],
				rows: answer.peaks.map((p) => [p.likely, p.hz, p.amplitude, p.axis]),
			},
		],
	};
});
