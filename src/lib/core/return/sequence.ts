import { DEG } from '../frames/angles';
import type { Leg, ReturnRequest } from '../../schema/return';
import { cruisePower, triangle, type Plane, type WindField, type WindStop } from './wind';

/** A point of a flown path: north, east, up from home, metres. */
export type PathPoint = readonly [number, number, number];

export interface Sequence {
	legs: Leg[];
	/** Null where the wind stops it. */
	totalWh: number | null;
	totalTimeS: number | null;
	stopped: WindStop | null;
	path: PathPoint[];
	end: Plane;
	nearer: boolean;
}

const S_PER_H = 3600;
/** Integration steps of a climb on the way home; fourth-order Runge–Kutta in height needs few. */
const CLIMB_STEPS = 64;

/** The place of the aircraft as north and east from home, and the unit vector from it to home. */
export function geometry(bearingDeg: number, distanceM: number): { place: Plane; t: Plane } {
	const a = bearingDeg * DEG;
	return { place: [distanceM * Math.cos(a), distanceM * Math.sin(a)], t: [-Math.cos(a), -Math.sin(a)] };
}

interface ClimbHome {
	distanceM: number;
	timeS: number;
	energyWh: number;
	topM: number;
}

/**
 * Climbs from z0 towards z1 while flying home, at most `distanceM` far. With shear this has no closed form: distance,
 * and energy are integrated over height by Simpson's rule (exact enough: the integrands are smooth powers of height).
 */
function climbHome(
	request: ReturnRequest,
	wind: WindField,
	t: Plane,
	z0: number,
	z1: number,
	distanceM: number,
): ClimbHome | WindStop {
	const { climbMps, climbW, hoverW } = request.aircraft;
	const extra = Math.max(0, climbW - hoverW);
	let distance = 0;
	let wattSeconds = 0;
	const steps = z0 < 1 && z1 > 1 ? [z0, 1, z1] : [z0, z1]; // the wind has a kink at one metre
	for (let part = 0; part + 1 < steps.length; part++) {
		const [from, to] = [steps[part], steps[part + 1]];
		const h = (to - from) / CLIMB_STEPS;
		for (let k = 0; k < CLIMB_STEPS; k++) {
			const z = from + k * h;
			const at = [z, z + h / 2, z + h].map((height) => triangle(request.aircraft, wind(height), t));
			const stop = at.find((tri) => typeof tri === 'string');
			const [a, b, c] = at;
			if (typeof a === 'string' || typeof b === 'string' || typeof c === 'string') {
				// Stopped before this height: unless it is home before that.
				const reached = typeof a === 'string' ? 0 : (a.groundMps * h) / climbMps;
				if (distance + reached >= distanceM && typeof a !== 'string')
					return finish(z + ((distanceM - distance) / a.groundMps) * climbMps, a.airMps, z);
				return stop as WindStop;
			}
			const step = (h / climbMps / 6) * (a.groundMps + 4 * b.groundMps + c.groundMps);
			if (distance + step >= distanceM) {
				const left = distanceM - distance;
				// Within the step ground speed is as good as linear: solve g0·τ + (g1 − g0)·τ²/2T = left.
				const T = h / climbMps;
				const slope = (c.groundMps - a.groundMps) / T;
				const tau =
					Math.abs(slope) < 1e-12
						? left / a.groundMps
						: (-a.groundMps + Math.sqrt(Math.max(0, a.groundMps ** 2 + 2 * slope * left))) / slope;
				return finish(z + tau * climbMps, (a.airMps + c.airMps) / 2, z);
			}
			distance += step;
			const powers = [a, b, c].map(({ airMps }) => cruisePower(request.aircraft, airMps) + extra);
			wattSeconds += (h / climbMps / 6) * (powers[0] + 4 * powers[1] + powers[2]);
		}
	}
	return { distanceM: distance, timeS: (z1 - z0) / climbMps, energyWh: wattSeconds / S_PER_H, topM: z1 };

	function finish(topM: number, airMps: number, from: number): ClimbHome {
		const power = cruisePower(request.aircraft, airMps) + extra;
		return {
			distanceM,
			timeS: (topM - z0) / climbMps,
			energyWh: (wattSeconds + (power * (topM - from)) / climbMps) / S_PER_H,
			topM,
		};
	}
}

/** The `return` sequence from a place, in a wind (docs/methods/return.md#sequence). `nearRule` false leaves the minimum distance out. */
export function returnSequence(
	request: ReturnRequest,
	wind: WindField,
	from: { bearingDeg: number; distanceM: number; heightM: number },
	nearRule: boolean,
): Sequence {
	const { aircraft, settings } = request;
	const { place, t } = geometry(from.bearingDeg, from.distanceM);
	const legs: Leg[] = [];
	const path: PathPoint[] = [[place[0], place[1], from.heightM]];
	const add = (name: Leg['name'], timeS: number, energyWh: number, groundMps: number) => {
		if (timeS > 0) legs.push({ name, timeS, energyWh, groundMps });
	};
	const total = (stopped: WindStop | null, end: Plane, nearer = false): Sequence => ({
		legs,
		totalWh: stopped ? null : legs.reduce((sum, leg) => sum + leg.energyWh, 0),
		totalTimeS: stopped ? null : legs.reduce((sum, leg) => sum + leg.timeS, 0),
		stopped,
		path,
		end,
		nearer,
	});
	const tooStrong = (heightM: number) => Math.hypot(...wind(heightM)) >= aircraft.airspeedMaxMps;
	const descend = (z: number, at: Plane) => {
		add('descend', z / aircraft.descentMps, (aircraft.descentW * z) / aircraft.descentMps / S_PER_H, 0);
		path.push([at[0], at[1], 0]);
	};

	if (nearRule && from.distanceM < settings.minDistanceM) {
		if (tooStrong(from.heightM)) {
			path.push([place[0], place[1], 0]);
			return total('wind-exceeds-airspeed', place, true);
		}
		descend(from.heightM, place);
		return total(null, place, true);
	}
	const H = Math.max(from.heightM, settings.returnHeightM);
	const straight = () => {
		// The straight geometry, for clearances where the wind stops the flight.
		if (settings.climbFirst || from.distanceM === 0) path.push([place[0], place[1], H]);
		path.push([0, 0, H], [0, 0, 0]);
	};
	if (tooStrong(H)) {
		straight();
		return total('wind-exceeds-airspeed', place);
	}
	let z = from.heightM;
	let left = from.distanceM;
	if (z < H && (settings.climbFirst || left === 0)) {
		if (settings.climbFirst) {
			add('climb', (H - z) / aircraft.climbMps, (aircraft.climbW * (H - z)) / aircraft.climbMps / S_PER_H, 0);
			z = H;
			path.push([place[0], place[1], z]);
		}
	} else if (z < H) {
		const climb = climbHome(request, wind, t, z, H, left);
		if (typeof climb === 'string') {
			straight();
			return total(climb, place);
		}
		add('climb-return', climb.timeS, climb.energyWh, climb.timeS > 0 ? climb.distanceM / climb.timeS : 0);
		left = Math.max(0, left - climb.distanceM);
		z = climb.topM;
		path.push([-t[0] * left, -t[1] * left, z]);
	}
	if (left > 1e-9) {
		const tri = triangle(aircraft, wind(z), t);
		if (typeof tri === 'string') {
			path.push([0, 0, z], [0, 0, 0]);
			return total(tri, place);
		}
		const timeS = left / tri.groundMps;
		add('cruise', timeS, (cruisePower(aircraft, tri.airMps) * timeS) / S_PER_H, tri.groundMps);
		path.push([0, 0, z]);
	}
	if (z > 0) descend(z, [0, 0]);
	return total(null, [0, 0]);
}
