import { figure } from '$lib/core/figures/figure';
import { counted } from '$lib/words/counted';
import { fields } from './form';
import { working } from '../form';
import { reviewLevelFlight } from '$lib/core/inertial/levelFlight';
import { points, requireColumns } from '../files';
import { report } from '../instrument';
import { wantedOf } from '../shared/attitude';

export const compute = working(fields, async (input) => {
	const c = requireColumns(input);
	const log = { t: c.t, rollDeg: c.roll, pitchDeg: c.pitch, heightM: c.up, headingDeg: c.heading };
	const answer = reviewLevelFlight(log, wantedOf(input.form));
	const { correction, sigmaDeg, shown } = answer;
	return {
		...report(answer, 'Straight and level reads as wanted'),
		figures: [
			figure('pitch-add', correction?.pitchDeg ?? null, { digits: 2, sigma: sigmaDeg?.pitchDeg ?? null }),
			figure('roll-add', correction?.rollDeg ?? null, { digits: 2, sigma: sigmaDeg?.rollDeg ?? null }),
			figure('pitch-shown', shown?.pitchDeg ?? null, { digits: 1 }),
			figure('level-seconds', answer.levelS, { digits: 0 }),
		],
		plots: [
			{
				kind: 'lines',
				title: `Found: ${counted(answer.stretches.length, 'straight, level stretch', 'straight, level stretches')}`,
				xLabel: 'time, s',
				yLabel: '°',
				lines: [
					{ label: 'pitch', points: points(c.t, c.pitch) },
					{ label: 'roll', points: points(c.t, c.roll) },
				],
				marks: answer.stretches.slice(0, 8).map(({ fromS, toS }) => ({ x: (fromS + toS) / 2, label: 'level' })),
			},
		],
	};
});
