import type { AircraftEvent, AircraftKind } from '$lib/schema/records';

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
