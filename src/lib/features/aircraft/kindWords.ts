import type { AircraftKind } from '$lib/schema/records';

export const KIND_WORDS: Record<AircraftKind, string> = {
	camera: 'Camera drone',
	multirotor: 'Self-built multirotor',
	wing: 'Fixed or flying wing',
	sprayer: 'Sprayer or spreader',
	racer: 'Racing quad',
	longrange: 'Long-range quad',
	toy: 'Small indoor drone',
};
