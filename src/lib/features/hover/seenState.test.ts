import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { SEEN_KINDS, type SeenKind } from '$lib/schema/hoverSeen';
import { SeenState, type SeenSetting } from './seenState.svelte';

const said: string[] = [];
vi.mock('$lib/ui/speech', () => ({
	say: (words: string) => said.push(words),
	tone: (kind: string) => said.push(`(${kind})`),
}));

beforeEach(() => {
	said.length = 0;
	vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance'] });
});
afterEach(() => vi.useRealTimers());

const SETTING: SeenSetting = { lengthM: 0.35, stepM: 0.75, compassChecked: true, wind: undefined };
/** What the buttons send with each kind. */
const MORE: Partial<Record<SeenKind, Parameters<SeenState['mark']>[1]>> = {
	circling: { sense: 'left' },
	creeping: { dirDeg: 90, frame: 'nose' },
};

/** A hover of so many seconds, with marks at their seconds, and how far it went. */
function watched(marks: readonly (readonly [number, SeenKind])[], seconds = 60, farthestSteps: number | null = 1) {
	const state = new SeenState(() => SETTING);
	state.person = 'Ines Marlowe';
	state.begin();
	let now = 0;
	for (const [at, kind] of marks) {
		vi.advanceTimersByTime(1000 * (at - now));
		now = at;
		state.mark(kind, MORE[kind]);
	}
	vi.advanceTimersByTime(1000 * (seconds - now));
	state.end(false);
	state.farthest = { value: farthestSteps, unit: 'steps' };
	return state;
}

describe('a hover watched by eye', () => {
	it('that stood still the whole minute keeps its place', () => {
		const state = watched([
			[1, 'still'],
			[20, 'still'],
			[40, 'still'],
		]);
		expect([state.step, state.watchedS]).toEqual(['after', 60]);
		state.judge();
		expect(state.step).toBe('found');
		expect(state.answer?.verdict).not.toBe('fail');
		expect(state.title).toContain('Held position by eye');
		expect(said.at(-1)).toBe('(done)');
		expect(state.figures.find(({ id }) => id === 'watched')?.value).toBe(60);
		expect(state.flownS).toBe(60);
	});

	it('that circled, with the same error told twice, is less trusted than one that stood still', () => {
		const circling = watched([
			[1, 'still'],
			[10, 'circling'],
			[25, 'circling'],
			[45, 'circling'],
		]);
		expect(circling.circled).toBe(true);
		circling.circleS = 8;
		circling.judge();
		const still = watched([[1, 'still']]);
		still.judge();
		const chance = (s: SeenState) => s.answer?.circling.probability ?? 0;
		expect(chance(circling)).toBeGreaterThan(chance(still));
		expect(circling.answer?.verdict).not.toBe('pass');
	});

	it('asks whoever says nothing for a while, and no sooner', () => {
		const state = new SeenState(() => SETTING);
		state.begin();
		const asked = () => said.filter((words) => words === 'What does it do now?').length;
		vi.advanceTimersByTime(14_000);
		expect(asked()).toBe(0);
		vi.advanceTimersByTime(2000);
		expect(asked()).toBe(1);
		state.mark('still');
		vi.advanceTimersByTime(14_000);
		expect(asked()).toBe(1);
		vi.advanceTimersByTime(2000);
		expect(asked()).toBe(2);
		state.end(true);
		vi.advanceTimersByTime(60_000);
		expect([asked(), state.stoppedEarly]).toEqual([2, true]);
	});

	it('takes marks only while it is watched, and the last one back', () => {
		const state = new SeenState(() => SETTING);
		state.mark('still');
		expect(state.marks).toEqual([]);
		state.begin();
		vi.advanceTimersByTime(1234);
		state.mark('still');
		state.mark('circling', MORE.circling);
		expect(state.marks.map(({ t, kind }) => [t, kind])).toEqual([
			[1.2, 'still'],
			[1.2, 'circling'],
		]);
		state.undo();
		expect([state.last?.kind, state.circled]).toEqual(['still', false]);
		state.end(false);
		state.mark('still');
		expect(state.marks).toHaveLength(1);
	});

	it('once more adds to the first, and begun again forgets both', () => {
		const state = watched([[1, 'still']]);
		state.judge();
		const alone = state.answer?.excludedAboveDeg;
		state.another();
		expect([state.step, state.marks, state.farthest.value, state.views.length]).toEqual(['before', [], null, 1]);
		state.begin();
		vi.advanceTimersByTime(1000);
		state.mark('still');
		vi.advanceTimersByTime(59_000);
		state.end(false);
		state.farthest = { value: 1, unit: 'steps' };
		state.judge();
		expect(state.views).toHaveLength(2);
		expect(state.views.map(({ hover }) => hover)).toEqual(['hover 1', 'hover 2']);
		// Two hovers that kept their place leave no larger an error possible than one.
		if (typeof alone === 'number') expect(state.answer?.excludedAboveDeg ?? Infinity).toBeLessThanOrEqual(alone);
		state.startOver();
		expect([state.views, state.answer, state.figures]).toEqual([[], null, []]);
	});

	it('goes on where its page was loaded again: the same seconds, the same marks, the same finding', () => {
		vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance', 'Date'] });
		const later = (state: SeenState) => {
			const again = new SeenState(() => SETTING);
			again.takeUp(JSON.parse(JSON.stringify(state.draft)));
			state.dispose();
			return again;
		};
		const fresh = new SeenState(() => SETTING);
		expect(fresh.draft).toBeNull();
		fresh.takeUp({ step: 'found' });
		expect(fresh.step).toBe('before');
		fresh.begin();
		vi.advanceTimersByTime(10_000);
		fresh.mark('still');
		const draft = JSON.stringify(fresh.draft);
		vi.advanceTimersByTime(5000);
		const second = later(fresh);
		vi.advanceTimersByTime(15_000);
		second.mark('circling', MORE.circling);
		expect(second.marks.map(({ t }) => t)).toEqual([10, 30]);
		vi.advanceTimersByTime(30_000);
		second.end(false);
		second.farthest = { value: 3, unit: 'steps' };
		const third = later(second);
		expect([third.step, third.watchedS, third.farthest]).toEqual(['after', 60, { value: 3, unit: 'steps' }]);
		third.judge();
		const fourth = later(third);
		expect([fourth.step, fourth.title, fourth.figures]).toEqual(['found', third.title, third.figures]);
		// A hover that was left hours ago is not still being watched.
		vi.advanceTimersByTime(3_600_000);
		const stale = new SeenState(() => SETTING);
		stale.takeUp(JSON.parse(draft));
		expect([stale.step, stale.marks]).toEqual(['before', []]);
	});

	it('says in its title where one is', () => {
		const state = new SeenState(() => SETTING);
		const titles = [state.title];
		state.begin();
		titles.push(state.title);
		vi.advanceTimersByTime(20_000);
		state.end(false);
		titles.push(state.title);
		expect(new Set(titles).size).toBe(3);
	});

	it('of any marks at any time is judged without a fault, with finite figures', () => {
		const mark = fc.tuple(fc.integer({ min: 0, max: 119 }), fc.constantFrom(...SEEN_KINDS));
		fc.assert(
			fc.property(
				fc.array(mark, { maxLength: 12 }),
				fc.integer({ min: 20, max: 120 }),
				fc.option(fc.integer({ min: 0, max: 40 })),
				fc.constantFrom('position' as const, 'height' as const, 'attitude' as const),
				(marks, seconds, farthest, hold) => {
					const inOrder = marks.filter(([at]) => at < seconds).toSorted((a, b) => a[0] - b[0]);
					const state = watched(inOrder, seconds, farthest);
					state.hold = hold;
					state.judge();
					expect(state.answer?.reasons.length).toBeGreaterThan(0);
					for (const { value, sigma, label } of state.figures) {
						expect(value === null || Number.isFinite(value), label).toBe(true);
						expect((sigma ?? 0) >= 0, label).toBe(true);
					}
					expect(state.title.length).toBeGreaterThan(5);
					state.dispose();
				},
			),
			{ numRuns: 60 },
		);
	});
});
