import { figure } from '$lib/core/figures/figure';
import { begunLarge } from '$lib/words/begun';
import { greatest } from 'd3-array';
import { report } from '../instrument';
import { fields } from './form';
import { working } from '../form';
import { solveBalance } from '$lib/core/propulsion/balance';
import { balanceRequestSchema } from '$lib/schema/power';
import { checked } from '$lib/core/finding/checked';

export const compute = working(fields, async ({ form: v }) => {
	const parts = v.parts.map((r) => ({
		name: r.name || 'part',
		massG: r.massG,
		armMm: r.armMm,
	}));
	const named = parts.findIndex(({ name }) => /pack|battery/i.test(name));
	const request = checked(balanceRequestSchema, {
		parts,
		packIndex: named >= 0 ? named : parts.length,
		markMm: v.mark,
		noseHeavyMm: v.tolerance,
		armSigmaMm: v.sigma,
	});
	const answer = solveBalance(request);
	const shift = answer.shiftPackMm;
	const pulls = parts.map((p) => ({ label: p.name, value: p.massG * (p.armMm - request.markMm) }));
	const most = greatest(pulls, ({ value }) => Math.abs(value));
	return {
		...report(answer, 'It balances at the mark or a little before it'),
		figures: [
			figure('balance-offset', answer.errorMm, { digits: 1, sigma: answer.centreSigmaMm }),
			figure('pack-move', shift === null ? null : Math.abs(shift), {
				digits: 0,
				note: shift === null ? 'it has no mass here' : shift < 0 ? 'forward' : 'back',
			}),
			figure('mass', answer.massG, { digits: 0 }),
		],
		plots: [
			{
				kind: 'balance',
				title: `From the side, nose to the left: it balances ${Math.abs(answer.errorMm).toFixed(0)} mm ${answer.errorMm < 0 ? 'before' : 'behind'} the mark`,
				parts,
				markMm: request.markMm,
				centreMm: answer.centreMm,
				sigmaMm: answer.centreSigmaMm,
				pack: {
					index: request.packIndex,
					toMm: shift === null ? null : (parts[request.packIndex]?.armMm ?? 0) + shift,
				},
			},
			{
				kind: 'bars',
				title: most
					? `${begunLarge(most.label)} pulls most about the mark, toward the ${most.value < 0 ? 'nose' : 'tail'}`
					: 'Nothing pulls it',
				unit: 'g·mm',
				digits: 0,
				bars: pulls,
			},
		],
	};
});
