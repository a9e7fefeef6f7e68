import 'fake-indexeddb/auto';
import { describe, expect, it, vi } from 'vitest';
import { DEFAULT_LOCK_RULE } from '$lib/core/position/lock';
import { CompassState } from '$lib/features/compass/compassState.svelte';
import { HoverState } from '$lib/features/hover/hoverState.svelte';
import type { LiveMeasurement } from '$lib/features/measuring/liveMeasurement';
import { PositionState } from '$lib/features/position/positionState.svelte';
import type { LiveId } from '$lib/instruments/catalogue';
import { LIVE_SAMPLES } from './liveSamples';

vi.mock('$lib/workers/core', () => import('$lib/workers/inProcess'));
vi.mock('$lib/ui/notify', () => ({ failed: vi.fn(), done: vi.fn() }));

const MAKE: Record<LiveId, () => LiveMeasurement> = {
	compass: () =>
		new CompassState(() => ({ place: { latDeg: 54.2, lonDeg: -3.1, altM: 10 }, date: '2026-05-14', limitDeg: 1 })),
	position: () => new PositionState(() => DEFAULT_LOCK_RULE),
	hover: () => new HoverState(() => undefined),
};

describe.each(Object.keys(MAKE) as LiveId[])('%s, from a file', (id) => {
	it('finds what each sample holds, keeps its name, and begins again', async () => {
		for (const { label, bad, file } of LIVE_SAMPLES[id]) {
			const work = MAKE[id]();
			expect([work.idle, work.found]).toEqual([true, null]);
			const log = await file?.(1);
			if (!log) throw new Error(`${label} has no file`);
			await work.readFile(log);
			await vi.waitFor(() => expect(work.found).not.toBeNull(), { timeout: 20_000 });
			expect(work.idle).toBe(false);
			expect(work.sourceName).toBe(log.name);
			expect(work.practice).toBe(false);
			expect(work.found?.figures.length).toBeGreaterThan(0);
			if (bad) expect(work.found?.verdict, label).not.toBe('pass');
			else expect(work.found?.verdict, label).not.toBe('fail');
			work.repeat();
			expect([work.idle, work.found]).toEqual([true, null]);
			work.dispose();
		}
	});

	it('refuses what is no log, in words, and finds nothing', async () => {
		const work = MAKE[id]();
		await work.readFile(new File(['\u0000\u0001'], 'photo.csv'));
		expect(work.found?.verdict ?? 'fail').toBe('fail');
		work.dispose();
	});
});
