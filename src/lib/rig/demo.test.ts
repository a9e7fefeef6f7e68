import { describe, expect, it } from 'vitest';
import type { z } from 'zod';
import { verifyChain } from '../core/record/chain';
import { entrySchema } from '../schema/entries';
import { backupSchema } from '../schema/files';
import { aircraftSchema, packSchema, sessionSchema, siteSchema } from '../schema/records';
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

describe('of any record with one field damaged', () => {
	const RECORDS: [string, z.ZodType, readonly object[]][] = [
		['aircraft', aircraftSchema, demo.aircraft],
		['site', siteSchema, demo.sites],
		['pack', packSchema, demo.packs],
		['session', sessionSchema, demo.sessions],
		['entry', entrySchema, demo.entries.filter((_, k) => k % 9 === 0)],
	];

	it.each(RECORDS)('%s: it is told in words of ours that name no library and no code', (_name, schema, records) => {
		let damaged = 0;
		for (const record of records) {
			expect(schema.safeParse(record).success).toBe(true);
			for (const key of Object.keys(record))
				for (const bad of [undefined, null, 'x', 7, {}, [], Number.NaN]) {
					const error = schema.safeParse({ ...record, [key]: bad }).error;
					if (!error) continue;
					damaged++;
					for (const { message } of error.issues) {
						expect(message, key).toMatch(/^(is|must|has|holds|needs|[A-Z])/);
						expect(message, key).not.toMatch(/Invalid|expected|received|undefined|NaN|\[object/);
					}
				}
		}
		expect(damaged).toBeGreaterThan(records.length);
	});
});
