import Dexie, { type Table } from 'dexie';
import type { Aircraft, Entry, Pack, Session, Site } from '$lib/schema/records';

/** How the columns of a kind of log were understood, so that the next one needs no questions. */
export interface Mapping {
	/** What the log is for, and its header row. */
	layout: string;
	columns: Record<string, { column: number; unit: string }>;
}

export class WinglogosDb extends Dexie {
	declare aircraft: Table<Aircraft, string>;
	declare sites: Table<Site, string>;
	declare packs: Table<Pack, string>;
	declare sessions: Table<Session, string>;
	declare entries: Table<Entry, string>;
	declare mappings: Table<Mapping, string>;

	constructor(name = 'winglogos') {
		super(name);
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
				entries: 'id, sessionId, aircraftId, &[sessionId+seq]',
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
	}
}

export const db = new WinglogosDb();
