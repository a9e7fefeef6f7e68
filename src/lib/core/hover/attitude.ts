import type { HoverRequest } from '../../schema/hover';
import { STANDARD_GRAVITY_MPS2 } from '../earth/gravity';
import { DEG } from '../frames/angles';
import { interpolate } from '../math/interpolate';
import { headingAt } from './drift';

export interface AttitudeEstimate {
	/** Reported − true heading, degrees. */
	errorDeg: number;
	sigmaDeg: number;
}

const RATE_HZ = 5;
const SUB = 4;
const DRAG = 0.28;
/** Rates (1/s) and driving noises of gust and fix wander, and white fix noise: the middle of docs/methods/hover.md#loop and docs/methods/hover.md#priors. */
const GUST = { rate: 0.2, q: 0.02 };
const SLOW = { rate: 0.02, q: 0.015 };
const MEDIUM = { rate: 0.7, q: 0.008 };
const WHITE = 2e-4;
const BIAS_SIGMA = 0.5;
/** What the model leaves out; in a big circle the formal sigma alone is far too small (docs/methods/hover.md#attitude). */
const MODEL_ERROR_DEG = 4;
const SETTLE = 12;
const STATES = 6;
/** A lag between the two clocks shows as this many degrees per rad/s of orbit; more than this is not compared. */
const MOST_TILT_DEG = 60;

/**
 * Compass error from roll and pitch beside the track: what the tilt asked for, turned by the reported heading, against what
 * the aircraft did. One Kalman filter (position, speed, gust, slow and medium fix wander, bias) whitens both;
 * e^{−iψ} = −Σ v0·conj(v1)/Σ|v1|² (docs/methods/hover.md#attitude). Null without heading or attitude over the hover.
 */
export function compassErrorFromTilt(
	t: Float64Array,
	north: Float64Array,
	east: Float64Array,
	heading: HoverRequest['heading'],
	attitude: HoverRequest['attitude'],
): AttitudeEstimate | null {
	if (!heading || !attitude || attitude.t.length < 4) return null;
	const from = Math.max(t[0], attitude.t[0], heading.t[0]);
	const to = Math.min(t[t.length - 1], attitude.t[attitude.t.length - 1], heading.t[heading.t.length - 1]);
	const n = Math.floor((to - from) * RATE_HZ);
	if (n < 8 * RATE_HZ) return null;
	const dt = 1 / RATE_HZ;
	const fine = Float64Array.from({ length: n * SUB }, (_, k) => from + (k * dt) / SUB);
	const roll = interpolate(attitude.t, attitude.rollDeg, fine);
	const pitch = interpolate(attitude.t, attitude.pitchDeg, fine);
	const psi = headingAt(fine, heading);
	if (!psi || roll.some((v, i) => Math.hypot(v, pitch[i]) > MOST_TILT_DEG)) return null;
	const g = STANDARD_GRAVITY_MPS2;
	const uRe = new Float64Array(n);
	const uIm = new Float64Array(n);
	for (let k = 0; k < fine.length; k++) {
		const forward = -g * Math.tan(pitch[k] * DEG);
		const right = g * Math.tan(roll[k] * DEG);
		const i = Math.floor(k / SUB);
		uRe[i] += (forward * Math.cos(psi[k]) - right * Math.sin(psi[k])) / SUB;
		uIm[i] += (forward * Math.sin(psi[k]) + right * Math.cos(psi[k])) / SUB;
	}
	const grid = Float64Array.from({ length: n }, (_, k) => from + k * dt);
	const z = [interpolate(t, north, grid), interpolate(t, east, grid)];
	const [z0, z1] = [z[0][0], z[1][0]];
	const zero = new Float64Array(n);
	const gains = kalmanGains(n, dt);
	const v0 = [
		innovations(
			z[0].map((v) => v - z0),
			zero,
			gains,
			dt,
		),
		innovations(
			z[1].map((v) => v - z1),
			zero,
			gains,
			dt,
		),
	];
	const v1 = [innovations(zero, uRe, gains, dt), innovations(zero, uIm, gains, dt)];
	let [re, im, size, power] = [0, 0, 0, 0];
	for (let k = SETTLE; k < n; k++) {
		const [a, b, c, d] = [v0[0][k], v0[1][k], v1[0][k], v1[1][k]];
		re -= a * c + b * d;
		im -= b * c - a * d;
		size += c * c + d * d;
		power += a * a + b * b;
	}
	if (!(size > 0)) return null;
	[re, im] = [re / size, im / size];
	const gain = Math.hypot(re, im);
	if (!(gain > 1e-3)) return null;
	const rest = Math.max(0, power - gain * gain * size) / Math.max(1, n - SETTLE);
	const formal = Math.sqrt(rest / (2 * size)) / gain / DEG;
	return { errorDeg: -Math.atan2(im, re) / DEG, sigmaDeg: Math.min(90, Math.hypot(formal, MODEL_ERROR_DEG)) };
}

interface Gain {
	k: Float64Array;
	scale: number;
}

const step = (dt: number) => {
	const keep = (rate: number) => Math.exp(-rate * dt);
	return { v: keep(DRAG), gust: keep(GUST.rate), slow: keep(SLOW.rate), medium: keep(MEDIUM.rate) };
};

/** One step of the mean: position, speed, gust, slow wander, medium wander, bias. */
function predict(x: Float64Array, u: number, dt: number, e: ReturnType<typeof step>): void {
	const a = u + x[2] + x[5];
	x[0] += dt * x[1] + (dt * dt * a) / 2;
	x[1] = e.v * x[1] + dt * a;
	x[2] *= e.gust;
	x[3] *= e.slow;
	x[4] *= e.medium;
}

/** Gains of the filter and the scale that whitens each innovation; they do not depend on the data. */
function kalmanGains(n: number, dt: number): Gain[] {
	const e = step(dt);
	const f = Array.from({ length: STATES }, (_, c) => {
		const unit = new Float64Array(STATES);
		unit[c] = 1;
		predict(unit, 0, dt, e);
		return unit;
	});
	const driven = (q: number, rate: number) => (q * (1 - Math.exp(-2 * rate * dt))) / (2 * rate);
	const q = [0, 0, driven(GUST.q, GUST.rate), driven(SLOW.q, SLOW.rate), driven(MEDIUM.q, MEDIUM.rate), 0];
	const r = WHITE / dt;
	const h = [1, 0, 0, 1, 1, 0];
	let p = [1, 1, GUST.q / (2 * GUST.rate), SLOW.q / (2 * SLOW.rate), MEDIUM.q / (2 * MEDIUM.rate), BIAS_SIGMA ** 2].map(
		(v, i) => {
			const row = new Float64Array(STATES);
			row[i] = v;
			return row;
		},
	);
	return Array.from({ length: n }, () => {
		const ph = p.map((row) => row.reduce((sum, v, c) => sum + v * h[c], 0));
		const s = ph.reduce((sum, v, i) => sum + v * h[i], 0) + r;
		const k = Float64Array.from(ph, (v) => v / s);
		const after = p.map((row, i) => row.map((v, c) => v - k[i] * ph[c]));
		p = Array.from({ length: STATES }, (_, a) =>
			Float64Array.from({ length: STATES }, (__, b) => {
				let sum = a === b ? q[a] : 0;
				for (let c = 0; c < STATES; c++) for (let d = 0; d < STATES; d++) sum += f[c][a] * after[c][d] * f[d][b];
				return sum;
			}),
		);
		return { k, scale: 1 / Math.sqrt(s) };
	});
}

function innovations(z: Float64Array, u: Float64Array, gains: readonly Gain[], dt: number): Float64Array {
	const e = step(dt);
	const x = new Float64Array(STATES);
	return z.map((value, i) => {
		const { k, scale } = gains[i];
		const miss = value - x[0] - x[3] - x[4];
		for (let c = 0; c < STATES; c++) x[c] += k[c] * miss;
		predict(x, u[i], dt, e);
		return miss * scale;
	});
}
