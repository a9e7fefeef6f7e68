import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { reviewCeiling } from '$lib/core/payload/ceiling';
import { ceilingRequestSchema } from '$lib/schema/payload';
import { checked } from '$lib/core/finding/checked';
import { report } from '../instrument';

export const compute = working(fields, async ({ form: v }) => {
	const request = checked(ceilingRequestSchema, {
		ceilingM: v.ceiling,
		holdM: v.hold,
		marginM: v.margin,
		followsSurface: v.follows === 'yes',
		things: v.things.map((r) => ({
			name: r.name || 'thing',
			heightM: r.heightM,
		})),
	});
	const answer = reviewCeiling(request);
	return {
		...report(answer, `Over ${answer.worst} there is room under the ceiling`),
		figures: [
			figure('ceiling-room', answer.clearanceM, { digits: 1 }),
			figure('ceiling-height', answer.highestHoldM, { digits: 1 }),
		],
		plots: [
			{
				kind: 'room',
				title: 'The room from the side',
				ceilingM: request.ceilingM,
				marginM: request.marginM,
				holdM: request.holdM,
				follows: request.followsSurface,
				things: request.things,
			},
		],
	};
});
