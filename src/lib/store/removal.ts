import { counted } from '$lib/words/counted';
import { isDemo } from '$lib/schema/demoIds';
import type { Session } from '$lib/schema/records';
import type { Table } from 'dexie';
import { db } from './db';

/** What is taken out of use or deleted: what stands in a record stays, what was entered by mistake and used by nothing goes. */

const ofAircraft = (id: string) => db.sessions.where('aircraftId').equals(id);

/** In how many sessions an aircraft or a site stands, bench books among them. */
export const sessionsWith = (table: 'aircraft' | 'sites', id: string): Promise<number> =>
	table === 'aircraft' ? ofAircraft(id).count() : db.sessions.filter(({ siteId }) => siteId === id).count();

/** Puts back what was taken away, as it was. */
export type Undo = () => Promise<void>;

/** Deletes these rows of these tables, within the caller's transaction. */
async function takeAway(...parts: readonly (readonly [table: Table, keys: readonly unknown[]])[]): Promise<Undo> {
	const taken = await Promise.all(
		parts.map(async ([table, keys]) => ({ table, rows: (await table.bulkGet([...keys])).filter((row) => row) })),
	);
	for (const [table, keys] of parts) await table.bulkDelete([...keys]);
	return () =>
		db.transaction('rw', db.record, async () => {
			for (const { table, rows } of taken) await table.bulkPut(rows);
		});
}

const photosOf = (...ids: readonly string[]) =>
	db.photos
		.where('of.id')
		.anyOf([...ids])
		.primaryKeys();

/**
 * Deletes an aircraft with its packs, or a site, with their photos.
 * @throws Error where a session names it: then it is taken out of use instead.
 */
export function deleteUnused(table: 'aircraft' | 'sites', id: string): Promise<Undo> {
	return db.transaction('rw', db.record, async () => {
		const used = await sessionsWith(table, id);
		if (used > 0)
			throw new Error(`It stands in ${counted(used, 'session')} of the record: take it out of use instead.`);
		const packs = table === 'aircraft' ? await db.packs.where('aircraftId').equals(id).primaryKeys() : [];
		return takeAway([db.photos, await photosOf(id, ...packs)], [db.packs, packs], [db.table(table), [id]]);
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
export function deleteEmptySession(id: string): Promise<Undo> {
	return db.transaction('rw', db.record, async () => {
		if (!(await isEmptySession(id)))
			throw new Error('Something was recorded in this session: it is ended, not deleted.');
		return takeAway([db.entries, await db.entries.where('sessionId').equals(id).primaryKeys()], [db.sessions, [id]]);
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
export function takeOutDemo(): Promise<Undo> {
	return db.transaction('rw', db.record, async () => {
		const sessions = (await demoSessions()).map(({ id }) => id);
		const packs = await db.packs.filter(({ aircraftId }) => isDemo(aircraftId)).primaryKeys();
		const aircraft = await db.aircraft.filter(({ id }) => isDemo(id)).primaryKeys();
		const others = await db.sessions.filter(({ aircraftId }) => !isDemo(aircraftId)).toArray();
		const still = new Set(others.map(({ siteId }) => siteId));
		const sites = await db.sites.filter(({ id }) => isDemo(id) && !still.has(id)).primaryKeys();
		return takeAway(
			[db.photos, await photosOf(...sessions, ...packs, ...aircraft, ...sites)],
			[db.entries, await db.entries.where('sessionId').anyOf(sessions).primaryKeys()],
			[db.sessions, sessions],
			[db.packs, packs],
			[db.aircraft, aircraft],
			[db.sites, sites],
		);
	});
}
