import { isDemo } from '$lib/schema/demoIds';
import type { Session } from '$lib/schema/records';
import { db } from './db';

/** What is taken out of use or deleted: what stands in a record stays, what was entered by mistake and used by nothing goes. */

const ofAircraft = (id: string) => db.sessions.where('aircraftId').equals(id);

/** In how many sessions an aircraft or a site stands, bench books among them. */
export const sessionsWith = (table: 'aircraft' | 'sites', id: string): Promise<number> =>
	table === 'aircraft' ? ofAircraft(id).count() : db.sessions.filter(({ siteId }) => siteId === id).count();

/**
 * Deletes an aircraft with its packs, or a site, with their photos.
 * @throws Error where a session names it: then it is taken out of use instead.
 */
export async function deleteUnused(table: 'aircraft' | 'sites', id: string): Promise<void> {
	await db.transaction('rw', db.record, async () => {
		const used = await sessionsWith(table, id);
		if (used > 0)
			throw new Error(
				`It stands in ${used} session${used === 1 ? '' : 's'} of the record: take it out of use instead.`,
			);
		const packs = table === 'aircraft' ? await db.packs.where('aircraftId').equals(id).primaryKeys() : [];
		await db.photos
			.where('of.id')
			.anyOf([id, ...packs])
			.delete();
		await db.packs.bulkDelete(packs);
		await db.table(table).delete(id);
	});
}

/** True where a session holds nothing but what it is: begun, and no more. */
export async function isEmptySession(id: string): Promise<boolean> {
	const said = await db.entries
		.where('sessionId')
		.equals(id)
		.filter(({ payload }) => Object(payload).kind !== 'session')
		.first();
	return said === undefined && (await db.photos.where('of.id').equals(id).count()) === 0;
}

/**
 * Deletes a session in which nothing was recorded.
 * @throws Error where something was: a record is ended, never deleted.
 */
export async function deleteEmptySession(id: string): Promise<void> {
	await db.transaction('rw', db.record, async () => {
		if (!(await isEmptySession(id)))
			throw new Error('Something was recorded in this session: it is ended, not deleted.');
		await db.entries.where('sessionId').equals(id).delete();
		await db.sessions.delete(id);
	});
}

/** What of the demo lies on this device, and which sessions somebody began with its aircraft. */
export interface DemoHere {
	aircraft: number;
	sessions: number;
	/** Begun here, not made with the demo: they go with it. */
	begun: Session[];
}

const demoSessions = () => db.sessions.filter(({ aircraftId }) => isDemo(aircraftId)).toArray();

/** How much of the demo there is; none where it was never loaded or was taken out. */
export async function demoHere(): Promise<DemoHere> {
	const [aircraft, sessions] = await Promise.all([db.aircraft.filter(({ id }) => isDemo(id)).count(), demoSessions()]);
	const flights = sessions.filter(({ kind }) => kind !== 'bench');
	return {
		aircraft,
		sessions: flights.length,
		begun: flights.filter(({ id }) => !isDemo(id)),
	};
}

/** Takes the demo off this device: its aircraft with all that was recorded of them, and its sites where nothing else was flown there. */
export async function takeOutDemo(): Promise<void> {
	await db.transaction('rw', db.record, async () => {
		const sessions = (await demoSessions()).map(({ id }) => id);
		const packs = await db.packs.filter(({ aircraftId }) => isDemo(aircraftId)).primaryKeys();
		const aircraft = await db.aircraft.filter(({ id }) => isDemo(id)).primaryKeys();
		await db.entries.where('sessionId').anyOf(sessions).delete();
		await db.sessions.bulkDelete(sessions);
		await db.packs.bulkDelete(packs);
		await db.aircraft.bulkDelete(aircraft);
		const still = new Set((await db.sessions.toArray()).map(({ siteId }) => siteId));
		const sites = await db.sites.filter(({ id }) => isDemo(id) && !still.has(id)).primaryKeys();
		await db.sites.bulkDelete(sites);
		await db.photos
			.where('of.id')
			.anyOf([...sessions, ...packs, ...aircraft, ...sites])
			.delete();
	});
}
