import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { recipesFor, type Recipe } from '$lib/core/guide/recipes';
import { SENSOR_RULES } from '$lib/core/due/rules';
import { payloadSchema } from '$lib/schema/entries';
import { aircraftKindSchema, type Sensor } from '$lib/schema/records';
import { GuideState } from './guideState.svelte';

const said: string[] = [];
vi.mock('$lib/ui/speech', () => ({
	say: (words: string) => said.push(words),
	tone: (kind: string) => said.push(`(${kind})`),
	silence: () => said.push('(silence)'),
}));

beforeEach(() => {
	said.length = 0;
	vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance'] });
});
afterEach(() => vi.useRealTimers());

const KINDS = aircraftKindSchema.options;
/** Every routine that ships, with the sensor it is for. */
const ALL: [string, Sensor, Recipe][] = (Object.keys(SENSOR_RULES) as Sensor[]).flatMap((sensor) =>
	KINDS.flatMap((kind) =>
		recipesFor(sensor, { kind }).map((recipe): [string, Sensor, Recipe] => [recipe.id, sensor, recipe]),
	),
);
const ONCE = ALL.filter(([id, sensor], k) => ALL.findIndex((other) => other[0] === id && other[1] === sensor) === k);

/** Lets a hold run to its end, where the step has one. */
function hold(state: GuideState): void {
	if (state.heldS === null) return;
	vi.advanceTimersByTime(1000 * (state.current.holdS ?? 0) + 200);
}

/** Does all of a routine as it should be. */
function doAll(state: GuideState): void {
	state.ready = state.ready.map(() => true);
	state.begin();
	for (let guard = 0; guard < 100 && state.phase === 'steps'; guard++) {
		hold(state);
		if (state.asking) state.answer('as-wanted');
	}
}

describe.each(ONCE)('the routine %s for %s', (_id, sensor, recipe) => {
	it('done to its end is a pass that its schema keeps', () => {
		const state = new GuideState(recipe);
		expect([state.phase, state.allReady, state.draft]).toEqual(['before', recipe.before.length === 0, null]);
		doAll(state);
		expect(state.phase).toBe('found');
		expect(state.finding.verdict).toBe('pass');
		expect(said.at(-1)).toBe('Done.');
		expect(payloadSchema.parse(state.payload(sensor))).toMatchObject({ grade: 'guided', verdict: 'pass', sensor });
	});

	it('left at any step is no pass, and never passes what was not done', () => {
		for (let left = 0; left < recipe.steps.length; left++) {
			const state = new GuideState(recipe);
			state.ready = state.ready.map(() => true);
			state.begin();
			while (state.step < left && state.phase === 'steps') {
				hold(state);
				if (state.asking) state.answer('as-wanted');
			}
			state.stop();
			expect(state.finding.verdict, `left at step ${left + 1}`).toBe('fail');
			expect(state.payload(sensor).figures[0].value).toBe(left);
			state.dispose();
		}
	});

	it('with one answer that is otherwise, or not seen, does not pass', () => {
		recipe.steps.forEach((step, k) => {
			if (!step.watch) return;
			for (const shown of ['otherwise', 'not-seen'] as const) {
				const state = new GuideState(recipe);
				state.ready = state.ready.map(() => true);
				state.begin();
				for (let guard = 0; guard < 100 && state.phase === 'steps'; guard++) {
					hold(state);
					if (state.asking) state.answer(state.step === k ? shown : 'as-wanted');
				}
				expect(state.finding.verdict, `${shown} at step ${k + 1}`).not.toBe('pass');
				if (step.mustPass) expect(said).toContain('Stop. Not with the propellers on.');
			}
		});
	});

	it('goes on after a reload with what was done, at the same step', () => {
		fc.assert(
			fc.property(fc.nat(recipe.steps.length - 1), fc.string({ maxLength: 20 }), (upTo, note) => {
				const state = new GuideState(recipe);
				state.ready = state.ready.map(() => true);
				state.begin();
				while (state.step < upTo && state.phase === 'steps') {
					hold(state);
					if (!state.asking) continue;
					state.note = note;
					state.answer('as-wanted');
				}
				const kept: unknown = JSON.parse(JSON.stringify(state.draft));
				const again = new GuideState(recipe);
				expect(again.takeUp(kept, [recipe])).toBe(true);
				expect([again.phase, again.step, again.ready]).toEqual([state.phase, state.step, [...state.ready]]);
				expect(again.answers).toEqual(state.answers);
				expect(again.takeUp(kept, [])).toBe(false);
				expect(again.takeUp({ ...(kept as object), step: 99 }, [recipe])).toBe(false);
				expect(again.takeUp({ ...(kept as object), answers: [] }, [recipe])).toBe(false);
				state.dispose();
				again.dispose();
			}),
			{ numRuns: 8 },
		);
	});
});

describe('a routine', () => {
	const recipe = ONCE.map(([, , r]) => r).find(({ steps }) => steps.some(({ holdS }) => holdS !== undefined));
	if (!recipe) throw new Error('No routine holds anything.');

	it('that was not begun as it should be says so', () => {
		const state = new GuideState({ ...recipe, before: ['Propellers off'] });
		state.begin();
		expect(state.finding.reasons.map(({ code }) => code)).toContain('not-ready');
	});

	it('counts a hold by the clock, ends it early where asked, and stops with the page', () => {
		const state = new GuideState(recipe);
		state.begin();
		for (let guard = 0; guard < 50 && state.heldS === null && state.phase === 'steps'; guard++)
			state.answer('as-wanted');
		expect(state.heldS).toBe(0);
		vi.advanceTimersByTime(500);
		expect(state.heldS).toBeCloseTo(0.5, 6);
		state.endHold();
		expect([state.heldS, state.asking]).toEqual([null, true]);
		state.dispose();
		expect(said.at(-1)).toBe('(silence)');
	});

	it('ends with the step that failed, and is no calibration', () => {
		const steps = [
			{ do: 'First', watch: 'a light' },
			{ do: 'Second', watch: 'a light' },
			{ do: 'Third', watch: 'a light' },
		];
		const state = new GuideState({ ...recipe, before: [], steps: steps as Recipe['steps'] });
		state.begin();
		state.answer('as-wanted');
		state.answer('otherwise');
		expect(state.phase).toBe('found');
		expect(state.finding.verdict).toBe('fail');
		expect(state.finding.reasons.map(({ code }) => code)).toEqual(['showed-otherwise']);
		expect(JSON.stringify(state.finding.reasons)).not.toMatch(/save|fly a/i);
	});

	it('a hold that was cut short is said, not counted as held', () => {
		vi.useFakeTimers();
		const state = new GuideState({
			...recipe,
			before: [],
			steps: [{ do: 'Belly down', holdS: 6, watch: 'a light' }] as Recipe['steps'],
		});
		state.begin();
		vi.advanceTimersByTime(1000);
		state.endHold();
		state.answer('as-wanted');
		expect(state.finding).toMatchObject({ verdict: 'caution' });
		expect(state.finding.headline).toMatch(/held [01] s of 6 s/);
		vi.useRealTimers();
	});

	it('goes back a step, where its answer and note are given again', () => {
		const plain: Recipe = {
			...recipe,
			before: [],
			steps: [
				{ do: 'First', watch: 'a light' },
				{ do: 'Second', watch: 'a light' },
			] as Recipe['steps'],
		};
		const state = new GuideState(plain);
		state.begin();
		state.note = 'red';
		state.answer('as-wanted');
		expect(state.step).toBe(1);
		state.back();
		expect([state.step, state.note]).toEqual([0, 'red']);
		state.note = '';
		state.answer('as-wanted');
		state.answer('as-wanted');
		expect(state.finding.verdict).toBe('pass');
		state.back();
		expect(state.step).toBe(0);
	});
});
