import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { payloadLimits } from '$lib/core/payload/limits';
import type { Picture } from '$lib/core/payload/picture';
import { measureSharpness } from '$lib/core/payload/sharpness';
import type { Area } from '$lib/schema/payload';
import { decodePicture } from '../decodePicture';
import { report } from '../instrument';
import { fileOf } from '../files';

/** The part of a picture to be looked at: its share of each side, and where it lies, 0 left or top to 1 right or bottom. */
function partOf(picture: Picture, share: number, [across, down]: readonly [number, number]): Area {
	const [width, height] = [picture.width, picture.height].map((v) => Math.max(8, Math.floor(v * share)));
	return {
		x: Math.floor((picture.width - width) * across),
		y: Math.floor((picture.height - height) * down),
		width,
		height,
	};
}

export const compute = working(fields, async (input) => {
	const picture = await decodePicture(fileOf(input), 2400);
	const answer = measureSharpness(
		picture,
		partOf(picture, input.form.sharePct / 100, [Number(input.form.across), Number(input.form.down)]),
	);
	return {
		...report(answer, 'Distant edges are sharp'),
		figures: [
			figure('edge-width', answer.edgePx, {
				digits: 1,
				sigma: answer.edgeSigmaPx,
				note: `sharp below ${payloadLimits.edgePx.value}`,
			}),
			figure('edges', answer.edges, { digits: 0 }),
			figure('contrast', answer.contrast, { digits: 0 }),
		],
		plots: [{ kind: 'picture', title: 'The picture measured', line: null }],
	};
});
