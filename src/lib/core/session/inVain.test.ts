import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Entry } from '../../schema/entries';
import { calibrationsInVain, inVainReasons } from './inVain';

type Step = 'bad' | 'leaves' | 'refused' | 'good' | 'compass' | 'level' | 'part';
const entry = (step: Step, seq: number): Entry => {
	const hovers: Partial<Record<Step, string>> = {
		bad: 'circling-seen',
		leaves: 'no-position-hold',
		refused: 'insufficient-duration',
		good: '',
	};
	const code = hovers[step];
	const payload =
		code !== undefined
			? {
					kind: 'test',
					task: 'hover',
					verdict: code ? 'fail' : 'pass',
					reasons: code ? [{ code, level: 'fail', text: 'x' }] : [],
				}
			: step === 'part'
				? { kind: 'event', task: 'events', what: 'part', note: '' }
				: { kind: 'test', task: step, verdict: 'pass' };
	return { seq, payload } as unknown as Entry;
};
const sensor = ({ payload }: Entry) =>
	payload.kind === 'test' && (payload.task as string) !== 'hover' ? payload.task : null;
const counted = (...steps: Step[]) => calibrationsInVain(steps.map(entry), sensor);

describe('calibrations without effect', () => {
	it('are those between two hovers that showed the same', () => {
		expect(counted('compass', 'bad').size).toBe(0);
		expect(counted('bad', 'compass').size).toBe(0);
		expect(counted('bad', 'compass', 'bad').get('compass')).toBe(1);
		expect(counted('bad', 'compass', 'bad', 'compass', 'bad').get('compass')).toBe(2);
		expect(Object.fromEntries(counted('bad', 'compass', 'level', 'bad', 'level', 'bad'))).toEqual({
			compass: 1,
			level: 2,
		});
	});
	it('are not told by a hover that was refused, nor by one that shows another sign', () => {
		expect(counted('bad', 'compass', 'refused').size).toBe(0);
		expect(counted('bad', 'compass', 'refused', 'bad').get('compass')).toBe(1);
		expect(counted('bad', 'compass', 'leaves').size).toBe(0);
	});
	it('are forgotten once a hover is good, or the aircraft is another one', () => {
		expect(counted('bad', 'compass', 'bad', 'good', 'compass', 'bad').size).toBe(0);
		expect(counted('bad', 'compass', 'bad', 'part', 'compass', 'bad').size).toBe(0);
	});
	it('never count more than there were failed hovers after the first', () => {
		const steps = fc.array(fc.constantFrom<Step>('bad', 'leaves', 'refused', 'good', 'compass', 'level', 'part'), {
			maxLength: 30,
		});
		fc.assert(
			fc.property(steps, (drawn) => {
				const failed = drawn.filter((step) => step === 'bad' || step === 'leaves').length;
				for (const count of counted(...drawn).values()) expect(count).toBeLessThanOrEqual(Math.max(0, failed - 1));
			}),
		);
	});
	it('lead to what to look at first, and the second time to the maker', () => {
		expect(inVainReasons(new Map())).toEqual([]);
		expect(inVainReasons(new Map([['compass', 1]]))).toMatchObject([{ level: 'caution', code: 'not-cured' }]);
		const [twice] = inVainReasons(new Map([['compass', 2]]));
		expect(twice).toMatchObject({ level: 'fail', value: 2, limit: 2 });
		expect(twice.next).toMatch(/ask the maker/);
	});
});
