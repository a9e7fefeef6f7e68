import { propulsion as say } from '$lib/messages/propulsion';
import type { Reason } from '../../schema/common';
import type { PackAnswer, PackRequest } from '../../schema/power';
import { InputError } from '../finding/inputError';
import { atLeast, atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { robustLine } from '../math/robustLine';
import { chargeOf, emptyV, fullV, NOMINAL_V } from './charge';
import { COLD_CAPACITY, powerLimits as limits } from './limits';

/** Relative uncertainty of a printed capacity that nobody measured, and of one that was. */
const RATED_SIGMA = 0.1;
const MEASURED_SIGMA = 0.04;
/** The power in the hover differs from day to day by about this. */
const POWER_SIGMA = 0.08;
const OVER_FULL_V = 0.05;

function coldShare(temperatureC: number): number {
	const table = COLD_CAPACITY;
	if (temperatureC <= table[0][0]) return table[0][1];
	for (let k = 1; k < table.length; k++) {
		const [t1, s1] = table[k];
		const [t0, s0] = table[k - 1];
		if (temperatureC <= t1) return s0 + ((s1 - s0) * (temperatureC - t0)) / (t1 - t0);
	}
	return 1;
}

/** Capacity today, mAh with one sigma: from the pack's own measurements where there are enough, else from its label. */
function capacityToday({ history, cycles, ratedMah }: PackRequest): {
	mah: number;
	sigma: number;
	perCycle: number | null;
} {
	const line =
		history.length >= limits.fewestTrend.value
			? robustLine(
					history.map((h) => h.cycles),
					history.map((h) => h.mah),
				)
			: null;
	if (line) {
		const mah = Math.max(0, Math.min(ratedMah * 1.1, line.at(cycles)));
		return { mah, sigma: Math.hypot(line.sigmaAt(cycles), MEASURED_SIGMA * mah), perCycle: line.slope };
	}
	if (history.length > 0) {
		const mah = history[history.length - 1].mah;
		return { mah, sigma: MEASURED_SIGMA * 2 * mah, perCycle: null };
	}
	return { mah: ratedMah, sigma: RATED_SIGMA * ratedMah, perCycle: null };
}

/**
 * What a pack gives today: charge from cell voltages at rest, spread, internal resistance from a load step, capacity over its
 * life, usable energy in the cold, flight time with reserve, the radio's timer and the two warning levels.
 * Flight time = usable·(1 − reserve)/power.
 * @throws InputError where a load step runs the wrong way or the warning levels are upside down.
 */
export function reviewPack(request: PackRequest): PackAnswer {
	const { chemistry, cellsV, temperatureC, ratedMah, loadStep, reservePct, hoverW, warnPct, actPct } = request;
	if (loadStep && !(loadStep.heavyA > loadStep.lightA))
		throw new InputError('load-step', 'loadStep.heavyA', 'The heavy load must draw more current than the light one.');
	if (warnPct <= actPct)
		throw new InputError('levels', 'warnPct', 'The warning must come before the action: a higher percentage.');
	const weakest = Math.min(...cellsV);
	const spreadMv = 1000 * (Math.max(...cellsV) - weakest);
	const capacity = capacityToday(request);
	const healthPct = (100 * capacity.mah) / ratedMah;
	const resistanceMohm = loadStep
		? (1000 * (loadStep.lightV - loadStep.heavyV)) / (loadStep.heavyA - loadStep.lightA)
		: null;
	const resistancePerCellMohm = resistanceMohm === null ? null : resistanceMohm / cellsV.length;
	const shared = {
		spreadMv,
		resistanceMohm,
		resistancePerCellMohm,
		capacityMah: capacity.mah,
		capacitySigmaMah: capacity.sigma,
		healthPct,
	};
	const implausible = cellsV.findIndex((v) => v < emptyV(chemistry) - 1 || v > fullV(chemistry) + OVER_FULL_V);
	if (implausible >= 0) {
		const none = { chargePct: null, chargeSigmaPct: null, usableWh: null, usableSigmaWh: null };
		const times = { flightTimeS: null, flightTimeSigmaS: null, timerS: null, warnAtS: null, actAtS: null };
		const over = cellsV[implausible] > fullV(chemistry);
		return {
			...none,
			...times,
			...shared,
			...judge([
				reason('fail', say(over ? 'overcharged' : 'cell-dead', { cell: implausible + 1, volts: cellsV[implausible] }), {
					value: cellsV[implausible],
					limit: { value: over ? fullV(chemistry) : emptyV(chemistry), unit: 'V', source: 'Chemistry table' },
				}),
			]),
		};
	}
	// The weakest cell ends the flight: charge is its charge.
	const { pct, sigmaPct } = chargeOf(chemistry, weakest);
	const cold = coldShare(temperatureC);
	const whPerMah = (NOMINAL_V[chemistry] * cellsV.length * cold) / 1000;
	const whole = capacity.mah * whPerMah;
	const usableWh = (whole * pct) / 100;
	const relative = Math.hypot(sigmaPct / Math.max(pct, 1), 0.3 * (1 - cold));
	// A pack whose capacity is gone by its trend keeps what that is uncertain by.
	const usableSigmaWh = Math.hypot((capacity.sigma * whPerMah * pct) / 100, usableWh * relative);
	const secondsFor = (wh: number) => (wh * 3600) / hoverW;
	const flightTimeS = Math.max(0, secondsFor(usableWh - (whole * reservePct) / 100));
	const flightTimeSigmaS = flightTimeS > 0 ? Math.hypot(secondsFor(usableSigmaWh), flightTimeS * POWER_SIGMA) : 0;
	const untilPct = (level: number) => Math.max(0, secondsFor((whole * (pct - level)) / 100));
	return {
		chargePct: pct,
		chargeSigmaPct: sigmaPct,
		...shared,
		usableWh,
		usableSigmaWh,
		flightTimeS,
		flightTimeSigmaS,
		timerS: Math.max(0, flightTimeS - flightTimeSigmaS),
		warnAtS: untilPct(warnPct),
		actAtS: untilPct(actPct),
		...judge(reasonsOf(request, { ...shared, chargePct: pct, flightTimeS, perCycle: capacity.perCycle })),
	};
}

function reasonsOf(
	request: PackRequest,
	found: Pick<PackAnswer, 'spreadMv' | 'resistancePerCellMohm' | 'healthPct'> & {
		chargePct: number;
		flightTimeS: number;
		perCycle: number | null;
	},
): Reason[] {
	const { temperatureC, reservePct, history, actPct, warnPct } = request;
	const out: Reason[] = [];
	out.push(
		found.spreadMv > limits.spreadFailMv.value
			? reason('fail', say('cells-apart'), { value: found.spreadMv, limit: limits.spreadFailMv })
			: atMost(found.spreadMv, {
					caution: { limit: limits.spreadMv, says: say('cells-uneven') },
					pass: say('cells-even'),
				}),
	);
	out.push(
		atLeast(found.chargePct, {
			caution: { limit: limits.chargeToStartPct, says: say('not-full') },
			pass: say('full'),
		}),
	);
	if (found.flightTimeS <= 0)
		out.push(
			reason('fail', say('nothing-left'), {
				value: found.chargePct,
				limit: { value: reservePct, unit: '%', source: 'Your reserve' },
			}),
		);
	if (found.resistancePerCellMohm !== null)
		out.push(
			found.resistancePerCellMohm < 0
				? reason('fail', say('resistance-negative'), {
						value: found.resistancePerCellMohm,
						limit: limits.resistancePerCellMohm,
					})
				: atMost(found.resistancePerCellMohm, {
						caution: { limit: limits.resistancePerCellMohm, says: say('resistance-high') },
						pass: say('resistance-low'),
					}),
		);
	out.push(
		history.length === 0
			? reason('caution', say('capacity-told'))
			: atLeast(found.healthPct, {
					caution: { limit: limits.healthPct, says: say('worn') },
					pass: say('healthy'),
				}),
	);
	if (temperatureC < limits.coldC.value)
		out.push(reason('caution', say('cold'), { value: temperatureC, limit: limits.coldC }));
	if (reservePct < limits.reservePct.value)
		out.push(reason('caution', say('reserve-small'), { value: reservePct, limit: limits.reservePct }));
	if (actPct < limits.actPct.value)
		out.push(reason('caution', say('act-late', { actPct, warnPct }), { value: actPct, limit: limits.actPct }));
	return out;
}
