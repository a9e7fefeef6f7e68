/**
 * Spectrum of a hover under a position → velocity → tilt loop whose compass is wrong by psi.
 * Parameters: psi (rad), then the logarithms of kp, kv, ki, tau, fv, fp, qg, qs, qm, qw (docs/methods/hover.md#loop).
 */
export const LOOP_PARAMETERS = 11;

const DRAG = 0.28;
const GUST_POLE2 = 0.2 ** 2;
const SLOW_POLE2 = 0.02 ** 2;
const MEDIUM_POLE2 = 0.7 ** 2;

/** ln S(f) of the model at each frequency of `hz`, into `out`: of the track as the aircraft logs it. */
export const logSpectrum = (theta: Float64Array, hz: Float64Array, out: Float64Array): void =>
	spectrumOf(theta, hz, out, false);

/** S(f) of the motion itself, which a film sees and the aircraft's own log does not. */
export const flownSpectrum = (theta: Float64Array, hz: Float64Array, out: Float64Array): void =>
	spectrumOf(theta, hz, out, true);

function spectrumOf(theta: Float64Array, hz: Float64Array, out: Float64Array, flown: boolean): void {
	const psi = theta[0];
	const kp = Math.exp(theta[1]);
	const kv = Math.exp(theta[2]);
	const ki = Math.exp(theta[3]);
	const tau = Math.exp(theta[4]);
	const fv = Math.exp(theta[5]);
	const fp = Math.exp(theta[6]);
	const qg = Math.exp(theta[7]);
	const qs = Math.exp(theta[8]);
	const qm = Math.exp(theta[9]);
	const qw = Math.exp(theta[10]);
	const c0 = (fp * fp) / 4;
	const cosPsi = Math.cos(psi);
	const sinPsi = Math.sin(psi);
	for (let i = 0; i < hz.length; i++) {
		const w = 2 * Math.PI * hz[i];
		const w2 = w * w;
		// s = i·w. D0 = (s + fv)(s + fp) + c0.
		const d0r = fv * fp - w2 + c0;
		const d0i = w * (fv + fp);
		const d0 = d0r * d0r + d0i * d0i;
		// X = s²·e^{iψ} + fv·s + c0.
		const xr = -w2 * cosPsi + c0;
		const xi = -w2 * sinPsi + fv * w;
		// Numerators of Vz, Pz, Vn, Pn over D0.
		const vzr = fp * xr - w * xi - c0 * fp;
		const vzi = fp * xi + w * xr;
		const pzr = fv * fp + xr;
		const pzi = w * fp + xi;
		const pnr = fv * fp + c0;
		const pni = w * fp;
		const vni = w * c0;
		// C = kv·(1 + ki/s)·e^{−iψ}/(1 + s·tau/2)².
		const h = (w * tau) / 2;
		const lagR = 1 - h * h;
		const lagI = 2 * h;
		const lag = lagR * lagR + lagI * lagI;
		const ar = cosPsi - (ki / w) * sinPsi;
		const ai = -sinPsi - (ki / w) * cosPsi;
		const cr = (kv * (ar * lagR + ai * lagI)) / lag;
		const ci = (kv * (ai * lagR - ar * lagI)) / lag;
		// C/D0, then D = s² + drag·s + C·(kp·Pz + Vz) and N = C·(kp·Pn + Vn).
		const kr = (cr * d0r + ci * d0i) / d0;
		const kiRe = (ci * d0r - cr * d0i) / d0;
		const zr = kp * pzr + vzr;
		const zi = kp * pzi + vzi;
		const nr0 = kp * pnr;
		const ni0 = kp * pni + vni;
		const dr = -w2 + kr * zr - kiRe * zi;
		const di = DRAG * w + kr * zi + kiRe * zr;
		const nr = kr * nr0 - kiRe * ni0;
		const ni = kr * ni0 + kiRe * nr0;
		const dd = dr * dr + di * di;
		const rest = (dr - nr) ** 2 + (di - ni) ** 2;
		const gust = qg / (w2 + GUST_POLE2);
		const noise = qs / (w2 + SLOW_POLE2) + qm / (w2 + MEDIUM_POLE2);
		out[i] = flown ? (gust + (nr * nr + ni * ni) * noise) / dd : Math.log((gust + rest * noise) / dd + qw);
	}
}
