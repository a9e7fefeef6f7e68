import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { payloadLimits } from '$lib/core/payload/limits';
import { scoreTexture } from '$lib/core/payload/texture';
import { decodePicture } from '../decodePicture';
import { report } from '../instrument';
import { fileOf } from '../files';

export const compute = working(fields, async (input) => {
	const answer = scoreTexture(await decodePicture(fileOf(input), 900));
	return {
		...report(answer, 'A downward camera can hold on to this'),
		figures: [
			figure('surface-texture', 100 * answer.cornerShare, {
				digits: 0,
				note: `wanted ${100 * payloadLimits.cornerShare.value}`,
			}),
			figure('surface-repeat', 100 * answer.repetition, {
				digits: 0,
				note: `at most ${100 * payloadLimits.repetition.value}`,
			}),
			figure('light', answer.brightness, { digits: 0 }),
		],
		plots: [{ kind: 'picture', title: 'The picture measured', line: null }],
	};
});
