import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { beginUnderway, forgetUnderway, underwayOf } from './underway';

const BENCH = { name: 'serial line', practice: false };
const HOUR = 3_600_000;
const NOON = Date.UTC(2026, 4, 14, 12);

beforeEach(() => {
	vi.useFakeTimers({ toFake: ['Date'], now: NOON });
	for (const key of ['a', 'b']) forgetUnderway(key);
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('a recording under way', () => {
	it('comes back whole and in order, by its own key', async () => {
		const to = beginUnderway('a', BENCH);
		for (let i = 0; i < 20; i++) to.write({ i });
		expect(await underwayOf('a')).toEqual({ from: BENCH, pieces: Array.from({ length: 20 }, (_, i) => ({ i })) });
		expect(await underwayOf('b')).toBeNull();
	});
	it('is replaced by the next one of its key, and a piece that comes late belongs to its own', async () => {
		const first = beginUnderway('a', BENCH);
		first.write('first');
		const second = beginUnderway('a', { name: 'practice aircraft', practice: true });
		first.write('late');
		second.write('second');
		expect(await underwayOf('a')).toEqual({ from: { name: 'practice aircraft', practice: true }, pieces: ['second'] });
	});
	it('is forgotten when it is in the record, and after half a day', async () => {
		beginUnderway('a', BENCH).write(1);
		forgetUnderway('a');
		expect(await underwayOf('a')).toBeNull();
		beginUnderway('a', BENCH).write(2);
		vi.setSystemTime(NOON + 11 * HOUR);
		expect(await underwayOf('a')).not.toBeNull();
		vi.setSystemTime(NOON + 13 * HOUR);
		expect(await underwayOf('a')).toBeNull();
	});
	it('that is in hand on another page is not offered', async () => {
		const held = new Set<string>();
		vi.stubGlobal('navigator', {
			locks: {
				request: (name: string) => (held.add(name), new Promise(() => undefined)),
				query: () => Promise.resolve({ held: [...held].map((name) => ({ name })) }),
			},
		});
		beginUnderway('a', BENCH).write(1);
		expect(await underwayOf('a')).toBeNull();
		held.clear();
		expect((await underwayOf('a'))?.pieces).toEqual([1]);
	});
	it('that cannot be written breaks nothing, and what comes after it is written', async () => {
		const to = beginUnderway('a', BENCH);
		to.write(() => 'a function is not stored');
		to.write('after');
		expect((await underwayOf('a'))?.pieces).toEqual(['after']);
	});
});
