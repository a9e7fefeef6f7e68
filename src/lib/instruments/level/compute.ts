import { figure } from '$lib/core/figures/figure';
import { counted } from '$lib/words/counted';
import { fields } from './form';
import { working } from '../form';
import { InputError } from '$lib/core/finding/inputError';
import { solveLevel } from '$lib/core/inertial/level';
import { rateOf, stillWindows } from '$lib/core/inertial/poses';
import { points, series, requireColumns } from '../files';
import { report } from '../instrument';
import { wantedOf } from '../shared/attitude';

export const compute = working(fields, async (input) => {
	const c = requireColumns(input);
	const gyro = c.gx && c.gy && c.gz ? series(c, 'g') : undefined;
	const windows = stillWindows({ ...series(c, 'a'), rate: rateOf({ t: c.t }, gyro) });
	const stands = windows.filter(({ mean }) => mean[2] < 0);
	if (stands.length === 0)
		throw new InputError('no-stand', 'file', 'No stretch of a second at rest on the belly was found in this log.');
	const [first] = stands;
	const second = stands.length > 1 ? stands[stands.length - 1] : null;
	const wanted = wantedOf(input.form);
	const sigmaMps2 = Math.max(
		...stands.map(({ stillnessMps2, samples }) => stillnessMps2 / Math.sqrt(Math.min(samples, 50))),
	);
	const answer = solveLevel({ first: [...first.mean], second: second ? [...second.mean] : null, wanted, sigmaMps2 });
	const { trim } = answer;
	return {
		...report(answer, 'It reads level as wanted'),
		figures: [
			figure('roll-trim', trim?.rollDeg ?? null, { sigma: answer.sigmaDeg }),
			figure('pitch-trim', trim?.pitchDeg ?? null, { sigma: answer.sigmaDeg }),
			figure('surface-tilt', answer.surfaceTiltDeg, {
				digits: 1,
				note:
					answer.surfaceTowardDeg === null ? '' : `falls toward ${answer.surfaceTowardDeg.toFixed(0)}° from the nose`,
			}),
			figure('untrimmed-push', answer.driftMps2),
			figure('untrimmed-drift', answer.driftAfter5sM, { digits: 1 }),
		],
		plots: [
			{
				kind: 'lines',
				title: `Found: ${counted(stands.length, 'stand')}`,
				xLabel: 'time, s',
				yLabel: 'm/s²',
				lines: (['x', 'y'] as const).map((k) => ({ label: k, points: points(c.t, c[`a${k}`]) })),
				marks: [
					{ x: (first.tStart + first.tEnd) / 2, label: 'first' },
					...(second ? [{ x: (second.tStart + second.tEnd) / 2, label: 'turned' }] : []),
				],
			},
		],
	};
});
