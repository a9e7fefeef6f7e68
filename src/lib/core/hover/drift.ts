import { Matrix, solve } from 'ml-matrix';
import type { HoverRequest } from '../../schema/hover';
import { DEG, unwrapDeg } from '../frames/angles';
import { interpolate } from '../math/interpolate';
import { resample } from './track';

/** A wander without position hold, split into what the air did and what a trim did; probabilities 0..1. */
export interface DriftCause {
	wind: number;
	trim: number;
	why: string;
}

const TURN_ENOUGH_DEG = 70;
const DRAG_RATES = [0.2, 0.28, 0.38];
const DRIFTING_MPS = 0.25;
const UNTOLD = 0.5;

/** Heading in radians, unwrapped, at times `t`; null without a heading. */
export function headingAt(t: Float64Array, heading: HoverRequest['heading']): Float64Array | null {
	if (!heading || heading.t.length === 0) return null;
	return interpolate(
		heading.t,
		unwrapDeg(heading.deg).map((deg) => deg * DEG),
		t,
	);
}

/** Wind or level trim behind a drift (docs/methods/hover.md#drift-and-jumps). `v` is the drift, `w` the wind as vectors they go to, m/s. */
export function splitDrift(
	request: HoverRequest,
	t: Float64Array,
	north: Float64Array,
	east: Float64Array,
	v: [number, number],
): DriftCause {
	const speed = Math.hypot(...v);
	const psi = headingAt(t, request.heading);
	if (psi) {
		const turned = (Math.max(...extent(psi)) - Math.min(...extent(psi))) / DEG;
		if (turned > TURN_ENOUGH_DEG) return byTurning(t, north, east, psi);
	}
	const { wind } = request;
	if (wind) {
		const to = (wind.fromDeg + 180) * DEG;
		const w = [wind.speedMps * Math.cos(to), wind.speedMps * Math.sin(to)];
		const rest = Math.hypot(v[0] - w[0], v[1] - w[1]);
		const sigma = 0.15 + 0.12 * wind.speedMps;
		const trim = logistic((rest - 3 * sigma) / sigma);
		const blown = wind.speedMps > 0.5 && speed > DRIFTING_MPS ? 1 - trim : 0.05;
		return {
			wind: blown,
			trim: speed > DRIFTING_MPS ? trim : Math.min(trim, 0.1),
			why: `${rest.toFixed(2)} m/s remain after the wind is taken out, ±${sigma.toFixed(2)}`,
		};
	}
	const drifting = logistic((speed - DRIFTING_MPS) / 0.1);
	return { wind: UNTOLD * drifting, trim: UNTOLD * drifting, why: 'neither the wind nor a turned heading tells which' };
}

const extent = (values: Float64Array) => [
	values.reduce((a, b) => Math.min(a, b)),
	values.reduce((a, b) => Math.max(a, b)),
];
const logistic = (x: number) => 1 / (1 + Math.exp(-x));

/** With the heading turning, a trim turns with it and the wind does not: least squares over three drag rates. */
function byTurning(t: Float64Array, north: Float64Array, east: Float64Array, psi: Float64Array): DriftCause {
	const rate = 4;
	const n = resample(t, north, rate);
	const e = resample(t, east, rate);
	const heading = resample(t, psi, rate);
	const count = n.length;
	const turnRate = (heading[count - 1] - heading[0]) / ((count - 1) / rate);
	let best = { cost: Infinity, wind: 0, trim: 0 };
	for (const k of DRAG_RATES) {
		// Integral of e^{iψ}/(1 + i·rate/k); unknowns: z0, V, q (each complex).
		const lag = turnRate / k;
		const size = 1 + lag * lag;
		let [gr, gi] = [0, 0];
		const rows: number[][] = [];
		const values: number[] = [];
		for (let i = 0; i < count; i++) {
			const [c, s] = [Math.cos(heading[i]), Math.sin(heading[i])];
			if (i > 0) {
				gr += ((c + s * lag) / size) * (1 / rate);
				gi += ((s - c * lag) / size) * (1 / rate);
			}
			const at = i / rate;
			rows.push([1, 0, at, 0, gr, -gi], [0, 1, 0, at, gi, gr]);
			values.push(n[i], e[i]);
		}
		const a = new Matrix(rows);
		const x = solve(
			a.transpose().mmul(a).add(Matrix.eye(6).mul(1e-6)),
			a.transpose().mmul(Matrix.columnVector(values)),
		);
		const rest = a
			.mmul(x)
			.getColumn(0)
			.reduce((sum, fitted, i) => sum + (fitted - values[i]) ** 2, 0);
		if (rest < best.cost)
			best = { cost: rest, wind: Math.hypot(x.get(2, 0), x.get(3, 0)), trim: Math.hypot(x.get(4, 0), x.get(5, 0)) };
	}
	return {
		wind: logistic((best.wind - 0.4) / 0.1),
		trim: logistic((best.trim - 0.3) / 0.08),
		why: `the part that stays is ${best.wind.toFixed(2)} m/s, the part that turns with the nose ${best.trim.toFixed(2)} m/s`,
	};
}
