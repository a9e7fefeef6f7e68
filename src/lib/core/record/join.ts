import type { Aircraft, Pack } from '../../schema/records';

/** Two lists joined by identifier and ordered by time, the same in either order; of two rows of one identifier the later stands. */
function joined<T extends { id: string; at: string }>(a: readonly T[], b: readonly T[]): T[] {
	const rows = new Map<string, T>();
	for (const row of [...a, ...b]) {
		const had = rows.get(row.id);
		if (!had || had.at < row.at || (had.at === row.at && JSON.stringify(had) < JSON.stringify(row)))
			rows.set(row.id, row);
	}
	return [...rows.values()].sort((x, y) => (x.at < y.at ? -1 : x.at > y.at ? 1 : x.id < y.id ? -1 : 1));
}

/** An aircraft with the events and settings sheets of both sides; all other fields are its own. */
export function joinAircraft(own: Aircraft, other: Aircraft): Aircraft {
	const snapshots = joined(own.snapshots ?? [], other.snapshots ?? []);
	return {
		...own,
		events: joined(own.events, other.events),
		...(snapshots.length > 0 ? { snapshots } : {}),
	};
}

/** Cycles of a battery without the flights that are counted one by one. */
const baseCycles = ({ cycles, flights = [] }: Pack): number => cycles - flights.length;

/** A battery with the flights of both sides counted once each, and the charge noted last; all other fields are its own. */
export function joinPack(own: Pack, other: Pack): Pack {
	const flights = joined(own.flights ?? [], other.flights ?? []);
	const charge = [own, other].reduce((a, b) => ((b.stateAt ?? '') > (a.stateAt ?? '') ? b : a));
	const cycles = Math.max(baseCycles(own), baseCycles(other)) + flights.length;
	return {
		...own,
		...(flights.length > 0 ? { flights } : {}),
		cycles,
		...(charge.state ? { state: charge.state } : {}),
		...(charge.stateAt ? { stateAt: charge.stateAt } : {}),
	};
}
