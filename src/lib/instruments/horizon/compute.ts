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
			{
				label: 'Tilt, right side lower positive',
				value: answer.tiltDeg,
				unit: '°',
				sigma: answer.sigmaDeg,
				note: `limit ${horizonLimits.tiltDeg.value}`,
			},
			{ label: 'Trim to enter', value: answer.tiltDeg === null ? null : -answer.tiltDeg, unit: '°', digits: 1 },
			{
				label: 'Confidence in the line',
				value: answer.confidence === null ? null : 100 * answer.confidence,
				unit: '%',
				digits: 0,
			},
		],
		plots: [{ kind: 'picture', title: answer.line ? 'The line found' : 'No line was found', line: answer.line }],
	};
});
