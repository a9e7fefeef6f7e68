import { exportSessionFile, type Export } from '$lib/core/record/archive';
import { forOthers } from '$lib/core/record/handOut';
import { merge, planMerge, type MergeItem } from '$lib/core/record/merge';
import { backupSchema, TABLE_NAMES, type Backup, type SessionFile } from '$lib/schema/files';
import { rowsAround } from './around';
import { db } from './db';
import { noteImport } from './repository';

const joinedSchema = backupSchema.omit({ entries: true });
/** Entries that are written before progress is reported. */
const AT_A_TIME = 2000;

/** Everything on this device, as the parts of a backup; entries as they stand. */
export async function readBackup(): Promise<Backup> {
	const parts = await db.transaction('r', db.record, () => Promise.all(db.record.map((table) => table.toArray())));
	return Object.fromEntries(TABLE_NAMES.map((name, k) => [name, parts[k]])) as Backup;
}

/** One session with all it refers to, whole. */
export async function readSessionFile(id: string): Promise<SessionFile> {
	const session = await db.sessions.get(id);
	if (!session) throw new Error('This session is not on this device any more.');
	const { aircraft, site, pack } = await rowsAround(session);
	if (!aircraft)
		throw new Error('The aircraft of this session is not on this device any more, so the session cannot be exported.');
	const entries = await db.entries.where('sessionId').equals(id).sortBy('seq');
	const photos = await db.photos.where('of.id').equals(id).toArray();
	return {
		format: 'winglogos-session',
		version: 1,
		exportedAt: new Date().toISOString(),
		session,
		aircraft,
		site,
		pack,
		entries: entries as SessionFile['entries'],
		photos,
	};
}

/** One session as JSON for others, checked. */
export const exportSession = async (id: string): Promise<Export<string>> =>
	exportSessionFile(forOthers(await readSessionFile(id)));

/** What a checked file would bring, thing by thing; nothing is changed. */
export const planImport = async (incoming: Backup): Promise<MergeItem[]> => planMerge(incoming, await readBackup());

export interface ImportSummary {
	sessions: number;
	entries: number;
	aircraft: number;
}

/**
 * Brings in what the pilot chose of a checked file, all or nothing, planned again inside the transaction. A running session whose
 * aircraft, site or battery it changes writes that down as the forms do, and the events that its aircraft did not know.
 *
 * @param progress receives the share written
 * @throws InputError where something changed since the pilot chose, where what was chosen does not stand by itself, and where the chain
 * of a session would not verify
 */
export async function applyImport(
	incoming: Backup,
	items: readonly MergeItem[],
	options: { leaveChanged?: boolean } = {},
	progress?: (share: number) => void,
): Promise<ImportSummary> {
	return db.transaction('rw', db.record, async () => {
		const { write, replaced, events } = merge(incoming, await readBackup(), items, options);
		// Every entry was read by its schema when the file was checked; what was joined here was not.
		const { entries } = write;
		const rest = joinedSchema.parse(write);
		for (const id of replaced) await db.entries.where('sessionId').equals(id).delete();
		for (const [name, rows] of Object.entries(rest)) await db.table(name).bulkPut(rows);
		for (let from = 0; from < entries.length; from += AT_A_TIME) {
			await db.entries.bulkAdd(entries.slice(from, from + AT_A_TIME));
			progress?.(Math.min(1, (from + AT_A_TIME) / entries.length));
		}
		await noteImport(events);
		return { sessions: rest.sessions.length, entries: entries.length, aircraft: rest.aircraft.length };
	});
}

/** Brings a whole checked file in where nothing of it is on this device: the demo. */
export const restore = async (incoming: Backup): Promise<ImportSummary> =>
	applyImport(incoming, await planImport(incoming));
