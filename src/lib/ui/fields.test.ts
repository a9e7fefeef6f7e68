import { describe, expect, it } from 'vitest';
import { fieldsOf, inside } from './fields';

describe('makers of fields', () => {
	it('round whole numbers, and keep a required one that is emptied', () => {
		const { number } = fieldsOf<{ n: number }>();
		const field = number('n', 'N', '', { whole: true, required: true });
		expect(field.set({ n: 4 }, 6.6)).toEqual({ n: 7 });
		expect(field.set({ n: 4 }, null)).toEqual({});
	});

	it('leave an emptied text out, or keep it as an empty one where the record always has it', () => {
		const { text } = fieldsOf<{ a: string; b?: string }>();
		expect(text('b', 'B', 10).set({ a: '' }, '')).toEqual({ b: undefined });
		expect(text('a', 'A', 10, { always: true }).set({ a: 'x' }, '')).toEqual({ a: '' });
	});

	it('ask of a part what was made for it', () => {
		const part = fieldsOf<{ x?: number }>();
		const [field] = inside<{ part?: { x?: number } }, 'part'>('part', [
			part.number('x', 'X', '', { when: ({ x }) => x !== undefined }),
		]);
		expect(field.when?.({ part: { x: 1 } })).toBe(true);
		expect(field.when?.({})).toBe(false);
	});
});
