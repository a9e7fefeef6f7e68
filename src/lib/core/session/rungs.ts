import type { Aircraft } from '../../schema/records';
import { comesHome } from '../aircraft/capabilities';

/** A part of a flight with its usual minutes, and what it takes against a hover. */
export interface Rung {
	name: string;
	minutes: number;
	factor: number;
	required: boolean;
}

/** Climbing takes a quarter more than hovering, flying along a tenth: judged, as the flight-time estimate has it. */
export const [CLIMB, CRUISE] = [1.25, 1.1];
/** Slower over ground than this, nothing comes home in time to plan with, m/s. */
const SLOWEST_MPS = 0.5;

const rung = (name: string, minutes: number, factor = 1, required = false): Rung => ({
	name,
	minutes,
	factor,
	required,
});

/** What a test flight of an aircraft is made of, in the order in which it is flown; minutes are usual ones, to be changed. */
export function usualRungs(aircraft: Aircraft): Rung[] {
	const back = comesHome(aircraft) ? [rung('Return by its switch', 2.5, CRUISE)] : [];
	if (aircraft.kind === 'wing')
		return [
			rung('Launch and climb', 1, CLIMB, true),
			rung('Direct control', 2, CRUISE),
			rung('Self-level', 2, CRUISE),
			rung('Laps', 3, CRUISE),
			...back,
			rung('Pass and landing', 1.5, CRUISE, true),
		];
	if (aircraft.kind === 'toy')
		return [rung('Lift and trim', 2, 1, true), rung('Hover in the room', 2), rung('Landing', 0.5, 1, true)];
	return [
		rung('Nudges and first lift', 1, 1, true),
		rung('Self-level hover', 1),
		...(aircraft.kind === 'racer' ? [rung('Legs', 2, CRUISE)] : [rung('Height hold', 1)]),
		...(aircraft.hasPosition ? [rung('Position hold', 1.5)] : []),
		...back,
	];
}

/** Minutes from a distance home at the return speed over ground against the wind; null where it would not come home. */
export function wayHomeMin(distanceM: number, returnMps: number, windMps: number): number | null {
	const ground = returnMps - windMps;
	return ground < SLOWEST_MPS ? null : distanceM / ground / 60;
}
