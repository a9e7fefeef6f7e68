import type { AircraftKind } from '$lib/schema/records';

export const KIND_WORDS: Record<AircraftKind, string> = {
	camera: 'Camera drone',
	'large-camera': 'Large camera drone',
	multirotor: 'Self-built multirotor',
	wing: 'Fixed or flying wing',
	sprayer: 'Liquid sprayer',
	spreader: 'Granule spreader',
	racer: 'Racing quad',
	longrange: 'Long-range quad',
	toy: 'Small indoor drone',
};
