import { describe, expect, it } from 'vitest';
import { sensorSchema, type AircraftKind } from '../../schema/records';
import { recipesFor } from './recipes';
import { judgeGuide, type StepAnswer } from './run';

const [six] = recipesFor('accelerometer', { kind: 'multirotor' });
const good: StepAnswer = { shown: 'as-wanted', note: '' };
const all = (change: Record<number, StepAnswer | undefined> = {}) =>
	six.steps.map((_, k) => (k in change ? change[k] : good));
const ready = six.before.map(() => true);

describe('guided routines', () => {
	it('exist for everything that can fall due, with a manual above them and a cue for every hold', () => {
		for (const sensor of sensorSchema.options)
			for (const recipe of recipesFor(sensor, { kind: 'camera' })) {
				expect(recipe.steps.length).toBeGreaterThan(0);
				expect(recipe.before.join(' ')).toMatch(/manual/);
				for (const { holdS } of recipe.steps) if (holdS !== undefined) expect(holdS).toBeGreaterThanOrEqual(4);
			}
	});
	it.each([
		['camera', 'five-faces'],
		['toy', 'single'],
		['multirotor', 'six-faces'],
		['sprayer', 'single'],
	] as [AircraftKind, string][])('begin with what a %s usually has: %s', (kind, id) =>
		expect(recipesFor('accelerometer', { kind })[0].id).toBe(id),
	);
	it.each(['speed-controllers'] as const)('gate %s behind the propellers', (sensor) => {
		const [recipe] = recipesFor(sensor, { kind: 'wing' });
		expect(recipe.steps[0]).toMatchObject({ watch: 'Is every propeller off?', mustPass: true });
		expect(recipe.steps[0].caution).toBeTruthy();
	});
});

describe('a routine that was followed', () => {
	it('holds where every step showed what it should', () => {
		const found = judgeGuide(six, ready, all());
		expect(found.verdict).toBe('pass');
		expect(found.headline).toMatch(/own routine/);
	});
	it('stops where a step showed otherwise, and says which, with the pilot’s note', () => {
		const found = judgeGuide(six, ready, all({ 2: { shown: 'otherwise', note: 'two red blinks' } }));
		expect(found.verdict).toBe('fail');
		expect(found.reasons[0].text).toContain('two red blinks');
	});
	it('is no evidence where a step was left out or not seen', () => {
		expect(judgeGuide(six, ready, all({ 3: undefined })).reasons[0].code).toBe('insufficient-steps');
		expect(judgeGuide(six, ready, all({ 3: { shown: 'not-seen', note: '' } })).verdict).toBe('caution');
		expect(
			judgeGuide(
				six,
				ready.map(() => false),
				all(),
			).reasons[0].code,
		).toBe('not-ready');
	});
});
