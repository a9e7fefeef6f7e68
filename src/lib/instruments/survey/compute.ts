import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { compassLimits } from '$lib/core/compass/limits';
import { surveySite } from '$lib/core/compass/survey';
import { localScale, toLocal } from '$lib/core/earth/geodesy';
import { requireColumns } from '../files';
import { report } from '../instrument';
import { modelOf } from '../shared/compass';

export const compute = working(fields, async (input) => {
	const c = requireColumns(input);
	const origin = { latDeg: c.lat?.[0] ?? 0, lonDeg: c.lon?.[0] ?? 0 };
	const scale = localScale(origin.latDeg, 0);
	const local = c.north && c.east ? null : Array.from(c.t, (_, i) => toLocal(origin, c.lat[i], c.lon[i], scale));
	const track = {
		t: c.t,
		north: c.north ?? local?.map((p) => p.northM) ?? [],
		east: c.east ?? local?.map((p) => p.eastM) ?? [],
	};
	const answer = surveySite({ mag: { t: c.t, x: c.mx, y: c.my, z: c.mz }, track, modelUt: modelOf(input).totalUt });
	return {
		...report(answer, 'The field is even over the whole walk: turn the compass anywhere here'),
		figures: [
			figure('field-deviation', answer.worstUt, { digits: 1, note: `clean below ${compassLimits.surveyUt.value}` }),
			figure('clean-ground', answer.cleanShare === null ? null : 100 * answer.cleanShare, { digits: 0 }),
			figure('field-usual', answer.medianUt, {
				digits: 1,
				note: `model ${answer.modelUt?.toFixed(1) ?? '–'}, the sensor’s own offset in it`,
			}),
		],
		...(answer.cleanAt
			? {
					kept: [
						figure('clean-north', answer.cleanAt.north - (track.north[0] ?? 0)),
						figure('clean-east', answer.cleanAt.east - (track.east[0] ?? 0)),
					],
				}
			: {}),
		plots: [
			{
				kind: 'map',
				title: answer.cleanAt ? 'Turn the compass at the marked place' : 'No clean stretch',
				unit: 'µT',
				points: answer.points.map(({ north, east, deviationUt }) => ({ north, east, value: deviationUt })),
				limit: compassLimits.surveyUt.value,
				marks: [
					...(answer.cleanAt ? [{ ...answer.cleanAt, label: 'turn here' }] : []),
					...(answer.worstAt && (answer.worstUt ?? 0) > compassLimits.surveyUt.value
						? [{ ...answer.worstAt, label: 'keep away' }]
						: []),
				],
			},
		],
	};
});
