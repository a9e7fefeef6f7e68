import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { ticked } from '$lib/core/facts/entries.fixture';
import type { MergeItem } from '$lib/core/record/merge';
import type { Backup } from '$lib/schema/files';
import { newAircraft } from '$lib/schema/newAircraft';
import type { Aircraft, Pack } from '$lib/schema/records';
import { applyImport, planImport, readBackup } from './backup';
import { asOne, db } from './db';
import { giveBack, remember } from './giveBack';
import { addPhoto } from './photos';
import { deleteEmptySession } from './removal';
import {
	appendEntry,
	choosePack,
	endSession,
	noteEvent,
	reopenSession,
	saveAircraft,
	savePack,
	saveSite,
	saveToBench,
	settleFact,
	startSession,
} from './repository';
import { saveSettingsSheet } from './settingsSheet';

const AT = '2026-05-14T09:00:00.000Z';
const aircraft = (): Aircraft => ({ ...newAircraft('a1', 'multirotor', AT), name: 'Dunlin', firmware: '4.1' });
const pack = (id: string): Pack => ({
	id,
	name: id,
	aircraftId: 'a1',
	cells: 4,
	capacityMah: 5000,
	cycles: 3,
	boughtOn: '2026-01-01',
	notes: '',
	updatedAt: AT,
});
const site = { id: 'p1', name: 'Saltings', latDeg: 54.2, lonDeg: -3.1, altM: 10, notes: '', updatedAt: AT };
const KILLED = 'killed between two writes';

/** Throws at the write of this number, counted over all tables; with Infinity it only counts. */
const injection = { at: Infinity, count: 0 };
function write(): void {
	injection.count++;
	if (injection.count >= injection.at) throw new Error(KILLED);
}
for (const table of db.tables) {
	table.hook('creating', write);
	table.hook('updating', write);
	table.hook('deleting', write);
}

let session = '';
let file: Backup;
let items: MergeItem[] = [];
async function prepare() {
	Object.assign(injection, { at: Infinity, count: 0 });
	await db.delete();
	await db.open();
	await saveAircraft(aircraft());
	await saveSite(site);
	await savePack(pack('k1'));
	await savePack(pack('k2'));
	({ id: session } = await startSession({
		kind: 'flight' as const,
		title: 'Morning',
		aircraftId: 'a1',
		siteId: 'p1',
		packId: 'k1',
		pilot: 'Pilot',
	}));
	await saveSettingsSheet('a1', { note: '', values: [{ name: 'gain', value: '1' }] });
}
beforeEach(prepare);

const flight = (what: 'took-off' | 'landed') =>
	({ kind: 'flight', task: 'flying', what, note: '', landAfterMin: null }) as const;
const photo = {
	of: { table: 'sessions', id: '' },
	task: 'frame',
	caption: 'c',
	widthPx: 1,
	heightPx: 1,
	jpeg: '/9j/',
	sha256: 'a'.repeat(64),
} as const;

/** Every action of the pilot that writes more than one row. */
const ACTIONS: readonly [name: string, act: () => Promise<unknown>, before?: () => Promise<unknown>][] = [
	[
		'begin a session',
		() => startSession({ kind: 'flight', title: 'B', aircraftId: 'a1', siteId: 'p1', packId: 'k1', pilot: 'P' }),
	],
	['answer', () => appendEntry(session, 'plan', 'Pilot', ticked('frame'))],
	[
		'settle two values',
		() =>
			settleFact(session, 'return', {
				...ticked('fact-returnAltitudeM'),
				states: [{ key: 'returnAltitudeM', value: 55 }],
			}),
	],
	['log an event', () => noteEvent('a1', { what: 'knock', note: 'fell' }, session)],
	['save new firmware', () => saveAircraft({ ...aircraft(), firmware: '4.2' })],
	[
		'save a settings sheet that differs',
		() => saveSettingsSheet('a1', { note: '', values: [{ name: 'gain', value: '2' }] }),
	],
	['save a photo of the session', () => addPhoto({ ...photo, of: { table: 'sessions', id: session } }, 'bench')],
	['choose another battery', () => choosePack(session, 'k2')],
	[
		'end a session that flew',
		() => endSession(session),
		async () => {
			await appendEntry(session, 'fly', 'Pilot', flight('took-off'));
			await appendEntry(session, 'fly', 'Pilot', flight('landed'));
		},
	],
	['reopen a session', () => reopenSession(session, 'forgot something'), () => endSession(session)],
	['save to the bench book', () => saveToBench(aircraft(), 'p1', 'Pilot', ticked('frame'))],
	[
		'record a measurement with what it gives back',
		() =>
			asOne(async () => {
				await appendEntry(session, 'bench', 'Pilot', ticked('frame'));
				await remember('a1', 'pack', { cells: 4 });
				await giveBack(ticked('frame'), { aircraftId: 'a1', packId: 'k1', siteId: 'p1' });
			}),
	],
	['delete an empty session', () => deleteEmptySession(session)],
	[
		'import into a running session',
		() => applyImport(file, items),
		async () => {
			file = await readBackup();
			file.aircraft[0] = {
				...aircraft(),
				compassHeadingLimitDeg: 9,
				events: [{ id: 'ev', at: '2099-01-01T00:00:00.000Z', kind: 'part', note: '' }],
			};
			items = (await planImport(file)).map((item) => ({ ...item, take: item.table === 'aircraft' }));
		},
	],
];
const dump = async () => JSON.stringify(await readBackup());

describe('an action killed between any two of its writes', () => {
	it.each(ACTIONS)('%s: leaves all of it or nothing', async (_, act, before = () => Promise.resolve()) => {
		await before();
		injection.count = 0;
		const untouched = await dump();
		await act();
		const writes = injection.count;
		expect(await dump()).not.toBe(untouched);
		expect(writes).toBeGreaterThan(1);
		for (let at = 1; at <= writes; at++) {
			await prepare();
			await before();
			const whole = await dump();
			Object.assign(injection, { at, count: 0 });
			await expect(act(), `write ${at} of ${writes}`).rejects.toThrow();
			injection.at = Infinity;
			expect(await dump(), `write ${at} of ${writes}`).toBe(whole);
		}
	});
});
