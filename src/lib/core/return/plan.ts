import type { ReturnAnswer, ReturnRequest } from '../../schema/return';
import { DEG, wrap360 } from '../frames/angles';
import { judge } from '../finding/reasons';
import { planFor } from './actions';
import { clearanceOf } from './clearance';
import { reachOf } from './reach';
import { geometry, type PathPoint } from './sequence';
import { reasonsOf, SLACK_WH } from './verdict';
import type { Plane } from './wind';

const S_PER_H = 3600;

/** A place north and east of home as bearing and distance; due north at home itself. */
function seenFromHome([north, east]: Plane): { bearingDeg: number; distanceM: number } {
	const distanceM = Math.hypot(north, east);
	return { bearingDeg: distanceM > 1e-9 ? wrap360(Math.atan2(east, north) / DEG) : 0, distanceM };
}

/** What is left in the pack at a place, and what of it is the reserve, Wh. */
const energyOf = ({ pack, usedWh }: ReturnRequest) => ({
	leftWh: pack.usableWh - usedWh,
	reserveWh: (pack.usableWh * pack.reservePct) / 100,
});

/** What happens without the link, as far as it needs no reach all round: a plan that is asked many times over. */
export type Outcome = Omit<ReturnAnswer, 'reach'>;

/**
 * Plans the way home from a place: legs with times and energy, what it lands with, reach all round, clearance over
 * obstacles, touchdown, and when to turn back at the latest. Angles degrees from home, heights above home, docs/methods/return.md.
 */
export function planReturn(request: ReturnRequest): ReturnAnswer {
	const { leftWh, reserveWh } = energyOf(request);
	const { legs, totalTimeS, totalWh, landWithWh, reachable, ...rest } = outcomeOf(request);
	return { legs, totalTimeS, totalWh, landWithWh, reachable, reach: reachOf(request, leftWh - reserveWh), ...rest };
}

/** The path that is flown, north, east and up from home, metres; none of a fall. */
export function pathOf(request: ReturnRequest): readonly PathPoint[] {
	const { leftWh, reserveWh } = energyOf(request);
	return planFor(request, leftWh, reserveWh).path;
}

/** The same as `planReturn`, without the reach. */
export function outcomeOf(request: ReturnRequest): Outcome {
	const { aircraft, settings, position } = request;
	const { leftWh, reserveWh } = energyOf(request);
	const { t } = geometry(position.bearingDeg, position.distanceM);
	const plan = planFor(request, leftWh, reserveWh);
	const landWithWh = plan.totalWh === null ? null : leftWh - plan.totalWh;
	const withoutHover = plan.legs.reduce((sum, leg) => sum + (leg.name === 'hover' ? 0 : leg.energyWh), 0);
	const turnBackAtS = plan.stopped ? 0 : Math.max(0, ((leftWh - reserveWh - withoutHover) * S_PER_H) / aircraft.hoverW);
	const clearance = settings.action === 'cut-motors' ? { minM: null } : clearanceOf(request, plan.path);
	const end = plan.end;
	const away = end ? Math.hypot(end[0], end[1]) : 0;
	const reachable =
		!plan.stopped &&
		landWithWh !== null &&
		(settings.action === 'return'
			? landWithWh >= -SLACK_WH
			: settings.action !== 'cut-motors' && landWithWh >= -SLACK_WH && away <= settings.minDistanceM);
	return {
		legs: plan.legs,
		totalTimeS: plan.totalTimeS,
		totalWh: plan.totalWh,
		landWithWh,
		reachable,
		clearance,
		touchdown: end
			? {
					...seenFromHome(end),
					driftM: plan.driftM,
					...(plan.impactMps === undefined ? {} : { impactMps: plan.impactMps }),
				}
			: null,
		...(plan.carried ? { carried: seenFromHome(plan.carried) } : {}),
		turnBackAtS,
		...judge(reasonsOf(request, plan, { leftWh, reserveWh, landWithWh, clearance, away, t })),
	};
}
