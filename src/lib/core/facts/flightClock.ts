import type { FlightTimeAnswer } from '../../schema/flightTime';
import type { Pack } from '../../schema/records';
import { Z_90 } from '../math/normal';
import { flightTimeLimits } from '../propulsion/flightTimeLimits';
import { FULL_PCT } from './statements';
import { nominalWh, type Ledger } from './ledger';

/** What a recorded return plan says about the time to turn back. */
export interface PlannedReturn {
	/** Minutes after takeoff to turn back, from the charge it was planned with. */
	turnBackMin: number;
	/** Charge it was planned with, %. */
	startPct: number;
	/** The flight home, s. */
	homeS: number;
	/** Hover power, W, with one sigma. */
	hoverW: number;
	hoverSigmaW: number;
}

/** The two times of a flight, each the smallest that applies, and what decided it. Minutes after takeoff. */
export interface FlightClock {
	landByMin: number | null;
	landBy: 'flights' | 'stated' | 'typed' | 'return' | 'none';
	turnBackMin: number | null;
	turnBack: 'plan' | 'land-by' | 'none';
	/** The charge both are computed from, %; null where nothing says it. */
	startPct: number | null;
}

/** Turning back as planned, moved to another charge: every watt hour less is hovered less, at the power of nine in ten. */
function turnBackFrom(plan: PlannedReturn, pct: number, pack: Pack): number {
	const sigmaLn = plan.hoverSigmaW / plan.hoverW;
	const carefulW = plan.hoverW * Math.exp(Z_90 * sigmaLn);
	const lessWh = ((plan.startPct - pct) / FULL_PCT) * nominalWh(pack);
	// More charge than was planned with is not counted on: the plan is made again for that.
	return Math.max(0, plan.turnBackMin - Math.max(0, (lessWh / carefulW) * 60));
}

/**
 * When to land and when to turn back, computed at takeoff from the battery's ledger: the smallest of the estimate from flights, the
 * stated or typed minutes and the planned return; landing never later than turning back plus the flight home.
 *
 * @param estimate of flights from the ledger's charge; null where none is on record
 * @param typedMin what the pilot entered for this flight
 */
export function flightClock(
	pack: Pack | null,
	ledger: Ledger | null,
	{
		estimate,
		typedMin,
		plan,
	}: { estimate: Pick<FlightTimeAnswer, 'timerMin'> | null; typedMin: number | null; plan: PlannedReturn | null },
): FlightClock {
	const startPct = ledger?.planPct ?? null;
	const landPct = flightTimeLimits.landPct.value;
	const statedMin =
		pack?.flightMin && startPct !== null
			? (pack.flightMin * Math.max(0, startPct - landPct)) / (FULL_PCT - landPct)
			: null;
	const planned = plan && pack && startPct !== null ? turnBackFrom(plan, startPct, pack) : null;
	const candidates = (
		[
			['flights', estimate?.timerMin ?? null],
			['stated', estimate?.timerMin ? null : statedMin],
			['typed', typedMin],
			['return', planned === null || !plan ? null : planned + plan.homeS / 60],
		] as const
	).flatMap(([name, minutes]) => (minutes === null ? [] : [{ name, minutes: Math.max(0, minutes) }]));
	const landing = candidates.reduce<(typeof candidates)[number] | null>(
		(least, one) => (least && least.minutes <= one.minutes ? least : one),
		null,
	);
	const latest = landing && plan ? Math.max(0, landing.minutes - plan.homeS / 60) : null;
	const byPlan = planned !== null && (latest === null || planned <= latest);
	return {
		landByMin: landing?.minutes ?? null,
		landBy: landing?.name ?? 'none',
		turnBackMin: planned === null ? null : byPlan ? planned : latest,
		turnBack: planned === null ? 'none' : byPlan ? 'plan' : 'land-by',
		startPct,
	};
}
