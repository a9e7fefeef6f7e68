import type { Aircraft, StationId } from '../../schema/records';

export interface Station {
	id: StationId;
	title: string;
	/** What it is called on a wing. */
	wing?: string;
}

/** The Line: stations in the order in which the work is done, with its two gates, Arm and Fly. */
export const STATIONS: readonly Station[] = [
	{ id: 'plan', title: 'Plan' },
	{ id: 'bench', title: 'Bench' },
	{ id: 'site', title: 'Site' },
	{ id: 'compass', title: 'Compass' },
	{ id: 'power-up', title: 'Power-up' },
	{ id: 'position', title: 'Position' },
	{ id: 'return', title: 'Return' },
	{ id: 'arm', title: 'Arm' },
	{ id: 'response', title: 'Ground response', wing: 'Surfaces' },
	{ id: 'hover', title: 'Hover' },
	{ id: 'fly', title: 'Fly' },
	{ id: 'close', title: 'Close' },
];

const at = (id: StationId) => STATIONS.findIndex((station) => station.id === id);

/** Whether a station comes before another on the Line. */
export const isBefore = (id: StationId, other: StationId): boolean => at(id) < at(other);

/** What a station is called, on a wing where the aircraft is one. */
export function stationTitle(id: StationId, aircraft?: Pick<Aircraft, 'kind'>): string {
	const station = STATIONS[at(id)];
	return aircraft?.kind === 'wing' ? (station.wing ?? station.title) : station.title;
}
