import { DEG } from '../frames/angles';
import type { ReturnRequest } from '../../schema/return';
import { returnLimits as limits } from './limits';

/** North and east, m/s or m. */
export type Plane = readonly [number, number];

export type WindStop = 'wind-exceeds-airspeed' | 'crosswind-too-strong' | 'headwind-too-strong';

/** Wind as a vector it blows to, at a height above home, m/s. */
export type WindField = (heightM: number) => Plane;

/** How much stronger the wind is at a height than where it was read: a power law, never below one metre. */
export const shear = ({ wind }: ReturnRequest, heightM: number): number =>
	(Math.max(heightM, 1) / wind.heightM) ** wind.shearExponent;

/** The mean wind by height. */
export function meanWind(request: ReturnRequest): WindField {
	const { fromDeg, speedMps } = request.wind;
	const to: Plane = [-Math.cos(fromDeg * DEG), -Math.sin(fromDeg * DEG)];
	return (heightM) => {
		const speed = speedMps * shear(request, heightM);
		return [to[0] * speed, to[1] * speed];
	};
}

/** Mean wind with the gust's excess set straight against the flight towards `t` (a unit vector). */
export function gustWind(request: ReturnRequest, t: Plane): WindField {
	const mean = meanWind(request);
	const excess = Math.max(0, request.wind.gustMps - request.wind.speedMps);
	return (heightM) => {
		const [n, e] = mean(heightM);
		const k = excess * shear(request, heightM);
		return [n - t[0] * k, e - t[1] * k];
	};
}

export interface Triangle {
	groundMps: number;
	airMps: number;
}

/** Ground speed and airspeed flown along `t` in a wind, or what stops it (docs/methods/return.md#wind-triangle). */
export function triangle(aircraft: ReturnRequest['aircraft'], wind: Plane, t: Plane): Triangle | WindStop {
	const along = wind[0] * t[0] + wind[1] * t[1];
	const cross = Math.abs(wind[0] * t[1] - wind[1] * t[0]);
	if (aircraft.speedKind === 'ground') {
		const needed = Math.sqrt((aircraft.returnSpeedMps - along) ** 2 + cross ** 2);
		if (needed <= aircraft.airspeedMaxMps)
			return aircraft.returnSpeedMps > limits.minGroundSpeed.value
				? { groundMps: aircraft.returnSpeedMps, airMps: needed }
				: 'headwind-too-strong';
	}
	const airMps =
		aircraft.speedKind === 'ground'
			? aircraft.airspeedMaxMps
			: Math.min(aircraft.returnSpeedMps, aircraft.airspeedMaxMps);
	if (cross >= airMps) return 'crosswind-too-strong';
	const groundMps = Math.sqrt(airMps ** 2 - cross ** 2) + along;
	return groundMps <= limits.minGroundSpeed.value ? 'headwind-too-strong' : { groundMps, airMps };
}

/** Power of cruising at an airspeed: at least that of the return speed, in proportion above it. */
export const cruisePower = ({ cruiseW, returnSpeedMps }: ReturnRequest['aircraft'], airMps: number): number =>
	cruiseW * Math.max(1, airMps / returnSpeedMps);
