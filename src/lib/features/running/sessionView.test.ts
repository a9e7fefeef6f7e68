import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { newAircraft } from '$lib/schema/newAircraft';
import type { EntryPayload } from '$lib/schema/entries';
import type { Session, StationId } from '$lib/schema/records';
import { db } from '$lib/store/db';
import { endSession, findAircraft, saveAircraft, saveSite, startSession } from '$lib/store/repository';
import { SessionView } from './sessionView.svelte';

const AT = '2026-05-14T09:00:00.000Z';

/** How often a query is asked again here: outside of a component it cannot follow its tables. */
const AGAIN_MS = 15;
vi.mock('$lib/store/live.svelte', () => {
	const once = (query: () => Promise<unknown>) => {
		const state = { current: undefined as unknown, error: null as unknown, ready: false };
		const again = () => void query().then((current) => Object.assign(state, { current, ready: true }));
		again();
		return Object.assign(state, { again });
	};
	const live = (query: () => Promise<unknown>) => {
		const state = once(query);
		setInterval(state.again, AGAIN_MS).unref();
		return state;
	};
	return { live, once };
});

beforeEach(async () => {
	await Promise.all(db.record.map((table) => table.clear()));
	await saveAircraft({ ...newAircraft('a1', 'multirotor', AT), name: 'Dunlin' });
	await saveSite({ id: 's1', name: 'Saltings', latDeg: 54.21, lonDeg: -3.06, altM: 7, notes: '', updatedAt: AT });
});

/** A session as its pages see it. */
async function opened(kind: Session['kind'] = 'flight', more: Partial<Session> = {}) {
	const session = await startSession({
		kind,
		title: 'Morning check',
		aircraftId: 'a1',
		siteId: 's1',
		packId: null,
		pilot: 'Ines Marlowe',
		...more,
	} as Parameters<typeof startSession>[0]);
	const view = new SessionView(() => session.id, new Date().toISOString());
	await vi.waitFor(() => expect(view.ready).toBe(true), { timeout: 5000 });
	return { session, view };
}

const check = (task: string, outcome: 'done' | 'doubtful' | 'failed' = 'done'): EntryPayload => ({
	kind: 'check',
	task,
	outcome,
	value: null,
	unit: '',
	waitedS: null,
	reason: outcome === 'done' ? '' : 'seen so',
});
const taskOf = (view: SessionView, task: string) =>
	view.state.stations.flatMap(({ tasks }) => tasks).find((t) => t.task === task);
/** A plain item of a station, and the station it stands at. */
function anItem(view: SessionView): { task: string; station: StationId } {
	const found = view.state.stations
		.flatMap(({ tasks }) => tasks)
		.find(({ task, page }) => !page && task === 'props-whole');
	if (!found) throw new Error('no item');
	return found;
}

describe('a session as its pages see it', () => {
	it('that is not on this device is missing, and is not read', async () => {
		const view = new SessionView(() => 'nowhere', AT);
		await vi.waitFor(() => expect(view.ready).toBe(true), { timeout: 5000 });
		expect(view.missing).toBe(true);
		expect(() => view.bundle).toThrow(/read before its pages/);
	});

	it('shows what was recorded as soon as recording it is over, in the pilot’s name', async () => {
		const { view } = await opened();
		const { task, station } = anItem(view);
		expect(taskOf(view, task)?.mark).toBe('unseen');
		const entry = await view.record(station, check(task));
		expect(entry.by).toBe('Ines Marlowe');
		expect(view.bundle.entries.at(-1)?.id).toBe(entry.id);
		expect(taskOf(view, task)?.mark).toBe('clear');
		expect(view.bundle.chain.ok).toBe(true);
		await view.record(station, check(task, 'failed'), entry.id);
		expect(taskOf(view, task)?.mark).not.toBe('clear');
	});

	it('keeps the order of what is recorded at the same moment', async () => {
		const { view } = await opened();
		const { station } = anItem(view);
		const tasks = ['props-whole', 'still', 'props-whole', 'still'];
		await Promise.all(tasks.map((task) => view.record(station, check(task))));
		await vi.waitFor(() =>
			expect(view.bundle.entries.filter(({ payload }) => payload.kind === 'check')).toHaveLength(4),
		);
		expect(view.bundle.entries.map(({ seq }) => seq)).toEqual(view.bundle.entries.map((_, k) => k));
		expect(view.bundle.chain.ok).toBe(true);
	});

	it('of a rehearsal grades all of it as rehearsed, and simulated data wherever they come', async () => {
		const [rehearsal, flight] = [await opened('rehearsal'), await opened()];
		expect([rehearsal.view.rehearsal, flight.view.rehearsal]).toEqual([true, false]);
		expect(rehearsal.view.grade('measured')).toBe('rehearsed');
		expect([flight.view.grade('measured'), flight.view.grade('measured', true)]).toEqual(['measured', 'rehearsed']);
		const payload: EntryPayload = {
			kind: 'test',
			task: 'site-field',
			grade: 'measured',
			sourceName: 'log.csv',
			headline: 'Clean',
			figures: [],
			verdict: 'pass',
			reasons: [],
		};
		const kept = await rehearsal.view.record('site', payload);
		expect(kept.payload).toMatchObject({ grade: 'rehearsed' });
		expect((await flight.view.record('site', payload)).payload).toMatchObject({ grade: 'measured' });
	});

	it('sets a task aside with its reason, and it stands as set aside', async () => {
		const { view } = await opened();
		const { task } = anItem(view);
		const state = taskOf(view, task);
		if (!state) throw new Error('no task');
		const entry = await view.setAside(state, 'Seen yesterday by the same eyes', null);
		expect(entry.payload).toMatchObject({ kind: 'aside', task, signedBy: 'Ines Marlowe' });
		expect(taskOf(view, task)?.mark).toBe('aside');
	});

	it('leaves something for the next session, which asks for it', async () => {
		const first = await opened();
		await first.view.leave('  Look at the left arm again  ', 'bench');
		await endSession(first.session.id);
		await vi.waitFor(() => expect(first.view.readOnly).toBe(true), { timeout: 5000 });
		const next = await opened();
		const titles = next.view.state.stations.flatMap(({ tasks }) => tasks.map(({ title }) => title));
		expect(titles.join('\n')).toContain('Look at the left arm again');
	});

	it('hears of what happened, which undoes what it undoes', async () => {
		const { view } = await opened();
		const { task, station } = anItem(view);
		await view.record(station, check(task));
		const undone = view.reopens('knock').map((t) => t.task);
		await view.happened('knock', 'The gate swung into it');
		expect((await findAircraft('a1'))?.events.at(-1)).toMatchObject({ kind: 'knock', note: 'The gate swung into it' });
		await vi.waitFor(
			() => {
				for (const one of undone) expect(taskOf(view, one)?.mark, one).not.toBe('clear');
			},
			{ timeout: 5000 },
		);
	});

	it('that is ended is only read, until it is reopened with a reason', async () => {
		const { view, session } = await opened();
		await endSession(session.id);
		await vi.waitFor(() => expect(view.readOnly).toBe(true), { timeout: 5000 });
		await view.reopen('The pack was swapped after all');
		await vi.waitFor(() => expect(view.readOnly).toBe(false), { timeout: 5000 });
		expect(view.bundle.entries.at(-1)?.payload).toMatchObject({ kind: 'session', what: 'reopened' });
	});

	it('knows the wind as it was entered last', async () => {
		const { view } = await opened();
		expect(view.wind).toBeNull();
		await view.record('return', { kind: 'wind', task: 'wind', fromDeg: 240, speedMps: 3, gustMps: 5 } as EntryPayload);
		await view.record('return', { kind: 'wind', task: 'wind', fromDeg: 200, speedMps: 6, gustMps: 9 } as EntryPayload);
		expect(view.wind).toMatchObject({ fromDeg: 200, speedMps: 6, gustMps: 9 });
	});

	it('says where each task is done', async () => {
		const { view, session } = await opened();
		const base = `/session/${session.id}`;
		expect(view.href('bench')).toBe(`${base}/bench`);
		expect(view.href('compass', 'compass')).toBe(`${base}/compass/compass`);
		expect(view.finderHref()).toBe(`/finder?aircraft=a1&session=${session.id}`);
		expect(view.finderHref('drifts')).toContain('&sign=drifts');
		for (const task of view.state.stations.flatMap(({ tasks }) => tasks)) {
			const href = view.taskHref(task);
			expect(href).toMatch(/^\/(session|aircraft)\/[^/]+/);
			if (!task.page) expect(href).toBe(`${base}/${task.station}?item=${task.task}`);
		}
	});
});
