import type { ReturnAnswer, ReturnRequest } from '../../schema/return';
import { returnSequence } from './sequence';
import { meanWind } from './wind';

const REACH_TOLERANCE_M = 1e-3;
const MOST_REACH_M = 1e6;
/** Further than any climb on the way home takes. */
const FAR_M = 2e5;

/** The furthest distance on each bearing from which the return uses just what is left above the reserve (1.6). */
export function reachOf(request: ReturnRequest, budgetWh: number): ReturnAnswer['reach'] {
	const wind = meanWind(request);
	const { heightM } = request.position;
	const cost = (bearingDeg: number, distanceM: number) =>
		returnSequence(request, wind, { bearingDeg, distanceM, heightM }, false).totalWh ?? Infinity;
	/** Once it has climbed, every metre costs the same: two far distances give the line. Null where the reach lies within the climb. */
	const beyondClimb = (bearingDeg: number): number | null => {
		const far = returnSequence(request, wind, { bearingDeg, distanceM: FAR_M, heightM }, false);
		const cruise = far.legs.find(({ name }) => name === 'cruise');
		if (far.totalWh === null || !cruise) return null;
		const perM = cruise.energyWh / (cruise.timeS * cruise.groundMps);
		const reach = FAR_M + (budgetWh - far.totalWh) / perM;
		return reach >= FAR_M - cruise.timeS * cruise.groundMps ? reach : null;
	};
	return Array.from({ length: 360 }, (_, bearingDeg) => {
		if (!(cost(bearingDeg, 0) < budgetWh)) return { bearingDeg, maxDistanceM: 0 };
		const direct = beyondClimb(bearingDeg);
		if (direct !== null && direct < MOST_REACH_M) return { bearingDeg, maxDistanceM: direct };
		// The cost is convex and nearly linear in the distance: secant steps, kept between a distance that is paid and one that is not.
		let paid = 0;
		let unpaid = 1000;
		while (cost(bearingDeg, unpaid) <= budgetWh && unpaid < MOST_REACH_M) [paid, unpaid] = [unpaid, unpaid * 4];
		let paidWh = cost(bearingDeg, paid);
		let unpaidWh = cost(bearingDeg, unpaid);
		if (!Number.isFinite(unpaidWh) && paid === 0 && !Number.isFinite(cost(bearingDeg, REACH_TOLERANCE_M)))
			return { bearingDeg, maxDistanceM: 0 };
		for (let tries = 0; tries < 60 && unpaid - paid > REACH_TOLERANCE_M; tries++) {
			const secant = Number.isFinite(unpaidWh)
				? paid + ((budgetWh - paidWh) / (unpaidWh - paidWh)) * (unpaid - paid)
				: NaN;
			const middle = tries % 3 === 2 || !Number.isFinite(secant) ? (paid + unpaid) / 2 : secant;
			const wh = cost(bearingDeg, middle);
			if (Math.abs(wh - budgetWh) < 1e-9) return { bearingDeg, maxDistanceM: middle };
			if (wh <= budgetWh) [paid, paidWh] = [middle, wh];
			else [unpaid, unpaidWh] = [middle, wh];
		}
		return { bearingDeg, maxDistanceM: paid };
	});
}
