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
				reason(
					'fail',
					over ? 'overcharged' : 'cell-dead',
					`Cell ${implausible + 1} shows ${cellsV[implausible].toFixed(2)} V: ${over ? 'more than full' : 'dead or not connected'}.`,
					{
						value: cellsV[implausible],
						limit: { value: over ? fullV(chemistry) : emptyV(chemistry), unit: 'V', source: 'Chemistry table' },
						next: over
							? 'Wrong chemistry chosen, or set the pack aside in a safe place.'
							: 'Do not charge or fly it; follow the maker.',
					},
				),
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
			? reason('fail', 'cells-apart', 'One cell lags far behind the others.', {
					value: found.spreadMv,
					limit: limits.spreadFailMv,
					next: 'Do not fly it; balance it by the maker’s manual and measure again.',
				})
			: atMost(found.spreadMv, {
					caution: {
						limit: limits.spreadMv,
						code: 'cells-uneven',
						text: 'The cells differ.',
						next: 'Balance it; watch the weakest cell under load.',
					},
					pass: { code: 'cells-even', text: 'The cells are even.' },
				}),
	);
	out.push(
		atLeast(found.chargePct, {
			caution: {
				limit: limits.chargeToStartPct,
				code: 'not-full',
				text: 'It is not full.',
				next: 'Fly tests on a full pack.',
			},
			pass: { code: 'full', text: 'It is full.' },
		}),
	);
	if (found.flightTimeS <= 0)
		out.push(
			reason('fail', 'nothing-left', 'Nothing is left above the reserve.', {
				value: found.chargePct,
				limit: { value: reservePct, unit: '%', source: 'Your reserve' },
				next: 'Charge it.',
			}),
		);
	if (found.resistancePerCellMohm !== null)
		out.push(
			found.resistancePerCellMohm < 0
				? reason('fail', 'resistance-negative', 'The voltage rose under load: the two readings are mixed up.', {
						value: found.resistancePerCellMohm,
						limit: limits.resistancePerCellMohm,
						next: 'Measure the load step again.',
					})
				: atMost(found.resistancePerCellMohm, {
						caution: {
							limit: limits.resistancePerCellMohm,
							code: 'resistance-high',
							text: 'It sags under load.',
							next: 'Warm it and measure again; if it stays, keep it for the bench.',
						},
						pass: { code: 'resistance-low', text: 'It holds its voltage under load.' },
					}),
		);
	out.push(
		history.length === 0
			? reason('caution', 'capacity-told', 'The capacity is what is printed on it; nobody has measured it.', {
					next: 'Note what the charger puts back after a flight.',
				})
			: atLeast(found.healthPct, {
					caution: {
						limit: limits.healthPct,
						code: 'worn',
						text: 'It holds much less than is printed on it.',
						next: 'Shorten its flights, or retire it.',
					},
					pass: { code: 'healthy', text: 'It holds what is printed on it, nearly.' },
				}),
	);
	if (temperatureC < limits.coldC.value)
		out.push(
			reason('caution', 'cold', 'It is cold: less comes out and the voltage sags.', {
				value: temperatureC,
				limit: limits.coldC,
				next: 'Keep packs warm until the flight; hover for a minute first.',
			}),
		);
	if (reservePct < limits.reservePct.value)
		out.push(
			reason('caution', 'reserve-small', 'The reserve is small.', {
				value: reservePct,
				limit: limits.reservePct,
				next: 'Keep a fifth.',
			}),
		);
	if (actPct < limits.actPct.value)
		out.push(
			reason('caution', 'act-late', `The second level acts at ${actPct} %, the first warns at ${warnPct} %.`, {
				value: actPct,
				limit: limits.actPct,
				next: 'Act at a tenth or more.',
			}),
		);
	return out;
}
