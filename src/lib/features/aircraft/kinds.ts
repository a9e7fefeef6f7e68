import type { Aircraft, AircraftEvent, AircraftKind } from '$lib/schema/records';

export const KIND_WORDS: Record<AircraftKind, string> = {
	camera: 'Camera drone',
	multirotor: 'Self-built multirotor',
	wing: 'Fixed or flying wing',
	sprayer: 'Sprayer or spreader',
	racer: 'Racing quad',
	longrange: 'Long-range quad',
	toy: 'Small indoor drone',
};

export const EVENT_WORDS: Record<AircraftEvent['kind'], string> = {
	new: 'New',
	firmware: 'Firmware changed',
	knock: 'Knock or hard landing',
	part: 'Part moved or replaced',
	prompt: 'The aircraft asked for a calibration',
	'odd-flight': 'It flew oddly',
	journey: 'Carried in a vehicle or plane',
};

/** A new aircraft of a kind with sensible limits; every one of them can be changed. */
export function newAircraft(id: string, kind: AircraftKind, at: string): Aircraft {
	const wing = kind === 'wing';
	return {
		id,
		name: '',
		kind,
		description: '',
		rotors: wing ? 0 : kind === 'sprayer' ? 6 : 4,
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
