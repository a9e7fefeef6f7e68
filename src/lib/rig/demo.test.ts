import { describe, expect, it } from 'vitest';
import { verifyChain } from '../core/record/chain';
import { backupSchema } from '../schema/files';
import { makeDemo } from './demo';

const NOW = new Date('2026-05-14T10:30:00');
const demo = makeDemo(NOW);
const entriesOf = (id: string) =>
	demo.entries.filter(({ sessionId }) => sessionId === id).sort((a, b) => a.seq - b.seq);

describe('the made-up fleet', () => {
	it('is a backup like any other', () => {
		expect(backupSchema.safeParse(demo).error).toBeUndefined();
	});

	it('is the same for the same moment', () => {
		expect(makeDemo(NOW)).toEqual(demo);
	});

	it('has chains that hold, each to the head of its session', () => {
		expect(demo.sessions.length).toBeGreaterThan(5);
		for (const session of demo.sessions) expect(verifyChain(entriesOf(session.id), session).broken).toEqual([]);
	});

	it('shows a chain that was meddled with', () => {
		const session = demo.sessions.find(({ id }) => entriesOf(id).length > 3) ?? demo.sessions[0];
		const entries = entriesOf(session.id).map((entry, k) => (k === 1 ? { ...entry, by: 'Somebody else' } : entry));
		expect(verifyChain(entries, session).broken.map(({ number }) => number)).toEqual([2]);
	});

	it('refers only to what is there, and to nothing after now', () => {
		const known = (list: readonly { id: string }[]) => new Set(list.map(({ id }) => id));
		const [aircraft, sites, packs, sessions] = [demo.aircraft, demo.sites, demo.packs, demo.sessions].map(known);
		for (const session of demo.sessions) {
			expect(aircraft).toContain(session.aircraftId);
			if (session.siteId) expect(sites).toContain(session.siteId);
			if (session.packId) expect(packs).toContain(session.packId);
			expect(new Date(session.startedAt).getTime()).toBeLessThanOrEqual(NOW.getTime());
		}
		for (const entry of demo.entries) {
			expect(sessions).toContain(entry.sessionId);
			expect(new Date(String(entry.at)).getTime()).toBeLessThanOrEqual(NOW.getTime());
		}
	});

	it('names every aircraft, site and pack once', () => {
		for (const list of [demo.aircraft, demo.sites]) {
			const names = list.map(({ name }) => name);
			expect(new Set(names).size).toBe(names.length);
		}
	});
});
