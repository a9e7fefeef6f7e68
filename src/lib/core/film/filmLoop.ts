import { Matrix } from 'ml-matrix';
import { isBiting, loopPrior, posteriorOf, type CompassErrorEstimate } from '../hover/compassError';
import type { LoopFit } from '../hover/loopFit';
import { flownSpectrum, LOOP_PARAMETERS } from '../hover/loopModel';
import { fisherScoring } from '../math/fisher';
import { median } from '../math/statistics';

/** Cross spectra of a hover filmed: forward (d) and right (x), at positive frequencies, m²/Hz. */
export interface FilmSpectra {
	hz: Float64Array;
	dd: Float64Array;
	xx: Float64Array;
	/** Real and imaginary part of d times conj x. */
	re: Float64Array;
	im: Float64Array;
}

const TAPERS = 4;
const LOW_HZ = 0.035;
const HIGH_HZ = 0.9;
const WEIGHT = 0.8;
const LONGEST_STEP = 0.7;
const NUDGE = 1e-4;
const SETTLED = 1e-3;
const FIRST_POWER = 7;
const WHITE = 10;
/** Two parameters more than the loop has: how far the distance noise is other than thought, and what aspect does to the sizes. */
const [NU, ASPECT, COUNT] = [LOOP_PARAMETERS, LOOP_PARAMETERS + 1, LOOP_PARAMETERS + 2];
const SLOW_POLE = 1 / 3;

/** Multitaper cross spectra of a detrended film track sampled evenly, over the band in which the hold loop lives. */
export function filmSpectra(d: Float64Array, x: Float64Array, rateHz: number): FilmSpectra {
	const n = d.length;
	const lowest = Math.max(LOW_HZ, 2.5 / (n / rateHz));
	const bins: number[] = [];
	for (let m = 1; m <= (HIGH_HZ * n) / rateHz; m++) if ((m * rateHz) / n >= lowest) bins.push(m);
	const out = { dd: 0, xx: 0, re: 0, im: 0 };
	const columns = Object.fromEntries(Object.keys(out).map((k) => [k, new Float64Array(bins.length)])) as Record<
		keyof typeof out,
		Float64Array
	>;
	bins.forEach((m, b) => {
		for (let j = 1; j <= TAPERS; j++) {
			let [dr, di, xr, xi] = [0, 0, 0, 0];
			for (let k = 0; k < n; k++) {
				const w = Math.sqrt(2 / (n + 1)) * Math.sin((Math.PI * j * (k + 1)) / (n + 1));
				const angle = (-2 * Math.PI * m * k) / n;
				const [c, s] = [w * Math.cos(angle), w * Math.sin(angle)];
				dr += c * d[k];
				di += s * d[k];
				xr += c * x[k];
				xi += s * x[k];
			}
			const by = 1 / (TAPERS * rateHz);
			columns.dd[b] += by * (dr * dr + di * di);
			columns.xx[b] += by * (xr * xr + xi * xi);
			columns.re[b] += by * (dr * xr + di * xi);
			columns.im[b] += by * (di * xr - dr * xi);
		}
	});
	return withoutAspect({ hz: Float64Array.from(bins, (m) => (m * rateHz) / n), ...columns });
}

/** What aspect and slanted gusts put in phase is taken out; the compass acts on the other part, which stays. */
function withoutAspect({ hz, dd, xx, re, im }: FilmSpectra): FilmSpectra {
	const m = median(xx);
	let [up, down] = [0, 0];
	for (let i = 0; i < hz.length; i++) {
		const g = 1 / (xx[i] + m);
		up += g * re[i];
		down += g * xx[i];
	}
	const b = down > 0 ? up / down : 0;
	return {
		hz,
		xx,
		im,
		dd: dd.map((value, i) => Math.max(1e-12, value - (2 * b * re[i] - b * b * xx[i]))),
		re: re.map((value, i) => value - b * xx[i]),
	};
}

/** Noise of the forward axis: white, a deviation a 4-Hz sample, and slow, metres. */
export interface ForwardNoise {
	whiteM: number;
	slowM: number;
}

/** Whittle fit of the hold loop to a film's cross spectra by Fisher scoring (docs/methods/film.md#circling). */
function filmFitter(s: FilmSpectra, noise: ForwardNoise, biting: boolean) {
	const { hz } = s;
	const n = hz.length;
	const own = loopPrior(biting);
	const mean = Float64Array.from([...own.mean, 0, 0]);
	const sigma = Float64Array.from([...own.sigma, 1, 0.4]);
	const shape = hz.map(
		(f) =>
			noise.whiteM ** 2 / 4 + (2 * SLOW_POLE * noise.slowM ** 2) / ((2 * Math.PI * f) ** 2 + SLOW_POLE * SLOW_POLE),
	);
	const minus = hz.map((f) => -f);
	const [sp, sm] = [new Float64Array(n), new Float64Array(n)];
	interface Model {
		a: Float64Array;
		b: Float64Array;
		q: Float64Array;
	}
	const blank = (): Model => ({ a: new Float64Array(n), b: new Float64Array(n), q: new Float64Array(n) });
	const modelInto = (theta: Float64Array, { a, b, q }: Model) => {
		flownSpectrum(theta, hz, sp);
		flownSpectrum(theta, minus, sm);
		const [nu, aspect, qw] = [Math.exp(theta[NU]), theta[ASPECT], Math.exp(theta[WHITE])];
		const [more, less] = [Math.exp(aspect), Math.exp(-aspect)];
		for (let i = 0; i < n; i++) {
			const p = (sp[i] + sm[i]) / 4;
			a[i] = p * more + nu * shape[i];
			b[i] = p * less + qw;
			q[i] = (sp[i] - sm[i]) / 4;
		}
	};
	const objectiveOf = (theta: Float64Array, { a, b, q }: Model) => {
		let sum = 0;
		for (let i = 0; i < n; i++) {
			const det = Math.max(1e-18, a[i] * b[i] - q[i] * q[i]);
			sum += Math.log(det) + (b[i] * s.dd[i] + a[i] * s.xx[i] - 2 * q[i] * s.im[i]) / det;
		}
		let prior = 0;
		for (let k = 0; k < COUNT; k++) prior += ((theta[k] - mean[k]) / sigma[k]) ** 2;
		return WEIGHT * sum + prior / 2;
	};
	const [model, moved] = [blank(), blank()];
	const slopes = Array.from({ length: COUNT }, blank);

	const scoreAt = (theta: Float64Array, first: number) => {
		for (let k = first; k < COUNT; k++) {
			const nudged = theta.slice();
			nudged[k] += NUDGE;
			modelInto(nudged, slopes[k]);
			for (const key of ['a', 'b', 'q'] as const)
				for (let i = 0; i < n; i++) slopes[k][key][i] = (slopes[k][key][i] - model[key][i]) / NUDGE;
		}
		const size = COUNT - first;
		const gradient = new Float64Array(size);
		const information = Matrix.zeros(size, size);
		// With C = [[A, iQ], [−iQ, B]] and U = C⁻¹dC: tr(U_k U_l) is the information, tr(U_k (C⁻¹S − 1)) the slope.
		for (let i = 0; i < n; i++) {
			const [a, b, q] = [model.a[i], model.b[i], model.q[i]];
			const det = Math.max(1e-18, a * b - q * q);
			const trace = (k: number, l: number) => {
				const [x, y] = [slopes[k], slopes[l]];
				// tr(C⁻¹ dK C⁻¹ dL), written out for the real and imaginary parts.
				const ka = [b * x.a[i] - q * x.q[i], b * x.q[i] - q * x.b[i], a * x.q[i] - q * x.a[i], a * x.b[i] - q * x.q[i]];
				const la = [b * y.a[i] - q * y.q[i], b * y.q[i] - q * y.b[i], a * y.q[i] - q * y.a[i], a * y.b[i] - q * y.q[i]];
				return (ka[0] * la[0] + ka[1] * la[2] + ka[2] * la[1] + ka[3] * la[3]) / (det * det);
			};
			const [da, db, dq] = [s.dd[i] - a, s.xx[i] - b, s.im[i] - q];
			const ra = [b * da - q * dq, b * dq - q * db, a * dq - q * da, a * db - q * dq];
			for (let k = first; k < COUNT; k++) {
				const x = slopes[k];
				const ka = [b * x.a[i] - q * x.q[i], b * x.q[i] - q * x.b[i], a * x.q[i] - q * x.a[i], a * x.b[i] - q * x.q[i]];
				gradient[k - first] += (WEIGHT * (ka[0] * ra[0] + ka[1] * ra[2] + ka[2] * ra[1] + ka[3] * ra[3])) / (det * det);
				for (let l = first; l <= k; l++) {
					const value = information.get(k - first, l - first) + WEIGHT * trace(k, l);
					information.set(k - first, l - first, value);
					information.set(l - first, k - first, value);
				}
			}
		}
		for (let k = first; k < COUNT; k++) {
			gradient[k - first] -= (theta[k] - mean[k]) / sigma[k] ** 2;
			information.set(k - first, k - first, information.get(k - first, k - first) + 1 / sigma[k] ** 2);
		}
		return { gradient, information };
	};

	const scored = {
		objective(theta: Float64Array) {
			modelInto(theta, moved);
			return objectiveOf(theta, moved);
		},
		score(theta: Float64Array, first: number) {
			modelInto(theta, model);
			return scoreAt(theta, first);
		},
	};
	const fit = (start: Float64Array, first: number, steps: number): LoopFit =>
		fisherScoring(scored, start, { first, steps, longest: LONGEST_STEP, settled: SETTLED });
	return {
		fit,
		start(psi: number): Float64Array {
			const theta = mean.slice();
			theta[0] = psi;
			modelInto(theta, model);
			const shift = median(s.xx.map((value, i) => Math.log(Math.max(value, 1e-12)) - Math.log(model.b[i]))) + 0.3;
			for (let k = FIRST_POWER; k < LOOP_PARAMETERS; k++) theta[k] += shift;
			return theta;
		},
		misfit({ theta }: LoopFit): number {
			modelInto(theta, model);
			let sum = 0;
			for (let i = 0; i < n; i++) {
				const [a, b, q] = [model.a[i], model.b[i], model.q[i]];
				const det = Math.max(1e-18, a * b - q * q);
				const [da, db, dq] = [s.dd[i] - a, s.xx[i] - b, s.im[i] - q];
				const r = [b * da - q * dq, b * dq - q * db, a * dq - q * da, a * db - q * dq];
				sum += (r[0] * r[0] + 2 * r[1] * r[2] + r[3] * r[3]) / (det * det);
			}
			return (TAPERS * sum) / (4 * n);
		},
	};
}

/** The compass error behind a filmed hover: forward and right detrended at a rate, with the noise of the forward axis. */
export function filmedCompassError(
	forward: Float64Array,
	right: Float64Array,
	rateHz: number,
	noise: ForwardNoise,
	progress?: (share: number) => void,
): CompassErrorEstimate {
	let squares = 0;
	for (let i = 0; i < right.length; i++) squares += 2 * right[i] ** 2;
	const biting = isBiting(Math.sqrt(squares / Math.max(1, right.length)));
	return posteriorOf(filmFitter(filmSpectra(forward, right, rateHz), noise, biting), biting, progress);
}
