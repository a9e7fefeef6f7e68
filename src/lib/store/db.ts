import Dexie, { type Table } from 'dexie';
import type { Stored } from '$lib/core/record/chain';
import { TABLE_NAMES } from '$lib/schema/files';
import { MENDED_TABLES, mended } from '$lib/schema/mended';
import type { Aircraft, Pack, Photo, Session, Site } from '$lib/schema/records';

/** How the columns of a kind of log were understood, so that the next one needs no questions. */
export interface Mapping {
	/** What the log is for, and its header row. */
	layout: string;
	columns: Record<string, { column: number; unit: string }>;
}

const NEWEST = 5;

export class WinglogosDb extends Dexie {
	declare aircraft: Table<Aircraft, string>;
	declare sites: Table<Site, string>;
	declare packs: Table<Pack, string>;
	declare sessions: Table<Session, string>;
	/** As they were written: the chain is over all of it. */
	declare entries: Table<Stored, string>;
	declare photos: Table<Photo, string>;
	declare mappings: Table<Mapping, string>;

	constructor(name = 'winglogos') {
		// "Recorded" is said only once it is on the disk, not in its cache.
		super(name, { chromeTransactionDurability: 'strict' });
		this.on('ready', () => this.#refuseNewer(), true);
		this.version(1).stores({
			aircraft: 'id',
			sites: 'id',
			packs: 'id, aircraftId',
			sessions: 'id, startedAt, aircraftId',
			entries: 'id, sessionId, aircraftId',
		});
		// Version 2: the place in a session became station and task, entries are read in order, column mappings are kept.
		this.version(2)
			.stores({
				entries: 'id, sessionId, aircraftId, [sessionId+seq]',
				mappings: 'layout',
			})
			.upgrade(async (tx) => {
				await tx
					.table('sessions')
					.toCollection()
					.modify((session: { station?: string; place?: { station: string; task: string | null } }) => {
						session.place ??= { station: session.station ?? 'plan', task: null };
						delete session.station;
					});
			});
		// Version 3: what an aircraft did is read by its time.
		// A bench book that was begun without a place named one that did not exist.
		this.version(3)
			.stores({ entries: 'id, sessionId, aircraftId, [sessionId+seq], [aircraftId+at]' })
			.upgrade(async (tx) => {
				const sites = new Set(await tx.table('sites').toCollection().primaryKeys());
				await tx
					.table('sessions')
					.filter(({ kind, siteId }: Session) => kind === 'bench' && !sites.has(siteId))
					.modify({ siteId: null });
			});
		// Version 4: the last finding of a sensor, the last hover and an aircraft's last session are found without reading the rest.
		this.version(4).stores({
			sessions: 'id, startedAt, aircraftId, [aircraftId+startedAt]',
			entries:
				'id, sessionId, aircraftId, [sessionId+seq], [aircraftId+at], [aircraftId+payload.kind+at], [aircraftId+payload.sensor+at], [aircraftId+payload.task+at]',
		});
		// Version 5: photos.
		this.version(NEWEST).stores({ photos: 'id, of.id' });
		// No page fails on a damaged row: what stands in for a field is named in the row.
		for (const table of MENDED_TABLES) this.table(table).hook('reading', (row: unknown) => mended(table, row));
	}

	/** Set on opening: a store that a newer version wrote is not read by an older one. */
	#refuseNewer(): void {
		// Dexie counts in tenths: whole numbers are ours, tenths are its own.
		if ((this.backendDB()?.version ?? 0) / 10 >= NEWEST + 1)
			throw Object.assign(new Error('A newer version of Winglogos wrote the data on this device.'), {
				name: 'VersionError',
			});
	}

	/** All tables of the record. */
	get record(): Table[] {
		return TABLE_NAMES.map((name) => this.table(name));
	}
}

export const db = new WinglogosDb();

/** Runs writes as one: all of them are on this device afterwards, or none. */
export const asOne = <T>(work: () => Promise<T>): Promise<T> => db.transaction('rw', db.record, work);
