import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { radioLimits } from '$lib/core/radio/limits';
import { reviewSticks } from '$lib/core/radio/sticks';
import { points, requireColumns } from '../files';
import { report } from '../instrument';
import { channelsOf } from '../shared/radio';

export const compute = working(fields, async (input) => {
	const c = requireColumns(input);
	const all = channelsOf(c);
	const throttle = input.form.throttle;
	const answer = reviewSticks({
		t: c.t,
		axes: all.map(({ id, name, values }) => ({ name, values, selfCentring: id !== throttle })),
	});
	const worst = (key: 'centre' | 'hysteresis' | 'jitter' | 'deadBand') => {
		const values = answer.sticks.map((s) => s[key]).filter((v) => v !== null);
		return values.length > 0 ? 100 * Math.max(...values.map(Math.abs)) : null;
	};
	return {
		...report(answer, 'Every stick rests at its centre and reaches both ends'),
		figures: [
			figure('deadband', worst('deadBand'), { digits: 1 }),
			figure('stick-centre', worst('centre'), { digits: 1, note: `limit ${100 * radioLimits.centre.value}` }),
			figure('stick-hysteresis', worst('hysteresis'), {
				digits: 1,
				note: `limit ${100 * radioLimits.hysteresis.value}`,
			}),
			figure('stick-jitter', worst('jitter'), { digits: 1, note: `limit ${100 * radioLimits.jitter.value}` }),
		],
		plots: [
			{
				kind: 'lines',
				title: `${all.length} channels over ${(c.t[c.t.length - 1] - c.t[0]).toFixed(0)} s, as recorded`,
				xLabel: 'time, s',
				yLabel: 'travel',
				lines: all.slice(0, 4).map(({ name, values }) => ({ label: name, points: points(c.t, values) })),
			},
		],
		tables: [
			{
				title: 'By channel, % of travel',
				columns: ['channel', 'centre', 'low end', 'high end', 'hysteresis', 'jitter', 'dead band', 'bend'],
				rows: answer.sticks.map((s) => [
					s.name,
					...[s.centre, s.low, s.high, s.hysteresis, s.jitter, s.deadBand, s.bend].map((v) =>
						v === null ? null : Number((100 * v).toFixed(1)),
					),
				]),
			},
		],
	};
});
