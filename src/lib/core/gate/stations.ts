import type { StationId } from '../../schema/records';

/** The Line: stations in the order in which the work is done. */
export const STATIONS: readonly { id: StationId; title: string }[] = [
	{ id: 'plan', title: 'Plan' },
	{ id: 'bench', title: 'Bench' },
	{ id: 'site', title: 'Site' },
	{ id: 'power-up', title: 'Power-up' },
	{ id: 'position', title: 'Position' },
	{ id: 'return', title: 'Return' },
	{ id: 'response', title: 'Ground response' },
	{ id: 'hover', title: 'Hover' },
	{ id: 'fly', title: 'Fly' },
	{ id: 'close', title: 'Close' },
];

export const stationTitle = (id: StationId): string => STATIONS.find((station) => station.id === id)?.title ?? id;
