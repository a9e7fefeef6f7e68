import { db } from './db';

/** All aircraft, sites, packs by name; the lists of the places. */
export const listAircraft = () => db.aircraft.toCollection().sortBy('name');
export const listSites = () => db.sites.toCollection().sortBy('name');
export const listPacks = () => db.packs.toCollection().sortBy('name');

export async function listSessions() {
	const [sessions, aircraft, entries] = await Promise.all([
		db.sessions.orderBy('startedAt').reverse().toArray(),
		db.aircraft.toArray(),
		db.entries.toArray(),
	]);
	const names = new Map(aircraft.map(({ id, name }) => [id, name]));
	return sessions
		.filter(({ kind }) => kind !== 'bench')
		.map((session) => {
			const own = entries.filter(({ sessionId }) => sessionId === session.id).sort((a, b) => a.seq - b.seq);
			return { session, aircraftName: names.get(session.aircraftId) ?? 'unknown aircraft', entries: own };
		});
}
