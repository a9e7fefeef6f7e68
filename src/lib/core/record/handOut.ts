import type { SessionFile } from '../../schema/files';

/**
 * A session as it goes to others: its aircraft with the events of the session alone and without its settings sheets, its battery with this flight
 * alone. What the entries hold stays: the chain is over them.
 */
export function forOthers(file: SessionFile): SessionFile {
	const { session, aircraft, pack } = file;
	const until = session.endedAt ?? file.exportedAt;
	const last = session.endedAt === null ? aircraft.snapshots?.at(-1) : undefined;
	return {
		...file,
		aircraft: {
			...aircraft,
			events: aircraft.events.filter(({ at }) => at >= session.startedAt && at <= until),
			// A running session names the sheet in force: its name goes along, its values do not.
			snapshots: last ? [{ ...last, values: [] }] : undefined,
		},
		pack: pack && { ...pack, flights: pack.flights?.filter(({ id }) => id === session.id) },
	};
}

/** What a file for others holds, counted: for the list that is shown before it is saved. */
export interface HandOut {
	entries: number;
	photos: number;
	/** Every name in it. */
	people: string[];
	aircraft: string;
	/** Events of the aircraft that go along, and that stay here. */
	events: { out: number; here: number };
	/** Settings sheets that stay here. */
	sheets: number;
	site: string | null;
	battery: string | null;
}

/** What goes out with a session, and what stays. */
export function handOutOf(file: SessionFile): HandOut {
	const { session, aircraft, site, pack, entries, photos } = file;
	const out = forOthers(file).aircraft.events.length;
	const crew = (session.crew ?? []).map(({ name }) => name);
	const wrote = entries.map(({ by }) => by).filter((by): by is string => typeof by === 'string' && by !== '');
	return {
		entries: entries.length,
		photos: photos.length,
		people: [...new Set([session.pilot, ...crew, ...wrote])],
		aircraft: aircraft.name,
		events: { out, here: aircraft.events.length - out },
		sheets: aircraft.snapshots?.length ?? 0,
		site: site?.name ?? null,
		battery: pack?.name ?? null,
	};
}
