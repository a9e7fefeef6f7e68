import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

const fresh = () => {
	vi.resetModules();
	return import('./device');
};

beforeEach(() => {
	const kept = new Map<string, string>();
	vi.stubGlobal('localStorage', {
		getItem: (key: string) => kept.get(key) ?? null,
		setItem: (key: string, value: string) => kept.set(key, value),
	});
});
afterEach(() => vi.unstubAllGlobals());

describe('the name of a device', () => {
	it('is made once and kept', async () => {
		const { deviceId } = await fresh();
		const name = deviceId();
		expect(name).toMatch(/^[0-9a-f]{8}$/);
		expect((await fresh()).deviceId()).toBe(name);
	});
	it('is one for all where the browser keeps nothing', async () => {
		const refuse = () => {
			throw new DOMException('denied', 'SecurityError');
		};
		vi.stubGlobal('localStorage', { getItem: refuse, setItem: refuse });
		expect((await fresh()).deviceId()).toBe('this');
	});
});

describe('the space of the browser', () => {
	it('is asked to be kept once, whatever the answer', async () => {
		const persist = vi.fn().mockRejectedValue(new Error('refused'));
		vi.stubGlobal('navigator', { storage: { persist } });
		const { askToKeep } = await fresh();
		askToKeep();
		askToKeep();
		expect(persist).toHaveBeenCalledOnce();
	});
	it('is not asked where it cannot be', async () => {
		vi.stubGlobal('navigator', {});
		const { askToKeep, storageTold } = await fresh();
		expect(askToKeep).not.toThrow();
		expect(await storageTold()).toEqual({ kept: null, usedBytes: null, freeBytes: null });
	});
	it('is told as the browser tells it; what it does not tell stays unknown', async () => {
		const told = async (usage?: number, quota?: number) => {
			vi.stubGlobal('navigator', {
				storage: { persisted: () => Promise.resolve(true), estimate: () => Promise.resolve({ usage, quota }) },
			});
			return (await fresh()).storageTold();
		};
		expect(await told(3e6, 5e6)).toEqual({ kept: true, usedBytes: 3e6, freeBytes: 2e6 });
		expect(await told(3e6)).toEqual({ kept: true, usedBytes: 3e6, freeBytes: null });
		expect(await told(undefined, 5e6)).toEqual({ kept: true, usedBytes: null, freeBytes: null });
	});
});
