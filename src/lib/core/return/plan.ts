import type { Reason } from '../../schema/common';
import type { Leg, ReturnAnswer, ReturnRequest } from '../../schema/return';
import { STANDARD_GRAVITY_MPS2 } from '../earth/gravity';
import { DEG, wrap360 } from '../frames/angles';
import { judge, reason } from '../frames/reasons';
import { returnLimits as limits } from './limits';
import { geometry, returnSequence, type PathPoint } from './sequence';
import { gustWind, meanWind, shear, type Plane, type WindStop } from './wind';

const S_PER_H = 3600;
/** Slack on energies, Wh: the hover plan lands with exactly the reserve. */
const SLACK_WH = 1e-6;
const REACH_TOLERANCE_M = 1e-3;
const MOST_REACH_M = 1e6;
const FALL_STEP_S = 0.005;
const DRIFT_STEPS = 200;

interface Plan {
	legs: Leg[];
	totalWh: number | null;
	totalTimeS: number | null;
	stopped: WindStop | null;
	path: PathPoint[];
	/** Touchdown as north, east from home; null where the wind stops it. */
	end: Plane | null;
	driftM: number;
	impactMps?: number;
	nearer: boolean;
}

/** How far the mean wind carries something that sinks from a height at a steady rate, metres (METHODS-RETURN 1.8). */
function sinkDrift(request: ReturnRequest, heightM: number, rateMps: number): number {
	const wind = (z: number) => request.wind.speedMps * shear(request, z);
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
	if (Math.hypot(...meanWind(request)(position.heightM)) >= aircraft.airspeedMaxMps)
		return {
			legs: [],
			totalWh: null,
			totalTimeS: null,
			stopped: 'wind-exceeds-airspeed',
			path,
			end: null,
			driftM: 0,
			nearer: false,
		};
	const downS = position.heightM / aircraft.descentMps;
	const downWh = (aircraft.descentW * downS) / S_PER_H;
	const hoverWh = Math.max(0, leftWh - reserveWh - downWh);
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

/** A body falling with quadratic drag in the sheared wind: fourth-order Runge–Kutta to the ground. */
function fallPlan(request: ReturnRequest): Plan {
	const { aircraft, position } = request;
	const { place } = geometry(position.bearingDeg, position.distanceM);
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
		let h = FALL_STEP_S;
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
	const driftM = Math.hypot(s[0], s[1]);
	return {
		legs: timeS > 0 ? [{ name: 'fall', timeS, energyWh: 0, groundMps: driftM / timeS }] : [],
		totalWh: 0,
		totalTimeS: timeS,
		stopped: null,
		path: [],
		end: [place[0] + s[0], place[1] + s[1]],
		driftM,
		impactMps: position.heightM > 0 ? Math.hypot(s[3], s[4], s[5]) : 0,
		nearer: false,
	};
}

/** Least height above any obstacle within the corridor, by exact geometry of straight pieces (METHODS-RETURN 1.7). */
function clearanceOf(request: ReturnRequest, path: readonly PathPoint[]): ReturnAnswer['clearance'] {
	let minM: number | null = null;
	let obstacle: number | undefined;
	request.obstacles.forEach((o, index) => {
		const { place: centre } = geometry(o.bearingDeg, o.distanceM);
		const radius = o.widthM / 2 + limits.halfCorridor.value;
		for (let k = 0; k + 1 < path.length; k++) {
			const lowest = lowestWithin(path[k], path[k + 1], centre, radius);
			if (lowest === null) continue;
			const over = lowest - o.heightM;
			if (minM === null || over < minM) {
				minM = over;
				obstacle = index;
			}
		}
	});
	return obstacle === undefined ? { minM } : { minM, obstacle };
}

/** Least height of a straight piece where its horizontal distance to a centre is within a radius; null where never. */
function lowestWithin(a: PathPoint, b: PathPoint, centre: Plane, radius: number): number | null {
	const d: Plane = [b[0] - a[0], b[1] - a[1]];
	const f: Plane = [a[0] - centre[0], a[1] - centre[1]];
	const aa = d[0] ** 2 + d[1] ** 2;
	const cc = f[0] ** 2 + f[1] ** 2 - radius ** 2;
	if (aa < 1e-18) return cc <= 1e-9 ? Math.min(a[2], b[2]) : null;
	const bb = f[0] * d[0] + f[1] * d[1];
	const root = bb * bb - aa * cc;
	if (root < 0) return null;
	const from = Math.max(0, (-bb - Math.sqrt(root)) / aa);
	const to = Math.min(1, (-bb + Math.sqrt(root)) / aa);
	if (from > to) return null;
	const at = (s: number) => a[2] + s * (b[2] - a[2]);
	return Math.min(at(from), at(to));
}

/** The furthest distance on each bearing from which the return uses just what is left above the reserve (1.6). */
function reachOf(request: ReturnRequest, budgetWh: number): ReturnAnswer['reach'] {
	const wind = meanWind(request);
	const { heightM } = request.position;
	const cost = (bearingDeg: number, distanceM: number) =>
		returnSequence(request, wind, { bearingDeg, distanceM, heightM }, false).totalWh ?? Infinity;
	return Array.from({ length: 360 }, (_, bearingDeg) => {
		if (!(cost(bearingDeg, 0) < budgetWh)) return { bearingDeg, maxDistanceM: 0 };
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

const STOP_WORDS: Record<WindStop, string> = {
	'wind-exceeds-airspeed': 'The wind at its height is stronger than the aircraft flies: it cannot hold a place.',
	'crosswind-too-strong': 'The crosswind is stronger than its airspeed: it cannot keep the line home.',
	'headwind-too-strong': 'Against this wind it would stand still or drift away.',
};

/**
 * Plans the way home from a place: legs with times and energy, what it lands with, reach all round, clearance over
 * obstacles, touchdown, and when to turn back at the latest. Angles degrees from home, heights above home, METHODS-RETURN.
 */
export function planReturn(request: ReturnRequest): ReturnAnswer {
	const { aircraft, pack, settings, position, usedWh } = request;
	const leftWh = pack.usableWh - usedWh;
	const reserveWh = (pack.usableWh * pack.reservePct) / 100;
	const { place, t } = geometry(position.bearingDeg, position.distanceM);
	const plan: Plan = planFor(request, leftWh, reserveWh);
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
		reach: reachOf(request, leftWh - reserveWh),
		clearance,
		touchdown: end
			? {
					bearingDeg: away > 1e-9 ? wrap360(Math.atan2(end[1], end[0]) / DEG) : 0,
					distanceM: away,
					driftM: plan.driftM,
					...(plan.impactMps === undefined ? {} : { impactMps: plan.impactMps }),
				}
			: null,
		turnBackAtS,
		...judge(reasonsOf(request, plan, { leftWh, reserveWh, landWithWh, clearance, away, place, t })),
	};
}

function planFor(request: ReturnRequest, leftWh: number, reserveWh: number): Plan {
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

interface Facts {
	leftWh: number;
	reserveWh: number;
	landWithWh: number | null;
	clearance: ReturnAnswer['clearance'];
	away: number;
	place: Plane;
	t: Plane;
}

function reasonsOf(request: ReturnRequest, plan: Plan, f: Facts): Reason[] {
	const { aircraft, pack, settings, position, wind } = request;
	const { action } = settings;
	const out: Reason[] = [];
	const wh = (value: number) => ({ value, unit: 'Wh', source: 'Your pack and reserve' });
	if (plan.stopped)
		out.push(
			reason(
				'fail',
				plan.stopped,
				STOP_WORDS[plan.stopped],
				wind.speedMps,
				undefined,
				'Raise the return speed, stay upwind and near, or shorten the day.',
			),
		);
	if (f.landWithWh !== null) {
		if (f.landWithWh < -SLACK_WH)
			out.push(
				reason(
					'fail',
					'pack-empty-before-home',
					'The pack is empty before it is down.',
					f.landWithWh,
					wh(0),
					'Turn back earlier.',
				),
			);
		else if (f.landWithWh < f.reserveWh - SLACK_WH)
			out.push(
				reason(
					'fail',
					'reserve-violated',
					'It lands on its reserve.',
					f.landWithWh,
					wh(f.reserveWh),
					'Turn back earlier.',
				),
			);
	}
	const { minM } = f.clearance;
	if (minM !== null && minM < limits.clearanceFail.value)
		out.push(
			reason(
				'fail',
				'obstacle-in-path',
				'Something stands in the way.',
				minM,
				limits.clearanceFail,
				'Raise the return height or move home.',
			),
		);
	if (action === 'cut-motors' && position.heightM > 0)
		out.push(
			reason(
				'fail',
				'motors-cut',
				'On loss of link the motors stop and it falls.',
				plan.impactMps,
				undefined,
				'Set another action where the aircraft can come home.',
			),
		);
	const energyMatters = action === 'return' || action === 'land';
	if (energyMatters && f.landWithWh !== null && f.landWithWh >= f.reserveWh - SLACK_WH) {
		const margin = f.reserveWh + limits.thinMargin.value * pack.usableWh;
		if (f.landWithWh < margin)
			out.push(
				reason(
					'caution',
					'margin-thin',
					'Little is left above the reserve.',
					f.landWithWh,
					wh(margin),
					'Turn back earlier.',
				),
			);
	}
	if (minM !== null && minM >= limits.clearanceFail.value && minM < limits.clearanceCaution.value)
		out.push(
			reason(
				'caution',
				'obstacle-close',
				'It passes close over something.',
				minM,
				limits.clearanceCaution,
				'Raise the return height.',
			),
		);
	if (action === 'return') out.push(...gustReasons(request, plan, f));
	if (action === 'hover' && wind.gustMps * shear(request, position.heightM) >= aircraft.airspeedMaxMps)
		out.push(
			reason(
				'caution',
				'gust-exceeds-airspeed',
				'In a gust it cannot hold its place.',
				wind.gustMps,
				undefined,
				'Come down, or choose another action.',
			),
		);
	if ((action === 'land' || action === 'hover') && !plan.stopped && f.away > settings.minDistanceM)
		out.push(
			reason(
				'caution',
				'lands-away-from-home',
				'It lands away from home.',
				f.away,
				{ value: settings.minDistanceM, unit: 'm', source: 'Minimum distance set in the aircraft' },
				'Look at what is below it.',
			),
		);
	if (plan.nearer)
		out.push(
			reason(
				'pass',
				'nearer-than-minimum',
				'Nearer than the minimum distance: it lands where it is.',
				position.distanceM,
				{ value: settings.minDistanceM, unit: 'm', source: 'Minimum distance set in the aircraft' },
			),
		);
	if (!out.some(({ level }) => level === 'fail' || level === 'caution') && f.landWithWh !== null)
		out.unshift(reason('pass', 'returns-with-reserve', 'It is down with its reserve.', f.landWithWh, wh(f.reserveWh)));
	return out;
}

function gustReasons(request: ReturnRequest, plan: Plan, f: Facts): Reason[] {
	const { aircraft, settings, position, wind } = request;
	if (plan.stopped) return [];
	const H = plan.nearer ? position.heightM : Math.max(position.heightM, settings.returnHeightM);
	const gust = Math.max(wind.gustMps, wind.speedMps);
	const next = 'Stay upwind and near, or raise the return speed.';
	const inGust = returnSequence(request, gustWind(request, f.t), position, true);
	if (gust * shear(request, H) >= aircraft.airspeedMaxMps || inGust.stopped)
		return [
			reason('caution', 'gust-stops-return', 'In a gust it would stand still or drift away.', gust, undefined, next),
		];
	if (
		inGust.totalWh !== null &&
		f.landWithWh !== null &&
		f.landWithWh >= f.reserveWh - SLACK_WH &&
		f.leftWh - inGust.totalWh < f.reserveWh - SLACK_WH
	)
		return [
			reason(
				'caution',
				'gust-breaks-reserve',
				'Against gusts all the way it would land on its reserve.',
				f.leftWh - inGust.totalWh,
				{ value: f.reserveWh, unit: 'Wh', source: 'Your pack and reserve' },
				next,
			),
		];
	return [];
}
