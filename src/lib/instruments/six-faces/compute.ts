import { figure } from '$lib/core/figures/figure';
import { counted } from '$lib/words/counted';
import { fields } from './form';
import { working } from '../form';
import { STANDARD_GRAVITY_MPS2 } from '$lib/core/earth/gravity';
import { fitAccelerometer } from '$lib/core/inertial/accelFit';
import { accelKept } from '$lib/core/inertial/kept';
import { inertialLimits } from '$lib/core/inertial/limits';
import { points, series, requireColumns } from '../files';
import { report } from '../instrument';
import { DEG_PER_RAD } from '../shared/inertial';
import { recipeOf } from './parts';

const facesOf = (answer: { poses: { face: string }[] }) => [...new Set(answer.poses.map(({ face }) => face))];

export const compute = working(fields, async (input) => {
	const c = requireColumns(input);
	const accel = series(c, 'a');
	const answer = fitAccelerometer({
		accel,
		rawUnit: 'm/s2',
		...(input.site
			? { site: { latDeg: input.site.latDeg, lonDeg: input.site.lonDeg, altM: input.site.altM, date: input.date } }
			: {}),
		faces: recipeOf(input.form.recipe).holds.flatMap(({ wanted }) => (wanted.kind === 'face' ? [wanted.face] : [])),
	});
	const offset = answer.offsetMps2;
	const sigma = answer.uncertainty?.offsetMps2;
	const lines = (['x', 'y', 'z'] as const).map((k) => ({ label: k, points: points(accel.t, accel[k]) }));
	return {
		...report(answer, `Raw level is off by ${answer.levelErrorDeg?.toFixed(1)}°; corrected it is right`),
		figures: [
			figure('level-raw', answer.levelErrorDeg, {
				digits: 1,
				sigma: sigma ? (Math.max(sigma[0], sigma[1]) / STANDARD_GRAVITY_MPS2) * DEG_PER_RAD : null,
			}),
			figure('pose-misfit', answer.residualRmsMps2, { digits: 3, note: `limit ${inertialLimits.residualMps2.value}` }),
			figure('faces-held', facesOf(answer).length, { digits: 0, note: facesOf(answer).join(', ') }),
		],
		kept: accelKept(answer),
		plots: [
			{
				kind: 'lines',
				title:
					answer.poses.length > 0 ? `Found: ${counted(answer.poses.length, 'still pose')}` : 'No still pose was found',
				xLabel: 'time, s',
				yLabel: 'm/s²',
				lines,
				marks: answer.poses.map(({ face, tStart, tEnd }) => ({ x: (tStart + tEnd) / 2, label: face })),
			},
		],
		tables: [
			{
				title: 'Correction: m/s², axes x forward, y right, z down',
				columns: ['axis', 'offset', '± one sigma', 'scale', 'determined'],
				rows: (['x', 'y', 'z'] as const).map((k, i) => [
					k,
					offset?.[i] ?? null,
					sigma?.[i] ?? null,
					answer.matrix?.[i][i] ?? null,
					answer.determined.includes(`offset ${k}`) ? 'yes' : 'no',
				]),
			},
			{
				title: 'Poses found',
				columns: ['face down', 'from, s', 'to, s', 'off its face, °', 'stillness, m/s²'],
				rows: answer.poses.map((p) => [p.face, p.tStart, p.tEnd, p.tiltDeg, p.stillnessMps2]),
			},
		],
	};
});
