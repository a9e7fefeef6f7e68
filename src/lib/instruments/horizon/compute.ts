import { figure } from '$lib/core/figures/figure';
import { pictureLimits } from '$lib/core/payload/limits';
import { fields } from './form';
import { working } from '../form';
import { findHorizon } from '$lib/core/payload/horizon';
import { horizonLimits } from '$lib/core/payload/limits';
import { decodePicture } from '../decodePicture';
import { report } from '../instrument';
import { fileOf } from '../files';

export const compute = working(fields, async (input, progress) => {
	const answer = findHorizon(await decodePicture(fileOf(input), pictureLimits.horizonWide.value), progress);
	return {
		...report(answer, 'The horizon lies level'),
		figures: [
			figure('horizon-tilt', answer.tiltDeg, { sigma: answer.sigmaDeg, note: `limit ${horizonLimits.tiltDeg.value}` }),
			figure('horizon-trim', answer.tiltDeg === null ? null : -answer.tiltDeg, { digits: 1 }),
			figure('horizon-confidence', answer.confidence === null ? null : 100 * answer.confidence, { digits: 0 }),
		],
		plots: [{ kind: 'picture', title: answer.line ? 'The line found' : 'No line was found', line: answer.line }],
	};
});
