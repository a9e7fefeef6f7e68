import type { Aircraft, AircraftKind } from './records';

/** Fields that a new aircraft has by its kind until somebody enters them. */
export const KIND_DEFAULTS = [
	'returnSpeedMps',
	'returnHeightM',
	'minReturnDistanceM',
	'lock',
	'compassHeadingLimitDeg',
] as const satisfies readonly (keyof Aircraft)[];

/** A new aircraft of a kind with sensible limits; every one of them can be changed. */
export function newAircraft(id: string, kind: AircraftKind, at: string): Aircraft {
	const wing = kind === 'wing';
	const field = kind === 'sprayer' || kind === 'spreader';
	return {
		id,
		name: '',
		kind,
		description: '',
		rotors: wing ? 0 : field ? 6 : 4,
		compasses: kind === 'racer' || kind === 'toy' ? 0 : 1,
		hasPosition: kind !== 'racer' && kind !== 'toy',
		firmware: '',
		returnSpeedMps: wing ? 12 : 6,
		returnHeightM: 40,
		minReturnDistanceM: 15,
		lock: { minSatellites: 8, maxHdop: 2, holdS: 30 },
		compassHeadingLimitDeg: 1,
		school: 'after-events',
		lights: '',
		manual: '',
		events: [],
		updatedAt: at,
	};
}
