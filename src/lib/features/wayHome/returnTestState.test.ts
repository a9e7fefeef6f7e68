import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { PHASES, type Phase, type Trigger } from '$lib/core/return/returnTest';
import { payloadSchema } from '$lib/schema/entries';
import { ReturnTestState, WAITS } from './returnTestState.svelte';

const said: string[] = [];
vi.mock('$lib/ui/speech', () => ({
	say: (words: string) => said.push(words),
	tone: (kind: string) => said.push(`(${kind})`),
}));
vi.mock('$lib/ui/notify', () => ({ failed: (error: Error) => said.push(error.message), done: vi.fn() }));
vi.mock('$lib/workers/core', () => import('$lib/workers/inProcess'));

beforeEach(() => {
	said.length = 0;
	vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance'] });
});
afterEach(() => vi.useRealTimers());

const AROUND = { minDistanceM: 20, returnHeightM: 40, planned: () => ({ leastS: 12, mostS: 60 }) };

function begun(trigger: Trigger = 'switch', around = AROUND): ReturnTestState {
	const state = new ReturnTestState(() => around);
	[state.trigger, state.distanceM, state.heightM] = [trigger, 120, 25];
	state.begin();
	return state;
}

/** One tap a phase, so many seconds apart. */
function tapAll(state: ReturnTestState, apartS: number): void {
	for (const phase of PHASES) {
		expect(state.phase).toBe(phase);
		vi.advanceTimersByTime(1000 * apartS);
		state.next(true);
	}
}

describe('a return that is tapped phase by phase', () => {
	it('says what is awaited, keeps when each was seen, and is found at its end', () => {
		const state = begun();
		tapAll(state, 4);
		expect(state.step).toBe('found');
		expect(PHASES.map((phase) => state.seenS[phase])).toEqual([4, 8, 12, 16, 20, 24]);
		expect(said.filter((words) => !words.startsWith('('))).toEqual(PHASES.map((phase) => WAITS[phase].wait));
		expect(said.at(-1)).toBe('(done)');
		expect(state.finding).toMatchObject({
			verdict: 'pass',
			headline: 'Returned by switch from 120 m and landed by itself',
		});
		expect(state.phase).toBeNull();
	});

	it('keeps nothing that was not said: no trigger, no distance or no height is no finding', () => {
		for (const missing of ['trigger', 'distanceM', 'heightM'] as const) {
			const state = begun();
			tapAll(state, 4);
			state[missing] = null;
			expect([state.finding, state.payload('seen')]).toEqual([null, null]);
		}
	});

	it('keeps what its schema reads, with a figure for each phase that was seen', () => {
		fc.assert(
			fc.property(
				fc.constantFrom<Trigger>('switch', 'radio-off'),
				fc.array(fc.boolean(), { minLength: PHASES.length, maxLength: PHASES.length }),
				fc.integer({ min: 1, max: 30 }),
				(trigger, seen, apartS) => {
					const state = begun(trigger);
					for (const was of seen) {
						vi.advanceTimersByTime(1000 * apartS);
						state.next(was);
					}
					const payload = payloadSchema.parse(state.payload('seen'));
					if (payload.kind !== 'test') throw new Error('It is kept as a test.');
					expect(payload.task).toBe(`return-${trigger}`);
					expect(payload.figures).toHaveLength(2 + seen.filter(Boolean).length);
					expect(payload.verdict).toBe(state.finding?.verdict);
					// A phase that nobody saw is never a pass by itself.
					if (!seen[0] || !seen[2]) expect(payload.verdict).toBe('fail');
					if (payload.verdict === 'pass')
						expect(seen.filter((was, k) => !was && PHASES[k] !== 'climbed' && PHASES[k] !== 'descending')).toEqual([]);
					state.dispose();
				},
			),
			{ numRuns: 200 },
		);
	});

	it('that is taken over says so, keeps when, and is no pass', () => {
		const state = begun('radio-off');
		for (const phase of ['turned', 'climbed', 'overhead'] satisfies Phase[]) {
			expect(state.phase).toBe(phase);
			vi.advanceTimersByTime(3000);
			state.next(true);
		}
		vi.advanceTimersByTime(2500);
		state.abort();
		expect(state.step).toBe('abort');
		expect(said.slice(-2)).toEqual(['(wrong)', 'Take over.']);
		expect(state.finding).toBeNull();
		state.conclude();
		expect(state.finding?.verdict).toBe('caution');
		expect(state.payload('seen')?.figures.at(-1)).toMatchObject({ id: 'taken-over', value: 11.5, unit: 's' });
		vi.advanceTimersByTime(60_000);
		expect(state.clock.elapsedS).toBeCloseTo(11.5, 1);
	});

	it('goes on where its page was loaded again, with the phases that were seen and its clock', () => {
		vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance', 'Date'] });
		const later = (state: ReturnTestState) => {
			const again = new ReturnTestState(() => AROUND);
			again.takeUp(JSON.parse(JSON.stringify(state.draft)));
			state.dispose();
			return again;
		};
		expect(new ReturnTestState(() => AROUND).draft).toBeNull();
		const first = begun('radio-off');
		vi.advanceTimersByTime(4000);
		first.next(true);
		const second = later(first);
		vi.advanceTimersByTime(4000);
		second.next(true);
		expect([second.seenS.turned, second.seenS.climbed, second.phase]).toEqual([4, 8, 'overhead']);
		for (let k = 2; k < PHASES.length; k++) {
			vi.advanceTimersByTime(4000);
			second.next(true);
		}
		const found = later(second);
		expect(found.payload('seen')).toEqual(second.payload('seen'));
		found.takeUp({ step: 'running' });
		expect(found.step).toBe('found');
	});

	it('begins again with nothing of the one before', () => {
		const state = begun();
		tapAll(state, 4);
		state.repeat();
		expect([state.step, state.ready, state.finding]).toEqual(['before', false, null]);
		state.begin();
		expect(PHASES.every((phase) => state.seenS[phase] === null)).toBe(true);
		expect([state.clock.elapsedS, state.takenOverS, state.phase]).toEqual([0, null, 'turned']);
		state.dispose();
	});
});

/** Out to a distance, a return that climbs, comes back, pauses and lands, as a hover log. */
function returnLog(outM: number, { lands = true } = {}): File {
	const rows: string[] = ['t [s],north [m],east [m],up [m]'];
	let [t, north, up] = [0, 0, 0];
	const go = (toNorth: number, toUp: number, speed: number) => {
		const [fromNorth, fromUp] = [north, up];
		const seconds = Math.max(1, Math.hypot(toNorth - north, toUp - up) / speed);
		for (let s = 0; s < seconds; s += 0.2) {
			t += 0.2;
			north = fromNorth + ((toNorth - fromNorth) * s) / seconds;
			up = fromUp + ((toUp - fromUp) * s) / seconds;
			rows.push([t, north, 0, up].map((v) => v.toFixed(2)).join(','));
		}
		[north, up] = [toNorth, toUp];
	};
	go(0, 0, 1);
	go(0, 20, 3);
	go(outM, 20, 8);
	go(outM, 20, 1);
	go(outM, 40, 3);
	go(0, 40, 8);
	go(0, 40, 1);
	if (lands) {
		go(0, 0, 1.5);
		for (let k = 0; k < 30; k++) go(0, 0, 1);
	}
	return new File([rows.join('\n')], 'return.csv', { type: 'text/csv' });
}

describe('a return out of the log of a flight', () => {
	it('has its distance, height and phases; that its motors went off is asked', async () => {
		const state = new ReturnTestState(() => AROUND);
		state.trigger = 'switch';
		await state.readLog(returnLog(150));
		expect(state.step).toBe('logged');
		expect(state.logged?.distanceM).toBeCloseTo(150, -1);
		expect(state.logged?.heightM).toBeCloseTo(20, -1);
		state.takeLog(true);
		const { turned, climbed, overhead, descending, down, disarmed } = state.seenS;
		const order = [turned, climbed, overhead, descending, down].map(Number);
		expect(order).toEqual(order.toSorted((a, b) => a - b));
		expect(disarmed).toBe(down);
		expect(state.finding?.verdict).not.toBe('fail');
		expect(state.payload('measured')).toMatchObject({ sourceName: 'return.csv', grade: 'measured' });
	});

	it('whose motors nobody saw go off is a caution; one that never came down does not pass', async () => {
		const state = new ReturnTestState(() => AROUND);
		state.trigger = 'switch';
		await state.readLog(returnLog(150));
		state.takeLog(false);
		expect(state.seenS.disarmed).toBeNull();
		expect(state.finding?.reasons.map(({ code }) => code)).toContain('did-not-disarm');
		await state.readLog(returnLog(150, { lands: false }));
		expect(state.step).toBe('logged');
		state.takeLog(false);
		expect(state.seenS.down).toBeNull();
		expect(state.finding?.verdict).toBe('fail');
	});

	it('may be said to have been set off at another moment', async () => {
		const state = new ReturnTestState(() => AROUND);
		expect(state.setOffS).toBeNull();
		state.setOff(3);
		expect(state.logged).toBeNull();
		await state.readLog(returnLog(150));
		const found = state.setOffS ?? 0;
		const before = state.logged?.seenS.overhead ?? 0;
		state.setOff(found - 5);
		expect(state.setOffS).toBe(found - 5);
		expect(state.logged?.seenS.overhead ?? 0).toBeGreaterThan(before);
	});

	it('that cannot be read is told, and nothing is taken', async () => {
		const state = new ReturnTestState(() => AROUND);
		await state.readLog(new File(['nothing here'], 'empty.csv'));
		expect([state.step, state.logged]).toEqual(['before', null]);
		expect(said.at(-1)).toMatch(/empty\.csv/);
		state.takeLog(true);
		expect(state.step).toBe('before');
	});
});
