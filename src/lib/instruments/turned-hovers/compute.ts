import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working, type FormOf } from '../form';
import { compareTurnedHovers } from '$lib/core/hover/twoHovers';
import { report } from '../instrument';

const drifting = (v: FormOf<typeof fields>, n: 1 | 2) => {
	const toward = (v[`toward${n}` as const] * Math.PI) / 180;
	const mps = v[`speed${n}` as const];
	return {
		headingDeg: v[`heading${n}` as const],
		northMps: mps * Math.cos(toward),
		eastMps: mps * Math.sin(toward),
		sigmaMps: v.sigma,
	};
};

export const compute = working(fields, async ({ form: v }) => {
	const answer = compareTurnedHovers(drifting(v, 1), drifting(v, 2));
	return {
		...report(answer, answer.reasons[0].text),
		figures: [
			figure('level-right', answer.trim?.rollDeg ?? null, { sigma: answer.trim?.sigmaDeg ?? null }),
			figure('level-nose-up', answer.trim?.pitchDeg ?? null, { sigma: answer.trim?.sigmaDeg ?? null }),
			figure('wind-speed', answer.wind?.speedMps ?? null, {
				digits: 1,
				sigma: answer.wind?.sigmaMps ?? null,
				note: answer.wind ? `from ${answer.wind.fromDeg.toFixed(0)}°` : '',
			}),
			figure('turned-by', answer.turnedDeg, { digits: 0 }),
		],
		plots: [
			{
				kind: 'arrows',
				title: 'Two drifts, and the wind between them',
				unit: 'm/s',
				arrows: [
					...([1, 2] as const).flatMap((n) => {
						const { northMps, eastMps, headingDeg } = drifting(v, n);
						const nose = (headingDeg * Math.PI) / 180;
						return [
							{ label: `drift ${n}`, north: northMps, east: eastMps },
							{ label: `nose ${n}`, north: Math.cos(nose), east: Math.sin(nose), dashed: true },
						];
					}),
					...(answer.wind
						? [
								{
									label: 'wind',
									north: -answer.wind.speedMps * Math.cos((answer.wind.fromDeg * Math.PI) / 180),
									east: -answer.wind.speedMps * Math.sin((answer.wind.fromDeg * Math.PI) / 180),
								},
							]
						: []),
				],
			},
		],
	};
});
