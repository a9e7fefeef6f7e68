import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { DEG } from '../frames/angles';
import { LOOP_PARAMETERS, logSpectrum } from './loopModel';

const typical = [0.95, 2.5, 0.3, 0.15, 1.7, 1.05, 0.02, 0.015, 0.008, 2e-4].map(Math.log);
const loop = (psi: number, logs = typical) => Float64Array.from([psi, ...logs]);

const at = (theta: Float64Array, hz: number[]) => {
	const out = new Float64Array(hz.length);
	logSpectrum(theta, Float64Array.from(hz), out);
	return out;
};

const bands = [0.04, 0.1, 0.17, 0.23, 0.4, 0.85];
const gains = fc.array(evenly(-0.8, 0.8), {
	minLength: LOOP_PARAMETERS - 1,
	maxLength: LOOP_PARAMETERS - 1,
});

type Complex = [number, number];
const mul = (a: Complex, b: Complex): Complex => [a[0] * b[0] - a[1] * b[1], a[0] * b[1] + a[1] * b[0]];
const add = (...all: Complex[]): Complex => [all.reduce((x, a) => x + a[0], 0), all.reduce((x, a) => x + a[1], 0)];
const div = (a: Complex, b: Complex): Complex => {
	const size = b[0] ** 2 + b[1] ** 2;
	const [re, im] = mul(a, [b[0], -b[1]]);
	return [re / size, im / size];
};
const scale = (k: number, a: Complex): Complex => [k * a[0], k * a[1]];
const real = (k: number): Complex => [k, 0];
const size2 = (a: Complex) => a[0] ** 2 + a[1] ** 2;

/** The formulas of docs/methods/hover.md#loop as they are written there, in complex numbers. */
function asWritten(psi: number, logs: number[], hz: number): number {
	const [kp, kv, ki, tau, fv, fp, qg, qs, qm, qw] = logs.map(Math.exp);
	const w = 2 * Math.PI * hz;
	const s: Complex = [0, w];
	const e: Complex = [Math.cos(psi), Math.sin(psi)];
	const c0 = (fp * fp) / 4;
	const sPlusFp = add(s, real(fp));
	const d0 = add(mul(add(s, real(fv)), sPlusFp), real(c0));
	const x = add(mul(mul(s, s), e), scale(fv, s), real(c0));
	const vz = div(add(mul(sPlusFp, x), real(-c0 * fp)), d0);
	const pz = div(add(scale(fp, add(s, real(fv))), x), d0);
	const vn = div(add(scale(c0, sPlusFp), real(-c0 * fp)), d0);
	const pn = div(add(scale(fp, add(s, real(fv))), real(c0)), d0);
	const half = add(real(1), scale(tau / 2, s));
	const c = div(mul(scale(kv, add(real(1), div(real(ki), s))), [e[0], -e[1]]), mul(half, half));
	const d = add(mul(s, s), scale(0.28, s), mul(c, add(scale(kp, pz), vz)));
	const nn = mul(c, add(scale(kp, pn), vn));
	const gust = qg / (w * w + 0.2 ** 2);
	const noise = qs / (w * w + 0.02 ** 2) + qm / (w * w + 0.7 ** 2);
	return Math.log((gust + size2(add(d, scale(-1, nn))) * noise) / size2(d) + qw);
}

describe('the spectrum of a hold loop', () => {
	it('is what the formulas say, written in complex numbers', () => {
		fc.assert(
			fc.property(evenly(-1.5, 1.5), gains, (psi, off) => {
				const logs = typical.map((value, k) => value + off[k]);
				const hz = [...bands, ...bands.map((f) => -f)];
				const got = at(loop(psi, logs), hz);
				hz.forEach((f, i) => expect(got[i]).toBeCloseTo(asWritten(psi, logs, f), 8));
			}),
		);
	});

	it('is even with a right compass, whatever the gains', () => {
		fc.assert(
			fc.property(gains, (off) => {
				const theta = loop(
					0,
					typical.map((value, k) => value + off[k]),
				);
				const right = at(theta, bands);
				at(
					theta,
					bands.map((f) => -f),
				).forEach((left, i) => expect(left).toBeCloseTo(right[i], 9));
			}),
		);
	});

	it('mirrors when the compass error changes its sign', () => {
		fc.assert(
			fc.property(evenly(0.05, 1.4), (psi) => {
				const clockwise = at(loop(psi), bands);
				at(
					loop(-psi),
					bands.map((f) => -f),
				).forEach((value, i) => expect(value).toBeCloseTo(clockwise[i], 9));
			}),
		);
	});

	it('leans clockwise near the loop’s own frequency when the compass reads too far clockwise', () => {
		const [cw, ccw] = at(loop(35 * DEG), [0.22, -0.22]);
		expect(cw - ccw).toBeGreaterThan(1);
	});
});
