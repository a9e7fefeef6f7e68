import { payload as say } from '$lib/messages/payload';
import type { FlowAnswer, FlowRequest } from '../../schema/payload';
import type { Reason } from '../../schema/common';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { mean } from '../math/statistics';
import { payloadLimits as limits } from './limits';

/** Litres per hectare: 600·Q/(v·w) with Q in L/min, v in km/h, w in metres. */
export const ratePerHectare = (perMin: number, speedKmh: number, swathM: number): number =>
	(600 * perMin) / (speedKmh * swathM);

interface Nozzle {
	name: string;
	lPerMin: number;
}

/** The one nozzle that falls behind while all the others are even; null where there is none, or more than one. */
function blockedNozzle(all: readonly Nozzle[]): (Nozzle & { sharePct: number }) | null {
	if (all.length < 3) return null;
	const worst = all.reduce((a, b) => (b.lPerMin < a.lPerMin ? b : a));
	const others = all.filter((nozzle) => nozzle !== worst).map(({ lPerMin }) => lPerMin);
	const middle = mean(others);
	if (!(middle > 0)) return null;
	const spreadPct = (100 * Math.max(...others.map((v) => Math.abs(v - middle)))) / middle;
	const sharePct = (100 * worst.lPerMin) / middle;
	return sharePct < limits.blockedPct.value && spreadPct <= 2 * limits.nozzleCvPct.value
		? { ...worst, sharePct }
		: null;
}

/**
 * Collected volume per nozzle against what is set: flow, error, correction factor, evenness across nozzles (coefficient of
 * variation, divisor n − 1), litres per hectare. Water, not the product, belongs in the tank for this.
 */
export function reviewFlow(request: FlowRequest): FlowAnswer {
	const { nozzles, collectedS, setLPerMin, shownLPerMin, speedKmh, swathM } = request;
	const perMin = nozzles.map(({ litres }) => (60 * litres) / collectedS);
	const flowLPerMin = perMin.reduce((a, b) => a + b, 0);
	const errorPct = 100 * (flowLPerMin / setLPerMin - 1);
	const middle = mean(perMin);
	const nozzleCvPct =
		perMin.length > 1 && middle > 0
			? (100 * Math.sqrt(perMin.reduce((s, v) => s + (v - middle) ** 2, 0) / (perMin.length - 1))) / middle
			: null;
	const meterErrorPct = shownLPerMin !== null && flowLPerMin > 0 ? 100 * (shownLPerMin / flowLPerMin - 1) : null;
	const own = nozzles.map(({ name }, k) => ({
		name,
		lPerMin: perMin[k],
		deviationPct: middle > 0 ? 100 * (perMin[k] / middle - 1) : 0,
	}));
	const reasons: Reason[] = [];
	const dry = own.filter(({ lPerMin }) => lPerMin === 0);
	const blocked = blockedNozzle(own);
	if (blocked)
		reasons.push(
			reason(
				'fail',
				say('nozzle-blocked', { name: blocked.name, lPerMin: blocked.lPerMin, sharePct: blocked.sharePct }),
				{ value: blocked.sharePct, limit: limits.blockedPct },
			),
		);
	else if (dry.length > 0)
		reasons.push(reason('fail', say('nozzle-dry', { nozzles: dry.map(({ name }) => name) }), { value: 0 }));
	const errors = Math.abs(errorPct);
	// While a nozzle gives too little, the sum says nothing about the setting: correcting it would overdose once it is clean.
	const unfit = blocked !== null || dry.length > 0;
	if (!unfit)
		reasons.push(
			errors > limits.flowFailPct.value
				? reason('fail', say('flow-wrong'), { value: errors, limit: limits.flowFailPct })
				: atMost(errors, {
						caution: { limit: limits.flowPct, says: say('flow-off', { setLPerMin, flowLPerMin }) },
						pass: say('flow-right'),
					}),
		);
	if (nozzleCvPct !== null && !blocked) {
		const worst = own.reduce((a, b) => (Math.abs(b.deviationPct) > Math.abs(a.deviationPct) ? b : a));
		reasons.push(
			atMost(nozzleCvPct, {
				caution: { limit: limits.nozzleCvPct, says: say('nozzles-uneven', { name: worst.name }) },
				pass: say('nozzles-even'),
			}),
		);
	}
	if (meterErrorPct !== null)
		reasons.push(
			atMost(Math.abs(meterErrorPct), {
				caution: { limit: limits.meterPct, says: say('meter-off') },
				pass: say('meter-right'),
			}),
		);
	return {
		flowLPerMin,
		errorPct,
		correction: flowLPerMin > 0 && !unfit ? setLPerMin / flowLPerMin : null,
		meterErrorPct,
		nozzleCvPct,
		nozzles: own,
		ratePerHa: ratePerHectare(flowLPerMin, speedKmh, swathM),
		rateSetPerHa: ratePerHectare(setLPerMin, speedKmh, swathM),
		...judge(reasons),
	};
}
