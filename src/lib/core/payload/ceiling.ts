import { payload as say } from '$lib/messages/payload';
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
	const reasons = [
		clearanceM < 0
			? reason('fail', say('into-ceiling', { name: tallest.name, reachM, marginM, ceilingM, highestHoldM }), {
					value: clearanceM,
					limit,
				})
			: atLeast(clearanceM, {
					caution: { limit: limits.ceilingSpareM, says: say('ceiling-near', { name: tallest.name, highestHoldM }) },
					pass: say('ceiling-clear', { name: tallest.name }),
				}),
	];
	if (!followsSurface && tallest.heightM + marginM > holdM)
		reasons.push(
			reason('fail', say('into-furniture', { name: tallest.name, heightM: tallest.heightM, marginM }), {
				value: holdM - tallest.heightM,
				limit: { value: marginM, unit: 'm', source: 'Your margin' },
			}),
		);
	return { clearanceM, worst: tallest.name, highestHoldM, ...judge(reasons) };
}
