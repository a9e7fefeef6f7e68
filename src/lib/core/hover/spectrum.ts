const TAPERS = 4;
const LOW_HZ = 0.035;
const HIGH_HZ = 0.9;
/** Longer records are averaged over pieces. */
const PIECE_S = 120;
const WHOLE_UP_TO_S = 240;

export interface Rotary {
	/** Frequencies in Hz, negative ones turn anticlockwise seen from above. */
	hz: Float64Array;
	/** Power spectral density of z = north + i·east, m²/Hz. */
	s: Float64Array;
	pieces: number;
	/** Tapers averaged in each piece. */
	tapers: number;
}

/** Two-sided multitaper spectrum with four sine tapers (Riedel and Sidorenko 1995) of one piece. */
function ofPiece(re: Float64Array, im: Float64Array, rateHz: number, bins: number[]): Float64Array {
	const n = re.length;
	const out = new Float64Array(bins.length);
	const tapers = Array.from({ length: TAPERS }, (_, j) =>
		Float64Array.from(
			{ length: n },
			(_, k) => Math.sqrt(2 / (n + 1)) * Math.sin((Math.PI * (j + 1) * (k + 1)) / (n + 1)),
		),
	);
	bins.forEach((m, b) => {
		const step = (-2 * Math.PI * m) / n;
		const [cs, sn] = [Math.cos(step), Math.sin(step)];
		const sums = new Float64Array(2 * TAPERS);
		let c = 1;
		let s = 0;
		for (let k = 0; k < n; k++) {
			const x = re[k] * c - im[k] * s;
			const y = re[k] * s + im[k] * c;
			for (let j = 0; j < TAPERS; j++) {
				sums[2 * j] += tapers[j][k] * x;
				sums[2 * j + 1] += tapers[j][k] * y;
			}
			const turned = c * cs - s * sn;
			s = c * sn + s * cs;
			c = turned;
		}
		for (let j = 0; j < TAPERS; j++) out[b] += (sums[2 * j] ** 2 + sums[2 * j + 1] ** 2) / (TAPERS * rateHz);
	});
	return out;
}

/** Rotary spectrum of a detrended track sampled evenly at `rateHz`, over the band in which the hold loop lives. */
export function rotarySpectrum(north: Float64Array, east: Float64Array, rateHz: number): Rotary {
	const seconds = north.length / rateHz;
	const pieces = seconds > WHOLE_UP_TO_S ? Math.floor(seconds / PIECE_S) : 1;
	const n = Math.floor(north.length / pieces);
	const lowest = Math.max(LOW_HZ, 2.5 / (n / rateHz));
	const bins: number[] = [];
	for (let m = -Math.floor((HIGH_HZ * n) / rateHz); m <= (HIGH_HZ * n) / rateHz; m++)
		if (Math.abs((m * rateHz) / n) >= lowest) bins.push(m);
	const s = new Float64Array(bins.length);
	for (let p = 0; p < pieces; p++) {
		const part = ofPiece(north.subarray(p * n, (p + 1) * n), east.subarray(p * n, (p + 1) * n), rateHz, bins);
		for (let b = 0; b < s.length; b++) s[b] += part[b] / pieces;
	}
	return { hz: Float64Array.from(bins, (m) => (m * rateHz) / n), s, pieces, tapers: TAPERS };
}
