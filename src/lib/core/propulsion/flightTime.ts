import { propulsion as say } from '$lib/messages/propulsion';
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { Reason } from '../../schema/common';
import type { FlightTimeAnswer, FlightTimeRequest } from '../../schema/flightTime';
import { judge, reason } from '../finding/reasons';
import { studentBelow, studentQuantile } from '../math/student';
import { measuredFlights, type Measured } from './flightFigures';
import { CAPACITY_PRIOR, flightTimeLimits as limits } from './flightTimeLimits';

const TENTH = 0.1;
/** Normal quantile of nine in ten. */
const Z90 = 1.2816;
const HALF_MIN = 0.5;

/** Deviation of one flight from another, ln: what was seen, shrunk towards what is usual. */
function spreadOf(flights: readonly Measured[]): number {
	const n = flights.length;
	if (n === 0) return limits.spread.value;
	const weight = flights.reduce((sum, { sigma }) => sum + 1 / sigma ** 2, 0);
	const mean = flights.reduce((sum, { y, sigma }) => sum + y / sigma ** 2, 0) / weight;
	const excess = flights.reduce((sum, { y, sigma }) => sum + (y - mean) ** 2 - sigma ** 2, 0);
	const prior = limits.spreadWorth.value * limits.spread.value ** 2;
	return Math.sqrt((prior + Math.max(0, excess)) / (n + limits.spreadWorth.value - 1));
}

interface Rate {
	/** ln of per cent a minute of the next flight on this pack, and its variance. */
	mean: number;
	variance: number;
	spread: number;
	freedom: number;
}

/** Rate of the next flight: earlier ones, alike in the aircraft, in the pack where it is the same, and in the counter's own error. */
function rateOf(flights: readonly Measured[], prior: { mean: number; sigma: number }, common: number): Rate {
	const spread = spreadOf(flights);
	const pack = limits.packSpread.value ** 2;
	const n = flights.length;
	const freedom = n === 0 ? limits.spreadWorth.value : n + limits.spreadWorth.value - 1;
	const alone = prior.sigma ** 2 + pack + spread ** 2;
	if (n === 0) return { mean: prior.mean, variance: alone, spread, freedom };
	const covariance = Matrix.zeros(n, n);
	flights.forEach((a, i) =>
		flights.forEach((b, j) => {
			const own = (i === j ? a.sigma ** 2 + spread ** 2 : 0) + (a.pack === b.pack ? pack : 0);
			const counter = a.byRest || b.byRest ? 0 : common ** 2;
			covariance.set(i, j, prior.sigma ** 2 + own + counter);
		}),
	);
	const toNext = Matrix.columnVector(flights.map(({ samePack }) => prior.sigma ** 2 + (samePack ? pack : 0)));
	const weights = new CholeskyDecomposition(covariance).solve(toNext).getColumn(0);
	const mean = weights.reduce((sum, w, k) => sum + w * (flights[k].y - prior.mean), prior.mean);
	const told = weights.reduce((sum, w, k) => sum + w * toNext.get(k, 0), 0);
	return { mean, variance: Math.max(spread ** 2, alone - told), spread, freedom };
}

interface Capacity {
	/** ln of the real over the printed capacity in a setting, and its variance. */
	at(tempC: number | null, cycles: number | null): { mean: number; variance: number };
	slopes: readonly { value: number; sigma: number; known: boolean }[];
}

/** A pack warmer than 20 °C gets no credit. */
const rowOf = (tempC: number | null, cycles: number | null): number[] => [
	1,
	Math.min(0, (tempC ?? 20) - 20) / 10,
	(cycles ?? 0) / 100,
];

/** What a pack really holds, learnt from flights that were counted and read by rest volts too. */
function capacityOf(flights: readonly Measured[], cyclesNow: number | null): Capacity {
	const precision = Matrix.diag(CAPACITY_PRIOR.sigma.map((s) => 1 / s ** 2));
	const right = Matrix.columnVector(CAPACITY_PRIOR.mean.map((m, k) => m / CAPACITY_PRIOR.sigma[k] ** 2));
	for (const { usedPct, restPct, tempC, cycles } of flights) {
		if (restPct === null) continue;
		const row = rowOf(tempC, cycles ?? cyclesNow);
		const weight = (restPct / 100 / CAPACITY_PRIOR.flightSigma) ** 2;
		const seen = Math.log(usedPct / restPct);
		row.forEach((a, i) => {
			right.set(i, 0, right.get(i, 0) + weight * a * seen);
			row.forEach((b, j) => precision.set(i, j, precision.get(i, j) + weight * (a * b)));
		});
	}
	const solve = new CholeskyDecomposition(precision);
	const beta = solve.solve(right).getColumn(0);
	const covariance = solve.solve(Matrix.eye(3));
	return {
		at(tempC, cycles) {
			const row = rowOf(tempC, cycles);
			const mean = row.reduce((sum, a, k) => sum + a * beta[k], 0);
			const variance = row.reduce(
				(sum, a, i) => sum + row.reduce((inner, b, j) => inner + a * b * covariance.get(i, j), 0),
				0,
			);
			return { mean, variance };
		},
		slopes: beta.map((value, k) => {
			const sigma = Math.sqrt(covariance.get(k, k));
			return { value, sigma, known: sigma < limits.knownShare.value * CAPACITY_PRIOR.sigma[k] };
		}),
	};
}

/** Down to half a minute, never below none. */
const halfMinutes = (minutes: number): number => Math.max(0, Math.floor(minutes / HALF_MIN + 1e-9) * HALF_MIN);

/**
 * How long an aircraft flies on a pack, and when to set the timer: from earlier flights by charge counted or rest volts, else from
 * its hover power. Times that nine flights in ten outlast; a budget of rungs that fits with nine in ten. Rates in per cent of the
 * printed capacity per minute. docs/methods/flight-time.md.
 */
export function estimateFlightTime(request: FlightTimeRequest): FlightTimeAnswer {
	const { pack, levels, startPct, hoverW, landMin, rungs } = request;
	const tempC = request.tempC ?? null;
	const cyclesNow = pack.cycles ?? null;
	const { measured, leftOut, lacking } = measuredFlights(request);
	const capacity = capacityOf(measured, cyclesNow);
	const counted = measured.filter(({ byRest }) => !byRest);
	// Rest volts see what the pack really holds: beside counted flights they are told in printed per cent as well.
	const onlyRest = measured.length > 0 && counted.length === 0;
	const flights = onlyRest
		? measured
		: measured.map((flight) => {
				if (!flight.byRest) return flight;
				const c = capacity.at(flight.tempC, flight.cycles ?? cyclesNow);
				return { ...flight, y: flight.y + c.mean, sigma: Math.hypot(flight.sigma, Math.sqrt(c.variance)) };
			});
	const byPower = hoverW !== undefined && pack.nominalWh !== undefined;
	const prior = byPower
		? { mean: Math.log((100 * hoverW) / (60 * (pack.nominalWh ?? 1))), sigma: limits.priorFromPower.value }
		: { mean: Math.log(limits.blindRate.value), sigma: limits.priorBlind.value };
	const byMah = measured.some(
		({ index }) => request.flights[index].usedMah !== undefined && pack.nominalMah !== undefined,
	);
	const common = counted.length === 0 ? 0 : byMah ? limits.countCommonMah.value : limits.countCommonWh.value;
	const now = onlyRest ? { mean: 0, variance: 0 } : capacity.at(tempC, cyclesNow);
	const held = {
		factor: Math.exp(now.mean),
		sigmaLn: Math.sqrt(now.variance),
		temperature: { per10C: capacity.slopes[1].value, sigma: capacity.slopes[1].sigma, known: capacity.slopes[1].known },
		age: { per100: capacity.slopes[2].value, sigma: capacity.slopes[2].sigma, known: capacity.slopes[2].known },
	};
	const nothing = { medianMin: null, q10Min: null };
	const left = { used: flights.length, leftOut };
	if (flights.length === 0 && !byPower) {
		const why = lacking
			? reason('fail', say('insufficient-pack'))
			: reason('fail', say('insufficient-flights'), {
					value: 0,
					limit: { value: 1, unit: 'flights', source: 'Winglogos rule' },
				});
		return {
			ratePctPerMin: null,
			rateSigmaLn: null,
			source: null,
			flightSpread: null,
			capacity: held,
			toAlarm: nothing,
			toLand: nothing,
			timerMin: null,
			...left,
			...judge([why]),
		};
	}
	const rate = rateOf(flights, prior, common);
	const until = (level: number) => {
		const share = (startPct - level) / 100;
		const mean = Math.log(startPct - level) + now.mean - rate.mean;
		const sigma = Math.sqrt(rate.variance + now.variance + common ** 2 + (limits.levelSigma.value / share) ** 2);
		return { medianMin: Math.exp(mean), q10Min: Math.exp(mean + studentQuantile(TENTH, rate.freedom) * sigma) };
	};
	const [toAlarm, toLand] = [until(levels.alarmPct), until(levels.landPct)];
	const timerMin = halfMinutes(Math.min(toAlarm.q10Min, toLand.q10Min - landMin));
	const budget = rungs && budgetOf(rungs, rate, now, common, startPct - levels.landPct);
	return {
		ratePctPerMin: Math.exp(rate.mean),
		rateSigmaLn: Math.sqrt(rate.variance),
		source: flights.length === 0 ? 'hover-power' : byPower ? 'both' : 'flights',
		flightSpread: rate.spread,
		capacity: held,
		toAlarm,
		toLand,
		timerMin,
		...(budget ? { budget } : {}),
		...left,
		...judge(
			reasonsOf(request, {
				timerMin,
				flights,
				lacking,
				cold: held.temperature.known,
				required: dropsRequired(rungs, budget),
				budget,
			}),
		),
	};
}

type Rungs = NonNullable<FlightTimeRequest['rungs']>;
type Budget = NonNullable<FlightTimeAnswer['budget']>;

/** The longest beginning of the rungs that the pack holds with nine in ten; none is kept by leaving out an earlier one. */
function budgetOf(
	rungs: Rungs,
	rate: Rate,
	capacity: { mean: number; variance: number },
	common: number,
	availablePct: number,
): Budget {
	const at = (count: number) => {
		const loads = rungs.slice(0, count).map(({ minutes, factor }) => minutes * factor);
		const sum = loads.reduce((a, b) => a + b, 0);
		if (sum === 0) return { mean: -Infinity, sigma: 0, enough: 1 };
		const own = (limits.rungSigma.value * Math.hypot(...loads)) / sum;
		const level = limits.levelSigma.value / (availablePct / 100);
		const sigma = Math.sqrt(rate.variance + capacity.variance + common ** 2 + own ** 2 + level ** 2);
		const mean = rate.mean + Math.log(sum);
		return { mean, sigma, enough: studentBelow((Math.log(availablePct) + capacity.mean - mean) / sigma, rate.freedom) };
	};
	let count = rungs.length;
	while (count > 0 && at(count).enough < limits.enough.value) count--;
	const { mean, sigma, enough } = at(count);
	const usedQ90Pct = count === 0 ? 0 : Math.exp(mean + studentQuantile(1 - TENTH, rate.freedom) * sigma);
	return {
		kept: rungs.slice(0, count).map(({ name }) => name),
		dropped: rungs.slice(count).map(({ name }) => name),
		usedPct: Math.exp(mean),
		usedQ90Pct,
		leftMin: Math.max(0, (availablePct - usedQ90Pct) / Math.exp(rate.mean + Z90 * Math.sqrt(rate.variance))),
		enoughProbability: enough,
	};
}

const dropsRequired = (rungs: Rungs | undefined, budget: Budget | undefined): string[] =>
	(rungs ?? []).slice(budget?.kept.length ?? 0).flatMap(({ name, required }) => (required ? [name] : []));

interface Judged {
	timerMin: number;
	flights: readonly Measured[];
	lacking: boolean;
	cold: boolean;
	required: readonly string[];
	budget: Budget | undefined;
}

function reasonsOf(
	{ startPct, tempC, hoverW, pack }: FlightTimeRequest,
	{ timerMin, flights, lacking, cold, required, budget }: Judged,
): Reason[] {
	const out: Reason[] = [];
	if (required.length > 0)
		out.push(
			reason('fail', say('required-dropped', { required }), { value: budget?.enoughProbability, limit: limits.enough }),
		);
	if (timerMin < limits.shortestTimerMin.value)
		out.push(reason('fail', say('timer-too-short'), { value: timerMin, limit: limits.shortestTimerMin }));
	if (lacking) out.push(reason('caution', say('insufficient-pack#flightTime')));
	if (flights.length === 0) out.push(reason('caution', say('from-hover-power')));
	else if (flights.length < limits.fewFlights.value)
		out.push(reason('caution', say('few-flights'), { value: flights.length, limit: limits.fewFlights }));
	if (flights.length > 0 && !flights.some(({ samePack }) => samePack))
		out.push(reason('caution', say('other-packs-only')));
	if (tempC !== undefined && tempC < limits.coldC.value && !cold)
		out.push(reason('caution', say('cold-assumed'), { value: tempC, limit: limits.coldC }));
	if (startPct < limits.fullPct.value)
		out.push(reason('caution', say('start-not-full'), { value: startPct, limit: limits.fullPct }));
	if (budget && budget.dropped.length > 0 && required.length === 0)
		out.push(reason('caution', say('rungs-dropped', { dropped: budget.dropped }), { value: budget.dropped.length }));
	const power =
		hoverW !== undefined && pack.nominalWh === undefined
			? ' The hover power was not used: the pack’s Wh are not known.'
			: '';
	// A timer beside a no-go would be flown by.
	if (out.some(({ level }) => level === 'fail')) return out;
	out.push(reason('pass', say('timer-set', { timerMin, power }), { value: timerMin }));
	return out;
}
