import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import type { Outcome } from '../../schema/response';
import type { Hypothesis } from './hypotheses';
import type { Motor } from './layouts';

export const TESTS = ['rollRight', 'pitchForward', 'yawRight', 'throttle'] as const;
export type Test = (typeof TESTS)[number];

export type Distribution = Partial<Record<Outcome, number>>;

/** Thrust of a propeller whose blunt edge does not run first, against a right one: between 0.5 and 0.65. */
const BACKWARD_THRUST = 0.55;
const SEEN_RESPONSE = 0.3;
const TIE = 0.05;
const SHARE = 0.3;
const GROWS_BELOW = 0.05;
const FAST = 0.3;

/** Thrust of each motor against a right one (docs/methods/response.md#propellers). */
export function thrustFactors(h: Hypothesis): number[] {
	return h.sigma.map((sigma, k) => {
		const sign = sigma * h.hand[k];
		if (sign === 0) return 0;
		const edgeFirst = sign > 0 !== h.over[k];
		return sign * (edgeFirst ? 1 : BACKWARD_THRUST);
	});
}

/** A: body response (roll, pitch, yaw) to each command; the identity for a right aircraft. */
export function responseMatrix(h: Hypothesis, motors: readonly Motor[]): number[][] {
	const most = (values: number[]) => Math.max(...values.map(Math.abs));
	const [my, mx] = [most(motors.map(({ y }) => y)), most(motors.map(({ x }) => x))];
	const mix = [motors.map(({ y }) => -y / my), motors.map(({ x }) => -x / mx), motors.map(({ spin }) => -spin)];
	const l0 = motors.reduce((sum, { y }, k) => sum - y * mix[0][k], 0);
	const m0 = motors.reduce((sum, { x }, k) => sum - x * mix[1][k], 0);
	const gamma = thrustFactors(h);
	const row = (arm: (k: number) => number, size: number) =>
		mix.map((u) => h.order.reduce((sum, driven, i) => sum + arm(driven) * u[i], 0) / size);
	return [
		row((k) => -motors[k].y * gamma[k], l0),
		row((k) => -motors[k].x * gamma[k], m0),
		row((k) => -motors[k].spin * h.sigma[k], motors.length),
	];
}

export interface Growth {
	/** Per axis: part of a growing motion. */
	unstable: boolean[];
	/** Per axis: part of one that grows fast. */
	fast: boolean[];
	/** Per axis: its fast growing motion turns round rather than running away. */
	turns: boolean[];
}

/** Which axes run away once the loop is alive: eigenvalues of A·R (docs/methods/response.md#loop). */
export function growthOf(a: number[][], board: number[][]): Growth {
	const eigen = new EigenvalueDecomposition(new Matrix(a).mmul(new Matrix(board)));
	const { realEigenvalues: re, imaginaryEigenvalues: im, eigenvectorMatrix: v } = eigen;
	const out: Growth = { unstable: [false, false, false], fast: [false, false, false], turns: [false, false, false] };
	for (let k = 0; k < 3; k++) {
		if (re[k] >= GROWS_BELOW) continue;
		// A complex pair's vector stands as real and imaginary part in two neighbouring columns.
		const paired = Math.abs(im[k]) > 1e-12;
		const first = paired && im[k] < 0 ? k - 1 : k;
		const parts = [0, 1, 2].map((i) =>
			paired ? Math.hypot(v.get(i, first), v.get(i, first + 1)) : Math.abs(v.get(i, k)),
		);
		const size = Math.hypot(...parts);
		const fast = re[k] <= -FAST || Math.abs(im[k]) > FAST;
		parts.forEach((part, axis) => {
			if (!(part / size > SHARE)) return;
			out.unstable[axis] = true;
			if (fast) out.fast[axis] = true;
			if (fast && Math.abs(im[k]) > FAST) out.turns[axis] = true;
		});
	}
	return out;
}

const add = (to: Distribution, outcome: Outcome, p: number) => {
	if (p > 0) to[outcome] = (to[outcome] ?? 0) + p;
};
const scaled = (d: Distribution, k: number): Distribution =>
	Object.fromEntries(Object.entries(d).map(([outcome, p]) => [outcome, p * k]));

const SELF_RIGHTING: Record<Test, Distribution> = {
	rollRight: { squats: 0.6, none: 0.2, 'as-commanded': 0.2 },
	pitchForward: { squats: 0.6, none: 0.2, 'as-commanded': 0.2 },
	yawRight: { none: 0.4, squats: 0.3, spins: 0.3 },
	throttle: { none: 0.9, squats: 0.1 },
};

function nudge(axis: number, m: number[], meanGamma: number, growth: Growth): Distribution {
	const base: Distribution = {};
	const most = Math.max(...m.map(Math.abs));
	if (most < SEEN_RESPONSE) base.none = 1;
	else {
		const largest = [0, 1, 2].filter((k) => Math.abs(m[k]) >= most - TIE);
		for (const k of largest) {
			const outcome: Outcome =
				k === axis ? (m[k] > 0 ? 'as-commanded' : 'opposite') : k === 2 ? 'spins' : 'swapped-axis';
			add(base, outcome, 1 / largest.length);
		}
	}
	let out = base;
	if (meanGamma < -0.1) {
		out = scaled(base, 0.6);
		add(out, 'squats', 0.25);
		add(out, 'none', 0.15);
	}
	const moved = [0, 1, 2].filter((k) => Math.abs(m[k]) >= SEEN_RESPONSE);
	if (moved.some((k) => growth.fast[k])) {
		out = scaled(out, 0.65);
		const yawAlone = moved.length === 1 && moved[0] === 2;
		add(out, moved.some((k) => growth.turns[k]) ? 'swapped-axis' : yawAlone ? 'spins' : 'flips', 0.35);
	}
	return out;
}

function throttle(h: Hypothesis, motors: readonly Motor[], gamma: number[], growth: Growth): Distribution {
	const channel = h.channels.findIndex((row) => row[3] !== 0);
	if (channel === 2) return { spins: 1 };
	if (channel < 2) return { 'swapped-axis': 1 };
	const n = motors.length;
	const mean = gamma.reduce((a, b) => a + b, 0) / n;
	if (mean < -0.1) return { squats: 0.85, none: 0.15 };
	const staged = (value: number) => (value >= 0.3 ? 0.85 : value >= 0.15 ? 0.425 : 0);
	const lift = Math.abs(gamma.reduce((a, b) => a + b, 0));
	const lean = Math.hypot(
		gamma.reduce((sum, g, k) => sum + g * motors[k].x, 0),
		gamma.reduce((sum, g, k) => sum + g * motors[k].y, 0),
	);
	const overturned = h.board[2][2] < 0;
	const tilts = growth.unstable[0] || growth.unstable[1];
	const flips = Math.max(staged(lift > 0 ? lean / lift : Infinity), tilts ? (overturned ? 0.9 : 0.75) : 0);
	const twist = Math.abs(h.sigma.reduce((sum, sigma, k) => sum + motors[k].spin * sigma, 0)) / n;
	const spins = Math.max(staged(twist), growth.unstable[2] ? 0.75 : 0);
	const out: Distribution = {};
	add(out, 'flips', flips);
	add(out, 'spins', (1 - flips) * spins);
	add(out, mean < SEEN_RESPONSE ? 'none' : 'as-commanded', (1 - flips) * (1 - spins));
	return out;
}

/** What a pilot would see of a hypothesis in each of the four tests, before errors of observation (docs/methods/response.md#outcomes). */
export function predict(h: Hypothesis, motors: readonly Motor[]): Record<Test, Distribution> {
	if (h.selfRighting) return SELF_RIGHTING;
	const a = responseMatrix(h, motors);
	const growth = growthOf(a, h.board);
	const gamma = thrustFactors(h);
	const mean = gamma.reduce((sum, g) => sum + g, 0) / motors.length;
	const stick = (j: number) => {
		const m = a.map((row) => row.reduce((sum, value, k) => sum + value * h.channels[k][j], 0));
		return nudge(j, m, mean, growth);
	};
	return {
		rollRight: stick(0),
		pitchForward: stick(1),
		yawRight: stick(2),
		throttle: throttle(h, motors, gamma, growth),
	};
}

const ERROR_RATE = 0.1;
const ERROR: Record<Exclude<Outcome, 'not-tried'>, number> = {
	'as-commanded': 0.1,
	opposite: 0.1,
	'swapped-axis': 0.1,
	none: 0.4,
	squats: 0.1,
	flips: 0.1,
	spins: 0.1,
};
export const OUTCOMES = Object.keys(ERROR) as Exclude<Outcome, 'not-tried'>[];

/** Probability of seeing an outcome, errors of observation included; 1 for a test that was not tried. */
export const likelihood = (predicted: Distribution, outcome: Outcome): number =>
	outcome === 'not-tried' ? 1 : (1 - ERROR_RATE) * (predicted[outcome] ?? 0) + ERROR_RATE * ERROR[outcome];
