import type { CeilingAnswer, CeilingRequest } from '../../schema/payload';
import { atLeast } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { payloadLimits as limits } from './limits';

/**
 * Room left under a ceiling: ceiling − (hold height + tallest thing flown over) − margin. An aircraft that keeps its height
 * above what its downward sensor sees climbs over furniture; one that keeps it above the floor must clear the tallest thing.
 */
export function reviewCeiling({ ceilingM, holdM, marginM, things, followsSurface }: CeilingRequest): CeilingAnswer {
	const tallest = things.reduce((a, b) => (b.heightM > a.heightM ? b : a), { name: 'the floor', heightM: 0 });
	const reachM = followsSurface ? holdM + tallest.heightM : holdM;
	const clearanceM = ceilingM - reachM - marginM;
	const highestHoldM = ceilingM - marginM - (followsSurface ? tallest.heightM : 0);
	const limit = { value: 0, unit: 'm', source: `Ceiling less ${marginM} m of margin` };
	const lower = `Hold at most ${Math.max(0, highestHoldM).toFixed(1)} m, or keep away from ${tallest.name}.`;
	const reasons = [
		clearanceM < 0
			? reason(
					'fail',
					'into-ceiling',
					`Over ${tallest.name} it would stand ${(reachM + marginM - ceilingM).toFixed(1)} m too high.`,
					{ value: clearanceM, limit, next: lower },
				)
			: atLeast(clearanceM, {
					caution: {
						limit: limits.ceilingSpareM,
						code: 'ceiling-near',
						text: `Over ${tallest.name} little room is left under the ceiling.`,
						next: lower,
					},
					pass: { code: 'ceiling-clear', text: `Over ${tallest.name} there is room under the ceiling.` },
				}),
	];
	if (!followsSurface && tallest.heightM + marginM > holdM)
		reasons.push(
			reason('fail', 'into-furniture', `${tallest.name} is as high as it flies.`, {
				value: holdM - tallest.heightM,
				limit: { value: marginM, unit: 'm', source: 'Your margin' },
				next: `Hold above ${(tallest.heightM + marginM).toFixed(1)} m, or fly round it.`,
			}),
		);
	return { clearanceM, worst: tallest.name, highestHoldM, ...judge(reasons) };
}
