import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { payloadSchema } from '$lib/schema/entries';
import type { LossAction } from '$lib/schema/records';
import { LinkLossState } from './linkLossState.svelte';

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

const ACTIONS: readonly LossAction[] = ['stop', 'return', 'land', 'hover'];

/** A loss that it reacts to after so long, and all that is asked after it. */
function lost(action: LossAction, afterS: number, more: Partial<LinkLossState> = {}): LinkLossState {
	const state = new LinkLossState(action);
	state.armed = true;
	state.begin();
	vi.advanceTimersByTime(1000 * afterS);
	state.react(true);
	Object.assign(state, {
		motors: action === 'stop' ? 'stopped' : 'ran-on',
		told: true,
		linkedAgain: true,
		...more,
	});
	return state;
}

describe('the radio switched off on the bench', () => {
	it.each(ACTIONS)('set to %s and doing so is a pass with its time', (action) => {
		const state = lost(action, 0.8);
		expect(said.slice(0, 2)).toEqual(['Radio off. Count.', '(step)']);
		expect(state.measuredS).toEqual([0.8]);
		expect(state.finding?.verdict).toBe('pass');
		state.conclude();
		expect([state.step, said.at(-1)]).toEqual(['found', '(done)']);
		expect(payloadSchema.parse(state.payload('seen'))).toMatchObject({ task: 'link-loss', sensor: 'link-loss' });
	});

	it('is no finding while anything asked is unanswered', () => {
		for (const open of [{ action: null }, { armed: null }, { motors: null }, { told: null }, { linkedAgain: null }]) {
			const state = lost('stop', 0.8, open);
			expect([state.seen, state.finding, state.payload('seen')]).toEqual([null, null, null]);
			state.conclude();
			expect(state.step).toBe('seen');
		}
	});

	it('disarmed asks nothing of the motors, and says what it does not show', () => {
		const state = lost('stop', 0.8, { armed: false, motors: null });
		expect(state.seen?.motors).toBe('not-turning');
		expect(state.finding?.verdict).toBe('caution');
		expect(state.payload('seen')?.sourceName).toContain('disarmed');
	});

	it.each([
		['stop', { motors: 'ran-on' }, 'motors-ran-on'],
		['return', { motors: 'stopped' }, 'motors-stopped'],
		['hover', { linkedAgain: false }, 'not-linked-again'],
	] as const)('set to %s and %o fails', (action, more, code) => {
		const state = lost(action, 0.8, more);
		expect(state.finding?.reasons.map((r) => r.code)).toContain(code);
		state.conclude();
		expect([state.finding?.verdict, said.at(-1)]).toEqual(['fail', '(wrong)']);
	});

	it('that it never reacted to fails without a time', () => {
		const state = lost('stop', 30);
		state.react(false);
		expect(state.measuredS).toEqual([]);
		expect(state.finding?.verdict).toBe('fail');
		expect(state.payload('seen')?.figures).toMatchObject([{ id: 'failsafe-delay', value: null, unit: 's' }]);
	});

	it('once more stands beside the first, and each makes the time surer', () => {
		const state = lost('stop', 0.9);
		const first = state.finding?.time;
		for (let k = 0; k < 3; k++) {
			state.another();
			expect(state.step).toBe('before');
			state.begin();
			vi.advanceTimersByTime(900);
			state.react(true);
		}
		expect(state.measuredS).toEqual([0.9, 0.9, 0.9, 0.9]);
		expect(state.finding?.time?.sigmaS ?? Infinity).toBeLessThan(first?.sigmaS ?? 0);
		expect(state.payload('seen')?.figures.at(-1)).toMatchObject({ id: 'failsafe-losses', value: 4 });
	});

	it('is surer by a recording than by taps', () => {
		const tapped = lost('stop', 0.9).finding?.time?.sigmaS ?? 0;
		const state = new LinkLossState('stop');
		[state.start, state.stop] = ['key', 'video'];
		state.timed(0.9);
		expect(state.step).toBe('seen');
		Object.assign(state, { armed: true, motors: 'stopped', told: true, linkedAgain: true });
		expect(state.finding?.time?.sigmaS ?? Infinity).toBeLessThan(tapped);
	});

	it('begun again keeps what is set and nothing that was seen; left, its clock stands still', () => {
		const state = lost('land', 1.2);
		state.repeat();
		expect([state.action, state.armed]).toEqual(['land', true]);
		expect([state.measuredS, state.motors, state.told, state.linkedAgain]).toEqual([[], null, null, null]);
		state.begin();
		vi.advanceTimersByTime(300);
		state.dispose();
		vi.advanceTimersByTime(5000);
		expect(state.clock.elapsedS).toBeCloseTo(0.3, 6);
	});

	it('goes on where its page was loaded again, for the action that is still set; propellers off is asked again', () => {
		vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance', 'Date'] });
		const later = (state: LinkLossState, action: LossAction = 'stop') => {
			const again = new LinkLossState(action);
			again.takeUp(JSON.parse(JSON.stringify(state.draft)));
			state.dispose();
			return again;
		};
		expect(new LinkLossState('stop').draft).toBeNull();
		const first = new LinkLossState('stop');
		[first.armed, first.propellersOff] = [true, true];
		first.begin();
		vi.advanceTimersByTime(700);
		const second = later(first);
		vi.advanceTimersByTime(200);
		second.react(true);
		expect([second.measuredS, second.step, second.armed, second.propellersOff]).toEqual([[0.9], 'seen', true, false]);
		Object.assign(second, { motors: 'stopped', told: true, linkedAgain: true });
		second.conclude();
		expect(later(second).payload('seen')).toEqual(second.payload('seen'));
		expect(later(second, 'land').measuredS).toEqual([]);
		// That it did not react was seen too.
		const silent = new LinkLossState('stop');
		silent.begin();
		silent.react(false);
		expect(later(silent).step).toBe('seen');
	});

	it('a later reaction is never better, whatever is set', () => {
		const rank = { pass: 0, caution: 1, fail: 2 };
		fc.assert(
			fc.property(
				fc.constantFrom(...ACTIONS),
				fc.integer({ min: 1, max: 80 }),
				fc.integer({ min: 0, max: 40 }),
				(action, tenths, more) => {
					const early = lost(action, tenths / 10).finding?.verdict ?? 'fail';
					const late = lost(action, (tenths + more) / 10).finding?.verdict ?? 'pass';
					expect(rank[late]).toBeGreaterThanOrEqual(rank[early]);
				},
			),
			{ numRuns: 100 },
		);
	});
});
