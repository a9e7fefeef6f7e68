import { figure } from '$lib/core/figures/figure';
import { greatest } from 'd3-array';
import { showSigned } from '$lib/words/figures';
import { begunLarge } from '$lib/words/begun';
import { fields } from './form';
import { working } from '../form';
import { reviewFlow } from '$lib/core/payload/flow';
import { payloadLimits } from '$lib/core/payload/limits';
import { flowRequestSchema } from '$lib/schema/payload';
import { checked } from '$lib/core/finding/checked';
import { report } from '../instrument';

export const compute = working(fields, async ({ form: v }) => {
	const request = checked(flowRequestSchema, {
		nozzles: v.nozzles.map((r, k) => ({
			name: r.name || `nozzle ${k + 1}`,
			litres: r.litres,
		})),
		collectedS: v.seconds,
		setLPerMin: v.set,
		speedKmh: v.speed,
		swathM: v.swath,
		shownLPerMin: v.shown,
	});
	const answer = reviewFlow(request);
	const odd = greatest(answer.nozzles, ({ deviationPct }) => Math.abs(deviationPct));
	return {
		...report(answer, `It gives what is set: ${answer.ratePerHa.toFixed(1)} litres per hectare`),
		figures: [
			figure('flow-error', answer.errorPct, { digits: 1, note: `limit ±${payloadLimits.flowPct.value}` }),
			...(answer.correction === null ? [] : [figure('flow-factor', answer.correction, { digits: 3 })]),
			figure('flow', answer.flowLPerMin),
			figure('spray-rate', answer.ratePerHa, { digits: 1, note: `set ${answer.rateSetPerHa.toFixed(1)}` }),
			figure('unevenness', answer.nozzleCvPct, { digits: 1, note: `limit ${payloadLimits.nozzleCvPct.value}` }),
		],
		plots: [
			{
				kind: 'bars',
				title: odd
					? `${begunLarge(odd.name)} is off the middle by most, ${showSigned(odd.deviationPct)} %`
					: 'No nozzle was caught',
				unit: 'L/min',
				bars: answer.nozzles.map((n) => ({
					label: n.name,
					value: n.lPerMin,
					note: `${showSigned(n.deviationPct)} %`,
				})),
			},
		],
	};
});
