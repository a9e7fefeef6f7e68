import type { Leg, ReturnRequest } from '../../schema/return';
import { STANDARD_GRAVITY_MPS2 } from '../earth/gravity';
import { DEG } from '../frames/angles';
import { geometry, returnSequence, type PathPoint } from './sequence';
import { meanWind, shear, type Plane, type WindStop } from './wind';

const S_PER_H = 3600;
const FALL_STEP_S = 0.02;
const DRIFT_STEPS = 200;

/** What happens on loss of link, whatever the action. */
export interface Plan {
	legs: Leg[];
	totalWh: number | null;
	totalTimeS: number | null;
	stopped: WindStop | null;
	path: PathPoint[];
	/** Touchdown as north, east from home; null where the wind stops it. */
	end: Plane | null;
	driftM: number;
	impactMps?: number;
	/** Where a hover that cannot hold its place is carried to, north and east from home. */
	carried?: Plane;
	nearer: boolean;
}

/**
 * How far the mean wind carries something that sinks from a height at a steady rate, metres (docs/methods/return.md#other-actions). One that flies
 * against it with `airspeedMps` is carried by what the wind has more than that.
 */
function sinkDrift(request: ReturnRequest, heightM: number, rateMps: number, airspeedMps = 0): number {
	const wind = (z: number) => Math.max(0, request.wind.speedMps * shear(request, z) - airspeedMps);
	const pieces = heightM > 1 ? [0, 1, heightM] : [0, heightM];
	let sum = 0;
	for (let p = 0; p + 1 < pieces.length; p++) {
		const h = (pieces[p + 1] - pieces[p]) / DRIFT_STEPS;
		for (let k = 0; k < DRIFT_STEPS; k++) {
			const z = pieces[p] + k * h;
			// Clamped below the kink, so that both pieces are smooth.
			sum += (h / 6) * (wind(z) + 4 * wind(z + h / 2) + wind(z + h));
		}
	}
	return sum / rateMps;
}

function landPlan(request: ReturnRequest): Plan {
	const { aircraft, position, wind } = request;
	const { place } = geometry(position.bearingDeg, position.distanceM);
	const z = position.heightM;
	const driftM = sinkDrift(request, z, aircraft.descentMps);
	const to = (wind.fromDeg + 180) * DEG;
	const end: Plane = [place[0] + driftM * Math.cos(to), place[1] + driftM * Math.sin(to)];
	const timeS = z / aircraft.descentMps;
	const energyWh = (aircraft.descentW * timeS) / S_PER_H;
	const path: PathPoint[] = Array.from({ length: 41 }, (_, k) => {
		const height = z * (1 - k / 40);
		const gone = driftM - sinkDrift(request, height, aircraft.descentMps);
		return [place[0] + gone * Math.cos(to), place[1] + gone * Math.sin(to), height];
	});
	return {
		legs: timeS > 0 ? [{ name: 'descend', timeS, energyWh, groundMps: driftM / timeS }] : [],
		totalWh: timeS > 0 ? energyWh : 0,
		totalTimeS: timeS,
		stopped: null,
		path,
		end,
		driftM,
		nearer: false,
	};
}

function hoverPlan(request: ReturnRequest, leftWh: number, reserveWh: number): Plan {
	const { aircraft, position } = request;
	const { place } = geometry(position.bearingDeg, position.distanceM);
	const path: PathPoint[] = [
		[place[0], place[1], position.heightM],
		[place[0], place[1], 0],
	];
	const downS = position.heightM / aircraft.descentMps;
	const downWh = (aircraft.descentW * downS) / S_PER_H;
	const hoverWh = Math.max(0, leftWh - reserveWh - downWh);
	const windMps = Math.hypot(...meanWind(request)(position.heightM));
	if (windMps >= aircraft.airspeedMaxMps) {
		// Nose into the wind at full speed, it goes backwards by the difference until the pack asks it down, and on the way down.
		const hoverS = (hoverWh * S_PER_H) / aircraft.hoverW;
		const gone =
			(windMps - aircraft.airspeedMaxMps) * hoverS +
			sinkDrift(request, position.heightM, aircraft.descentMps, aircraft.airspeedMaxMps);
		const to = (request.wind.fromDeg + 180) * DEG;
		return {
			legs: [],
			totalWh: null,
			totalTimeS: null,
			stopped: 'wind-exceeds-airspeed',
			path,
			end: null,
			driftM: 0,
			carried: [place[0] + gone * Math.cos(to), place[1] + gone * Math.sin(to)],
			nearer: false,
		};
	}
	const legs: Leg[] = [];
	if (hoverWh > 0)
		legs.push({ name: 'hover', timeS: (hoverWh * S_PER_H) / aircraft.hoverW, energyWh: hoverWh, groundMps: 0 });
	if (downS > 0) legs.push({ name: 'descend', timeS: downS, energyWh: downWh, groundMps: 0 });
	return {
		legs,
		totalWh: legs.reduce((sum, leg) => sum + leg.energyWh, 0),
		totalTimeS: legs.reduce((sum, leg) => sum + leg.timeS, 0),
		stopped: null,
		path,
		end: place,
		driftM: 0,
		nearer: false,
	};
}

/** What falls slower than this moves with the wind from the first metre on, m/s: its speed of the start is gone within half a metre. */
const DRIFTS_MPS = 2;
/** Its height is taken in so many steps. */
const SINK_STEPS = 500;

/** Something light that sinks at its terminal speed and drifts with the sheared wind. */
function driftPlan(request: ReturnRequest): { north: number; east: number; timeS: number; impactMps: number } {
	const { aircraft, position } = request;
	const wind = meanWind(request);
	const stepS = position.heightM / SINK_STEPS / aircraft.terminalMps;
	let [north, east] = [0, 0];
	for (let i = 0; i < SINK_STEPS; i++) {
		const [wn, we] = wind(position.heightM * (1 - (i + 0.5) / SINK_STEPS));
		north += wn * stepS;
		east += we * stepS;
	}
	const timeS = stepS * SINK_STEPS;
	return { north, east, timeS, impactMps: position.heightM > 0 ? Math.hypot(...wind(0), aircraft.terminalMps) : 0 };
}

/** A body falling with quadratic drag in the sheared wind: fourth-order Runge–Kutta to the ground. */
function ballistic(request: ReturnRequest): { north: number; east: number; timeS: number; impactMps: number } {
	const { aircraft, position } = request;
	const wind = meanWind(request);
	const course = (position.courseDeg ?? position.bearingDeg) * DEG;
	const g = STANDARD_GRAVITY_MPS2;
	const k = g / aircraft.terminalMps ** 2;
	// State: north, east, up, and their rates.
	let s = [
		0,
		0,
		position.heightM,
		position.groundSpeedMps * Math.cos(course),
		position.groundSpeedMps * Math.sin(course),
		0,
	];
	const rate = (x: number[]) => {
		const [wn, we] = wind(x[2]);
		const [a, b, c] = [x[3] - wn, x[4] - we, x[5]];
		const size = Math.sqrt(a * a + b * b + c * c);
		return [x[3], x[4], x[5], -k * size * a, -k * size * b, -g - k * size * c];
	};
	const step = (x: number[], h: number) => {
		const k1 = rate(x);
		const k2 = rate(x.map((v, i) => v + (h / 2) * k1[i]));
		const k3 = rate(x.map((v, i) => v + (h / 2) * k2[i]));
		const k4 = rate(x.map((v, i) => v + h * k3[i]));
		return x.map((v, i) => v + (h / 6) * (k1[i] + 2 * k2[i] + 2 * k3[i] + k4[i]));
	};
	let timeS = 0;
	while (s[2] > 0) {
		const [wn, we] = wind(s[2]);
		// Fast air brakes at once: a step never spans more than the time that it takes.
		let h = Math.min(FALL_STEP_S, 1 / (k * Math.hypot(s[3] - wn, s[4] - we, s[5]) || 1));
		let next = step(s, h);
		if (next[2] < 0) {
			// The last step ends on the ground: by regula falsi on its length.
			for (let tries = 0; tries < 30 && Math.abs(next[2]) > 1e-9; tries++) {
				h *= s[2] / (s[2] - next[2]);
				next = step(s, h);
			}
			next[2] = 0;
		}
		s = next;
		timeS += h;
	}
	const impactMps = position.heightM > 0 ? Math.hypot(s[3], s[4], s[5]) : 0;
	return { north: s[0], east: s[1], timeS, impactMps };
}

/** Motors cut: it falls where it is. */
function fallPlan(request: ReturnRequest): Plan {
	const { aircraft, position } = request;
	const { place } = geometry(position.bearingDeg, position.distanceM);
	const fall = aircraft.terminalMps < DRIFTS_MPS ? driftPlan : ballistic;
	const { north, east, timeS, impactMps } = fall(request);
	const driftM = Math.hypot(north, east);
	return {
		legs: timeS > 0 ? [{ name: 'fall', timeS, energyWh: 0, groundMps: driftM / timeS }] : [],
		totalWh: 0,
		totalTimeS: timeS,
		stopped: null,
		path: [],
		end: [place[0] + north, place[1] + east],
		driftM,
		impactMps,
		nearer: false,
	};
}

/** The plan of the action that is set (docs/methods/return.md#sequence and docs/methods/return.md#other-actions). */
export function planFor(request: ReturnRequest, leftWh: number, reserveWh: number): Plan {
	switch (request.settings.action) {
		case 'land':
			return landPlan(request);
		case 'hover':
			return hoverPlan(request, leftWh, reserveWh);
		case 'cut-motors':
			return fallPlan(request);
		case 'return': {
			const sequence = returnSequence(request, meanWind(request), request.position, true);
			return { ...sequence, end: sequence.stopped ? null : sequence.end, driftM: 0 };
		}
	}
}
