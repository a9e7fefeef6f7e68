import { cutRequest } from '../../src/lib/core/hover/cut';
import { reviewHover } from '../../src/lib/core/hover/review';
import { seededRng } from '../../src/lib/core/math/random';
import { drawGains, flyHover } from '../../src/lib/rig/hover';
import { NO_FAULTS, rigHover } from '../../src/lib/rig/rig';
import { report, rms, timeMs } from './report';

const RUNS = 40;
const ERRORS_DEG = [0, 20, 30, 40, 50];
/** Found at 0 (false alarms), 20, 30, 40 and 50°, as measured on another simulator of hovers. */
const ELSEWHERE: Record<number, string> = {
	30: '0.00 0.16 0.44 0.89 0.99',
	60: '0.00 0.33 0.76 0.97 1.00',
	120: '0.01 0.68 0.93 1.00 1.00',
};

function hover(seed: number, headingErrorDeg: number, durationS: number, windMps: number) {
	const { truth } = rigHover(seed, { ...NO_FAULTS, headingErrorDeg, windMps });
	const rng = seededRng(seed);
	const { t, north, east, up } = flyHover({ ...truth, durationS }, drawGains(rng), rng);
	return reviewHover({ track: { t, north, east, up }, hold: 'position' }).spiral;
}

export function benchHover(): void {
	const rows = [30, 60, 120].map((durationS) => {
		const found: string[] = [];
		const errors: number[] = [];
		const honest: number[] = [];
		for (const error of ERRORS_DEG) {
			let hits = 0;
			for (let seed = 1; seed <= RUNS; seed++) {
				const sign = seed % 2 === 0 ? 1 : -1;
				const spiral = hover(1000 * durationS + seed, sign * error, durationS, [0, 4, 8][seed % 3]);
				if (spiral.present) hits++;
				if (spiral.compassErrorDeg === null || spiral.compassErrorSigmaDeg === null) continue;
				errors.push(spiral.compassErrorDeg - sign * error);
				honest.push((spiral.compassErrorDeg - sign * error) / spiral.compassErrorSigmaDeg);
			}
			found.push((hits / RUNS).toFixed(2));
		}
		return {
			'hover s': durationS,
			'found at 0 20 30 40 50°': found.join(' '),
			'docs/methods/hover.md': ELSEWHERE[durationS],
			'RMS error °': rms(errors).toFixed(1),
			'error / stated sigma': rms(honest).toFixed(2),
		};
	});
	report(
		'Hover: compass errors found (own simulator, wind 0, 4 and 8 m/s), beside the table of docs/methods/hover.md',
		rows,
	);

	const { log } = rigHover(3, NO_FAULTS, { durationS: 3600 });
	const dense = { t: [] as number[], north: [] as number[], east: [] as number[], up: [] as number[] };
	for (let i = 0; i + 1 < log.t.length; i++)
		for (let k = 0; k < 20; k++) {
			const s = k / 20;
			const mix = (v: number[]) => v[i] + s * (v[i + 1] - v[i]);
			dense.t.push(mix(log.t));
			dense.north.push(mix(log.north));
			dense.east.push(mix(log.east));
			dense.up.push(mix(log.up));
		}
	report('Hover: time (bar: 360,000 points in 3 s; a log of two hours cut while the page stays free)', [
		{
			what: 'judged',
			points: dense.t.length,
			s: (timeMs(() => reviewHover({ track: dense, hold: 'position' }), 3) / 1000).toFixed(2),
		},
		{
			what: 'cut',
			points: dense.t.length,
			s: (timeMs(() => cutRequest({ track: dense, hold: 'position' }), 3) / 1000).toFixed(2),
		},
	]);
}
