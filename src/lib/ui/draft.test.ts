import { beforeEach, describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { keptFields, recallDraft, rememberDraft, sameShape } from './draft.svelte';

const NOW = Date.UTC(2026, 4, 14, 9);
const HOUR = 3_600_000;

const store = new Map<string, string>();
beforeEach(() => {
	store.clear();
	vi.stubGlobal('localStorage', {
		getItem: (key: string) => store.get(key) ?? null,
		setItem: (key: string, value: string) => void store.set(key, value),
		removeItem: (key: string) => void store.delete(key),
	});
});

describe('a draft', () => {
	it('comes back within half a day, and not after', () => {
		rememberDraft('a', { title: 'Morning' }, NOW);
		expect(recallDraft('a', NOW + 11 * HOUR)).toEqual({ title: 'Morning' });
		expect(recallDraft('a', NOW + 13 * HOUR)).toBeNull();
		expect(recallDraft('b', NOW)).toBeNull();
	});
	it('that is empty is forgotten', () => {
		rememberDraft('a', 1, NOW);
		rememberDraft('a', null, NOW);
		expect([...store.keys()]).toEqual([]);
	});
	it.each(['{', '"text"', '{"at":"x","value":1}', 'null'])('that is unreadable, %s, is none', (text) => {
		rememberDraft('a', 1, NOW);
		store.set([...store.keys()][0], text);
		expect(recallDraft('a', NOW)).toBeNull();
	});
	it('is not kept where the store is full, and nothing breaks', () => {
		vi.stubGlobal('localStorage', {
			getItem: () => null,
			setItem: () => {
				throw new Error('full');
			},
		});
		expect(() => rememberDraft('a', 1, NOW)).not.toThrow();
	});
});

describe('words of a form taken up', () => {
	const form = { title: '', count: 0 };
	it('are those of the same name and type', () => {
		expect(sameShape({ title: 'x', count: 'many', other: 1 }, form)).toEqual({ title: 'x' });
		expect(sameShape({ other: 1 }, form)).toBeNull();
		expect(sameShape('text', form)).toBeNull();
	});
});

describe('fields of a schema taken up', () => {
	const schema = z.object({ name: z.string(), firmware: z.string().default('') }).partial();
	it('are those that were kept: a default overwrites nothing', () => {
		expect(keptFields(schema, { name: 'Dunlin' })).toEqual({ name: 'Dunlin' });
		expect(keptFields(schema, { name: 5 })).toBeNull();
		expect(keptFields(schema, null)).toBeNull();
	});
});
