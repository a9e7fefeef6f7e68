import { describe, expect, it } from 'vitest';
import type { Entry } from '../../schema/entries';
import type { Aircraft } from '../../schema/records';
import { newAircraft } from '../../schema/newAircraft';
import { judgeRighting, MOST_PUSHES, nextPush } from './righting';
import { figureOf, GOOD, isWalk, judgeWalk, walkedBefore, walkFor, walkOf } from './walks';
import type { WalkId } from './taskPage';

const six: Aircraft = {
	...newAircraft('a', 'multirotor', '2026-05-14T09:00:00.000Z'),
	name: 'Any',
	rotors: 6,
	layout: 'hex-x',
	propellers: 'nut',
	obstacleSides: ['front', 'down'],
	parts: { obstacle: true },
};
const ALL: readonly WalkId[] = ['propellers', 'straps', 'obstacle-sides', 'spray-lines', 'spreader-steps'];
const allGood = (id: WalkId) => Object.fromEntries(walkOf(id, six).steps.map((step) => [step.id, GOOD]));

describe('a walk from thing to thing', () => {
	it.each(ALL)('%s passes whole, and not without one of its steps', (id) => {
		const walk = walkOf(id, six);
		expect(judgeWalk(walk, allGood(id)).verdict).toBe('pass');
		for (const { id: step } of walk.steps) {
			const without = Object.fromEntries(Object.entries(allGood(id)).filter(([key]) => key !== step));
			const { verdict, reasons } = judgeWalk(walk, without);
			expect(verdict).not.toBe('pass');
			expect(reasons.map(({ code }) => code)).toContain('insufficient-walk');
		}
		expect(judgeWalk(walk, {}).verdict).not.toBe('pass');
	});

	it.each(ALL)('every wrong thing of %s is named with its remedy', (id) => {
		const walk = walkOf(id, six);
		for (const { id: step, wrong } of walk.steps)
			for (const one of wrong) {
				const { verdict, reasons, headline } = judgeWalk(walk, { ...allGood(id), [step]: one.id });
				expect(verdict).toBe(id === 'obstacle-sides' ? 'caution' : 'fail');
				expect(reasons[0].code).toBe(`${id}-${one.id}`);
				expect(reasons[0].next).toBe(one.next);
				expect(headline).toBe(reasons[0].text);
			}
	});

	it('has ids of its own for every step and every wrong of it', () => {
		for (const id of ALL) {
			const { steps } = walkOf(id, six);
			expect(new Set(steps.map((step) => step.id)).size).toBe(steps.length);
			for (const { wrong } of steps) expect(new Set(wrong.map((one) => one.id)).size).toBe(wrong.length);
		}
		expect(isWalk('straps')).toBe(true);
		expect(isWalk('motor-walk')).toBe(false);
	});

	it('says hand and place of each propeller, and how it is held', () => {
		const { steps } = walkOf('propellers', six);
		expect(steps).toHaveLength(6);
		expect(steps.filter(({ say }) => say.includes(' clockwise'))).toHaveLength(3);
		expect(steps.filter(({ say }) => say.includes('counter-clockwise'))).toHaveLength(3);
		expect(steps[0].how).toContain('an eighth to a quarter of a turn');
		expect(steps[0].wrong.map(({ id }) => id)).toContain('worn');
		const folding = walkOf('propellers', { ...six, propellers: 'folding' });
		expect(folding.steps[0].how).toContain('spread');
		expect(folding.steps[0].wrong.map(({ id }) => id)).not.toContain('worn');
		expect(walkOf('propellers', { ...six, rotors: 1, layout: undefined }).steps).toHaveLength(1);
		expect(walkOf('propellers', { ...six, rotors: 0, layout: undefined }).steps).toHaveLength(1);
		expect(walkOf('propellers', { ...six, rotors: 3, layout: undefined }).steps).toHaveLength(3);
	});

	it('tries only the sides that were said, and offers no walk where none was', () => {
		expect(walkOf('obstacle-sides', six).steps.map(({ id }) => id)).toEqual(['front', 'down']);
		expect(walkFor('obstacle-sides', six)).toBe('obstacle-sides');
		expect(walkFor('obstacle-sides', { ...six, obstacleSides: [] })).toBeNull();
		expect(walkFor('obstacle-sides', { ...six, parts: { obstacle: false } })).toBeNull();
		expect(walkFor('props-on', six)).toBe('propellers');
		expect(walkFor('daylight', six)).toBeNull();
	});

	it('tells when each side was last seen, and counts from the last new part', () => {
		const walk = walkOf('obstacle-sides', six);
		const entry = (at: string, good: readonly string[]): Entry =>
			({
				at,
				payload: {
					kind: 'test',
					task: 'obstacle-sides',
					figures: walk.steps.map((step) => ({
						label: figureOf(step),
						value: good.includes(step.id) ? 1 : 0,
						unit: 'as it should be',
					})),
				},
			}) as unknown as Entry;
		const entries = [
			entry('2026-03-01T10:00:00.000Z', ['front', 'down']),
			entry('2026-04-01T10:00:00.000Z', ['front']),
		];
		const events = [{ id: 'e', at: '2026-03-15T10:00:00.000Z', kind: 'part' as const, note: '' }];
		expect(walkedBefore(walk, entries, events)).toEqual({
			since: '2026-03-15T10:00:00.000Z',
			times: 1,
			last: [
				{ name: 'side front', at: '2026-04-01T10:00:00.000Z' },
				{ name: 'side down', at: '2026-03-01T10:00:00.000Z' },
			],
		});
		expect(walkedBefore(walk, [], [])).toMatchObject({ since: null, times: 0 });
	});
});

describe('self-righting', () => {
	it('passes only what came over, and stops at a motor that stands still', () => {
		expect(judgeRighting([]).verdict).toBe('fail');
		expect(judgeRighting(['moved', 'over'])).toMatchObject({
			verdict: 'pass',
			headline: 'Aircraft righted itself in 2 pushes.',
		});
		expect(judgeRighting(['stuck']).verdict).toBe('fail');
		expect(judgeRighting(['moved', 'moved', 'moved', 'moved']).verdict).toBe('caution');
	});
	it('asks for no more pushes than it allows, and for the other stick when it tips the other way', () => {
		expect(nextPush([], 'left')).toContain('to the left');
		expect(nextPush(['other-way'], 'left')).toContain('opposite');
		expect(nextPush(['moved'], 'away')).toContain('forward');
		expect(nextPush(['over'], 'left')).toBeNull();
		expect(nextPush(['stuck'], 'left')).toBeNull();
		expect(
			nextPush(
				Array.from({ length: MOST_PUSHES }, () => 'moved' as const),
				'left',
			),
		).toBeNull();
	});
});
