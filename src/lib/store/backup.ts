import { InputError } from '$lib/core/frames/inputError';
import type { Backup, Entry, SessionFile } from '$lib/schema/records';
import { db } from './db';
import { loadSession } from './repository';

/** Everything on this device, as the parts of a backup. */
export async function readBackup(): Promise<Backup> {
	const [aircraft, sites, packs, sessions, entries] = await db.transaction(
		'r',
		[db.aircraft, db.sites, db.packs, db.sessions, db.entries],
		() =>
			Promise.all([
				db.aircraft.toArray(),
				db.sites.toArray(),
				db.packs.toArray(),
				db.sessions.toArray(),
				db.entries.toArray(),
			]),
	);
	return { aircraft, sites, packs, sessions, entries };
}

export async function readSessionFile(id: string): Promise<SessionFile> {
	const bundle = await loadSession(id);
	if (!bundle) throw new Error('This session is not on this device any more.');
	const { session, aircraft, site, pack, entries } = bundle;
	return {
		format: 'winglogos-session',
		version: 1,
		exportedAt: new Date().toISOString(),
		session,
		aircraft,
		site,
		pack,
		entries,
	};
}

export interface ImportSummary {
	sessions: number;
	entries: number;
	aircraft: number;
}

const newerOf = <T extends { id: string; updatedAt: string }>(incoming: T[], present: (T | undefined)[]): T[] =>
	incoming.filter((row, k) => {
		const before = present[k];
		return !before || before.updatedAt < row.updatedAt;
	});

const startsWith = (long: Entry[], short: Entry[]) => short.every((entry, k) => long[k]?.hash === entry.hash);

/**
 * Brings a checked backup into the store, empty or used, all or nothing. Newer aircraft, sites and packs win; a session
 * that is here already is prolonged where the file goes on from it, kept where it goes on from the file, and the whole
 * import is refused where the two have parted.
 */
export async function restore(backup: Backup): Promise<ImportSummary> {
	return db.transaction('rw', [db.aircraft, db.sites, db.packs, db.sessions, db.entries], async () => {
		const aircraft = newerOf(backup.aircraft, await db.aircraft.bulkGet(backup.aircraft.map(({ id }) => id)));
		const sites = newerOf(backup.sites, await db.sites.bulkGet(backup.sites.map(({ id }) => id)));
		const packs = newerOf(backup.packs, await db.packs.bulkGet(backup.packs.map(({ id }) => id)));
		await db.aircraft.bulkPut(aircraft);
		await db.sites.bulkPut(sites);
		await db.packs.bulkPut(packs);
		let sessions = 0;
		let entries = 0;
		for (const session of backup.sessions) {
			const incoming = backup.entries.filter((entry) => entry.sessionId === session.id).sort((a, b) => a.seq - b.seq);
			const here = await db.entries.where('sessionId').equals(session.id).sortBy('seq');
			if (startsWith(here, incoming) && (await db.sessions.get(session.id))) continue;
			if (!startsWith(incoming, here))
				throw new InputError(
					'session-parted',
					`sessions.${session.id}`,
					`Session "${session.title}" is on this device with other entries than in the file. Nothing was imported.`,
				);
			const added = incoming.slice(here.length);
			await db.sessions.put(session);
			await db.entries.bulkAdd(added);
			sessions++;
			entries += added.length;
		}
		return { sessions, entries, aircraft: aircraft.length };
	});
}
