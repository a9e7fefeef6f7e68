import 'fake-indexeddb/auto';
import { CHAIN_START, link } from '../../src/lib/core/record/chain';
import { makeDemo } from '../../src/lib/rig/demo';
import { entryBodySchema } from '../../src/lib/schema/entries';
import { restore } from '../../src/lib/store/backup';
import { db } from '../../src/lib/store/db';
import { lastSite, loadHome } from '../../src/lib/store/home';
import { lastFindings } from '../../src/lib/store/repository';
import { listSessions } from '../../src/lib/store/tables';
import { report } from './report';

const RUNS = 5;

async function medianMs(call: () => Promise<unknown>): Promise<number> {
	const times: number[] = [];
	for (let k = 0; k < RUNS; k++) {
		const from = performance.now();
		await call();
		times.push(performance.now() - from);
	}
	return times.sort((a, b) => a - b)[RUNS >> 1];
}

/** Repeats the demo's flight sessions before themselves, a day earlier each time, until there are so many. */
async function fillTo(sessions: number): Promise<void> {
	const flights = (await db.sessions.toArray()).filter(({ kind }) => kind === 'flight');
	const entries = await db.entries.toArray();
	const before = (at: string, days: number) => new Date(Date.parse(at) - days * 86_400_000).toISOString();
	for (let copy = 1; (await db.sessions.count()) < sessions; copy++) {
		const made = flights.map((session) => ({
			...session,
			id: `${session.id}-${copy}`,
			startedAt: before(session.startedAt, copy),
			endedAt: before(session.endedAt ?? session.startedAt, copy),
		}));
		const rows = flights.flatMap(({ id }) =>
			entries
				.filter(({ sessionId }) => sessionId === id)
				.map((entry) => {
					const body = { ...entry, id: `${String(entry.id)}-${copy}`, sessionId: `${id}-${copy}` };
					return link(CHAIN_START, entryBodySchema.parse({ ...body, at: before(String(entry.at), copy) }));
				}),
		);
		await db.transaction('rw', db.record, async () => {
			await db.sessions.bulkPut(made);
			await db.entries.bulkPut(rows);
		});
	}
}

/** What the pages read of a short record and of a long one, in a store of this machine's memory. */
export async function benchStore(): Promise<void> {
	await restore(makeDemo(new Date('2026-05-14T09:00:00Z')));
	const [{ id }] = await db.aircraft.toArray();
	const rows: Record<string, string | number>[] = [];
	for (const least of [0, 1000]) {
		await fillTo(least);
		const ms = async (call: () => Promise<unknown>) => Number((await medianMs(call)).toFixed(1));
		rows.push({
			sessions: await db.sessions.count(),
			entries: await db.entries.count(),
			'home, ms': await ms(loadHome),
			'logbook, ms': await ms(() => listSessions(40)),
			'aircraft, ms': await ms(() =>
				Promise.all([db.aircraft.get(id), lastFindings(id, new Date().toISOString()), lastSite(id)]),
			),
		});
	}
	report('What a page reads of the store', rows);
}
