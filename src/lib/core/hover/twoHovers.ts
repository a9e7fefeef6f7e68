import { hover as say } from '$lib/messages/hover';
import type { TwoHoversAnswer } from '../../schema/hover';
import { STANDARD_GRAVITY_MPS2 } from '../earth/gravity';
import { DEG, wrap360, wrapPi } from '../frames/angles';
import { judge, reason } from '../finding/reasons';
import { hoverLimits as limits } from './limits';

/** A hover without position hold: which way the nose pointed, and the steady drift, m/s with one sigma. */
export interface Drifting {
	headingDeg: number;
	northMps: number;
	eastMps: number;
	sigmaMps: number;
}

/** Drag rates of usual aircraft, 1/s: how a trim's push becomes a steady speed. */
const DRAG = { low: 0.2, usual: 0.28, high: 0.38 };

/**
 * Wind and level trim told apart by a hover repeated with the nose turned, best by half a turn: the wind's part stays, the
 * trim's part turns with the nose. v = w + q·e^{i·heading}. Trim in degrees from q·drag = g·tan(trim), with the drag's range
 * as its uncertainty.
 */
export function compareTurnedHovers(first: Drifting, second: Drifting): TwoHoversAnswer {
	const turnedDeg = Math.abs(wrapPi((second.headingDeg - first.headingDeg) * DEG)) / DEG;
	if (turnedDeg < limits.turnedDeg.value)
		return {
			wind: null,
			trim: null,
			turnedDeg,
			...judge([reason('fail', say('insufficient-turn'), { value: turnedDeg, limit: limits.turnedDeg })]),
		};
	const [h1, h2] = [first.headingDeg * DEG, second.headingDeg * DEG];
	const dv = [first.northMps - second.northMps, first.eastMps - second.eastMps];
	const de = [Math.cos(h1) - Math.cos(h2), Math.sin(h1) - Math.sin(h2)];
	const size = de[0] ** 2 + de[1] ** 2;
	// q = Δv/Δe as complex numbers: its real part pushes along the nose, its imaginary part to the right.
	const q = [(dv[0] * de[0] + dv[1] * de[1]) / size, (dv[1] * de[0] - dv[0] * de[1]) / size];
	const w = [
		first.northMps - (q[0] * Math.cos(h1) - q[1] * Math.sin(h1)),
		first.eastMps - (q[0] * Math.sin(h1) + q[1] * Math.cos(h1)),
	];
	const qSigma = Math.hypot(first.sigmaMps, second.sigmaMps) / Math.sqrt(size);
	const wSigma = Math.hypot(first.sigmaMps, qSigma);
	const degrees = (mps: number) => Math.atan((mps * DRAG.usual) / STANDARD_GRAVITY_MPS2) / DEG;
	const speed = Math.hypot(...q);
	const trimDeg = degrees(speed);
	const trimSigmaDeg = Math.hypot(degrees(qSigma), (trimDeg * (DRAG.high - DRAG.low)) / (4 * DRAG.usual));
	const significant = speed > 3 * qSigma;
	return {
		turnedDeg,
		wind: { speedMps: Math.hypot(...w), fromDeg: wrap360(Math.atan2(-w[1], -w[0]) / DEG), sigmaMps: wSigma },
		// It drifts forward because it sits nose-low: pitch the other way is what level should read.
		trim: { rollDeg: degrees(q[1]), pitchDeg: -degrees(q[0]), sigmaDeg: trimSigmaDeg, speedMps: speed },
		...judge([
			significant && trimDeg > limits.trimDeg.value
				? reason('caution', say('level-trim#twoHovers'), { value: trimDeg, limit: limits.trimDeg })
				: significant
					? reason('pass', say('trim-small'), { value: trimDeg, limit: limits.trimDeg })
					: reason('pass', say('trim-none'), {
							value: speed,
							limit: { value: 3 * qSigma, unit: 'm/s', source: 'Three sigma of the two drifts' },
						}),
		]),
	};
}
