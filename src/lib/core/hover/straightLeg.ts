import type { Message } from '$lib/messages/message';
import { hover as say } from '$lib/messages/hover';
import type { LegAnswer } from '../../schema/hover';
import { DEG, wrap360, wrapPi } from '../frames/angles';
import { judge, reason, type Limit } from '../finding/reasons';
import { hoverLimits as limits } from './limits';

export interface Leg {
	/** Mean velocity over ground while flown straight ahead, stick forward only, m/s. */
	northMps: number;
	eastMps: number;
	/** Mean reported heading, degrees true. */
	headingDeg: number;
	lengthM: number;
	/** One sigma of the velocity, m/s. */
	sigmaMps: number;
}

/** Air pushes a leg sideways by up to this share of its speed before the aircraft has taken it up. */
const WIND_SHARE = 0.5;

/** Compass errors above this, degrees, would have shown: what was found, and twice its standard deviation. */
export const excludedAboveDeg = (errorDeg: number, sigmaDeg: number): number => Math.abs(errorDeg) + 2 * sigmaDeg;

/**
 * Compass error from straight legs flown nose first WITHOUT position hold (a hold flies the course it believes, and shows
 * nothing): heading less course over ground. Two legs flown opposite ways cancel the wind: the course of their difference is
 * used. One leg alone carries the wind in its uncertainty. `windMps` is the wind's speed, null where not known.
 */
export function reviewLegs(out: Leg, back: Leg | null, windMps: number | null): LegAnswer {
	const legs = back ? [out, back] : [out];
	const shortest = Math.min(...legs.map(({ lengthM }) => lengthM));
	const slowest = Math.min(...legs.map((leg) => Math.hypot(leg.northMps, leg.eastMps)));
	const refuse = (says: Message, value: number, limit: Limit): LegAnswer => ({
		compassErrorDeg: null,
		sigmaDeg: null,
		courseDeg: null,
		...judge([reason('fail', says, { value, limit })]),
	});
	if (shortest < limits.legM.value) return refuse(say('insufficient-leg'), shortest, limits.legM);
	if (slowest < limits.legMps.value) return refuse(say('insufficient-speed'), slowest, limits.legMps);
	let { northMps, eastMps, sigmaMps } = out;
	let errorSigma = windMps === null ? 8 : (WIND_SHARE * windMps) / Math.hypot(northMps, eastMps) / DEG;
	if (back) {
		const opposite = Math.abs(Math.abs(wrapPi((back.headingDeg - out.headingDeg) * DEG)) / DEG - 180);
		if (opposite > limits.legOppositeDeg.value)
			return refuse(say('insufficient-turn#straightLeg'), opposite, limits.legOppositeDeg);
		northMps = (out.northMps - back.northMps) / 2;
		eastMps = (out.eastMps - back.eastMps) / 2;
		sigmaMps = Math.hypot(out.sigmaMps, back.sigmaMps) / 2;
		errorSigma = 0;
	}
	const heading = back
		? Math.atan2(
				Math.sin(out.headingDeg * DEG) - Math.sin(back.headingDeg * DEG),
				Math.cos(out.headingDeg * DEG) - Math.cos(back.headingDeg * DEG),
			)
		: out.headingDeg * DEG;
	const course = Math.atan2(eastMps, northMps);
	const compassErrorDeg = wrapPi(heading - course) / DEG;
	const speed = Math.hypot(northMps, eastMps);
	const sigmaDeg = Math.hypot(sigmaMps / speed / DEG, errorSigma, 2);
	const size = Math.abs(compassErrorDeg);
	const clear = excludedAboveDeg(compassErrorDeg, sigmaDeg);
	return {
		compassErrorDeg,
		sigmaDeg,
		courseDeg: wrap360(course / DEG),
		...judge([
			size > limits.legErrorDeg.value && size > 2 * sigmaDeg
				? reason('fail', say('compass-error#straightLeg', { compassErrorDeg }), {
						value: size,
						limit: limits.legErrorDeg,
					})
				: clear > limits.legErrorDeg.value * 1.5
					? reason('caution', say('leg-loose', { clear, both: back !== null }), {
							value: clear,
							limit: limits.legErrorDeg,
						})
					: reason('pass', say('leg-straight', { clear }), { value: size, limit: limits.legErrorDeg }),
		]),
	};
}
