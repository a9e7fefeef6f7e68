import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { REST } from '$lib/core/guide/holds';
import { DEG } from '$lib/core/frames/angles';
import { aboutAxis } from '$lib/core/frames/rotation';
import { seededRng } from '$lib/core/math/random';
import { guessColumns, takeColumns } from '$lib/core/record/columns';
import { readTable } from '$lib/core/record/csv';
import { MOTION_LOG } from '$lib/core/record/logRoles';
import { compute } from '$lib/instruments/six-faces/compute';
import { recipeOf } from '$lib/instruments/six-faces/parts';
import { NO_FAULTS, PRACTICE_PLACE } from '$lib/rig/rig';
import { obedientHands, type HandsMistake } from '$lib/rig/turning';
import { rigSource } from '$lib/sources/rigSource';
import { underwayOf } from '$lib/store/underway';
import { HoldState } from './holdState.svelte';

const said: string[] = [];
vi.mock('$lib/ui/speech', () => ({
	say: (words: string) => said.push(words),
	tone: (kind: string) => said.push(`(${kind})`),
	silence: () => undefined,
}));
vi.mock('$lib/ui/screen', () => ({ inTheHand: () => false }));

beforeEach(() => {
	said.length = 0;
	vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance'] });
});
afterEach(() => vi.useRealTimers());

const MOST_S = 300;

/** The practice aircraft held by hands that follow the cues, with one slip of theirs. */
function begin(recipe: string, mistake: HandsMistake, seed: number, key: string | null = null) {
	const finished: File[] = [];
	const state = new HoldState((file, practice) => {
		expect(practice).toBe(true);
		finished.push(file);
	}, key);
	const hands = obedientHands(mistake, seededRng(seed + 5), aboutAxis([0.6, 0.8, 0], 1.3 * DEG));
	const faults = { ...NO_FAULTS, accelOff: true };
	const source = rigSource({ seed, faults, place: PRACTICE_PLACE, date: '2026-05-14', speed: 1, hands });
	state.begin(recipeOf(recipe), source, hands, true);
	const pass = (until: () => boolean) => {
		for (let s = 0; s < MOST_S && !until(); s += 0.5) vi.advanceTimersByTime(500);
		expect(until()).toBe(true);
	};
	return { state, finished, pass, done: () => pass(() => finished.length > 0) };
}

async function findingOf(file: File, recipe: string) {
	const table = readTable(await file.text(), file.name);
	const taken = takeColumns(table, MOTION_LOG, guessColumns(table, MOTION_LOG).choices, file.name);
	return compute({ values: { recipe }, taken, file, site: null, date: '2026-05-14', units: 'metric' });
}

const SEEDS = Array.from({ length: 12 }, (_, seed) => seed);

describe('six faces held by cues', () => {
	it.each(['none', 'moves', 'wrong-pose'] as const)(
		'with hands that slip by %s are all in and fitted',
		async (slip) => {
			const { state, finished, done } = begin('six', slip, 3);
			done();
			expect(state.running).toBe(false);
			expect(state.progress).toBe(1);
			expect(said.at(-1)).toBe('All of it is in. Put it down.');
			if (slip === 'none') expect(said).not.toContain('(wrong)');
			expect((await findingOf(finished[0], 'six')).headline).toMatch(/^Raw level is off by [\d.]+°; corrected/);
		},
	);
});

describe('a hold that is asked for again', () => {
	it.each(SEEDS)('is held again, whenever it was pressed: seed and second %d', async (seed) => {
		const { state, finished, pass, done } = begin('five', 'wrong-pose', seed);
		pass(() => state.view?.accepted.length === 1);
		vi.advanceTimersByTime(1000 * seed);
		const before = state.view?.accepted.length ?? 0;
		state.again('belly');
		expect(state.view?.accepted.map(({ id }) => id)).not.toContain('belly');
		expect(state.view?.accepted.length).toBeLessThan(before);
		done();
		expect((await findingOf(finished[0], 'five')).headline).toMatch(/^This routine never holds nose down/);
	});

	it('that is not in changes nothing', () => {
		const { state, pass } = begin('six', 'none', 1);
		pass(() => (state.view?.accepted.length ?? 0) === 1);
		const { view } = state;
		state.again('back');
		expect(state.view).toEqual(view);
		state.cancel();
		expect([state.view, state.running]).toEqual([null, false]);
	});
});

describe('ending early', () => {
	it('hands on what there is, and nothing where nothing came', () => {
		const { state, finished } = begin('six', 'none', 2);
		state.finish();
		expect(finished).toEqual([]);
		const again = begin('six', 'none', 2);
		again.pass(() => (again.state.view?.accepted.length ?? 0) === 2);
		again.state.finish();
		expect(again.finished).toHaveLength(1);
	});
});

describe('a page that is loaded again in the middle', () => {
	/** What the page that comes after it hands on. */
	async function after(key: string, plan: HoldState['plan']) {
		const files: File[] = [];
		const state = new HoldState((file) => files.push(file), key);
		const kept = await underwayOf(key);
		if (kept && plan) state.takeUp(plan, kept);
		return files;
	}
	it.each(SEEDS)(
		'hands on what ending it there would have, holds taken back left out: seed and second %d',
		async (seed) => {
			const { state, finished, pass } = begin('five', 'moves', seed, 'six faces');
			pass(() => state.view?.accepted.length === 2);
			if (seed % 2) state.again('belly');
			vi.advanceTimersByTime(1000 * seed);
			const { plan } = state;
			state.finish();
			const [file, ...more] = await after('six faces', plan);
			expect(more).toEqual([]);
			expect(await file.text()).toBe(await finished[0].text());
			expect(said).not.toContain('All of it is in. Put it down.');
		},
	);
	it('of a sensor at rest hands on the rest alone', async () => {
		const plan = REST;
		const files: File[] = [];
		const state = new HoldState((file) => files.push(file), 'gyro');
		const hands = obedientHands('none', seededRng(4), aboutAxis([0.6, 0.8, 0], 1.3 * DEG));
		const source = rigSource({
			seed: 4,
			faults: NO_FAULTS,
			place: PRACTICE_PLACE,
			date: '2026-05-14',
			speed: 1,
			hands,
		});
		state.begin(plan, source, hands, true);
		vi.advanceTimersByTime(9000);
		state.finish();
		const [again] = await after('gyro', plan);
		expect(await again.text()).toBe(await files[0].text());
		expect((await again.text()).split('\n').length).toBeGreaterThan(100);
	});
});
