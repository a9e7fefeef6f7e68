import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { openDrafts, recallDraft, rememberDraft } from './drafts';
import { underwayDb } from './underwayDb';

const NOW = Date.UTC(2026, 4, 14, 9);
const HOUR = 3_600_000;

/** Another page of this device, opened now: nothing of it is in memory. */
async function opened(): Promise<typeof recallDraft> {
	vi.resetModules();
	const other = await import('./drafts');
	await other.openDrafts();
	return other.recallDraft;
}

beforeEach(() => {
	vi.useFakeTimers({ toFake: ['Date'], now: NOW });
	for (const key of ['a', 'b']) rememberDraft(key, null, NOW);
});
afterEach(() => {
	vi.useRealTimers();
	vi.restoreAllMocks();
});

describe('a draft', () => {
	it('comes back within half a day, and not after', () => {
		rememberDraft('a', { title: 'Morning' }, NOW);
		expect(recallDraft('a', NOW + 11 * HOUR)).toEqual({ title: 'Morning' });
		expect(recallDraft('a', NOW + 13 * HOUR)).toBeNull();
		expect(recallDraft('b', NOW)).toBeNull();
	});
	it('is on the disk for a page that is opened next, as it was typed last', async () => {
		for (let i = 0; i <= 100; i++) rememberDraft('a', { i }, NOW);
		await openDrafts();
		expect((await opened())('a', NOW)).toEqual({ i: 100 });
	});
	it('that is empty is forgotten, here and on the disk', async () => {
		rememberDraft('a', 1, NOW);
		rememberDraft('a', null, NOW);
		expect(recallDraft('a', NOW)).toBeNull();
		await openDrafts();
		expect(await underwayDb.drafts.count()).toBe(0);
	});
	it('of half a day ago is deleted when the application is opened', async () => {
		rememberDraft('a', 1, NOW);
		await openDrafts();
		vi.setSystemTime(NOW + 13 * HOUR);
		await openDrafts();
		expect(await underwayDb.drafts.count()).toBe(0);
	});
	it.each(['{', '"text', ''])('that is unreadable, %s, is none', async (text) => {
		await underwayDb.drafts.put({ key: 'a', at: NOW, text });
		expect((await opened())('a', NOW)).toBeNull();
	});
	it('is known to the other pages of the device as it is typed', async () => {
		await openDrafts();
		const other = new BroadcastChannel('winglogos-drafts');
		try {
			other.postMessage({ key: 'b', draft: { key: 'b', at: NOW, text: '"typed there"' } });
			await vi.waitFor(() => expect(recallDraft('b', NOW)).toBe('typed there'));
		} finally {
			other.close();
		}
	});
	it('of the last moment before the page is loaded again is handed to the next, a forgotten one too', async () => {
		const session = new Map<string, string>();
		vi.stubGlobal('sessionStorage', {
			getItem: (key: string) => session.get(key) ?? null,
			setItem: (key: string, value: string) => void session.set(key, value),
			removeItem: (key: string) => void session.delete(key),
		});
		const page = new EventTarget();
		vi.stubGlobal('addEventListener', page.addEventListener.bind(page));
		rememberDraft('b', 'recorded meanwhile', NOW);
		await openDrafts();
		vi.spyOn(underwayDb.drafts, 'put').mockReturnValue(new Promise(() => undefined) as never);
		rememberDraft('a', 'last moment', NOW);
		rememberDraft('b', null, NOW);
		page.dispatchEvent(new Event('pagehide'));
		vi.restoreAllMocks();
		const recall = await opened();
		expect([recall('a', NOW), recall('b', NOW)]).toEqual(['last moment', null]);
		expect(session.size).toBe(0);
		vi.unstubAllGlobals();
	});
	it('is kept for this page where the store is full, and nothing breaks', async () => {
		vi.spyOn(underwayDb.drafts, 'put').mockRejectedValue(new Error('full'));
		rememberDraft('a', 1, NOW);
		await openDrafts();
		expect(recallDraft('a', NOW)).toBe(1);
	});
});
