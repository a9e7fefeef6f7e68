import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { keptFields, sameShape } from './draft.svelte';

describe('words of a form taken up', () => {
	const form = { title: '', count: 0 };
	it('are those of the same name and type', () => {
		expect(sameShape({ title: 'x', count: 'many', other: 1 }, form)).toEqual({ title: 'x' });
		expect(sameShape({ other: 1 }, form)).toBeNull();
		expect(sameShape('text', form)).toBeNull();
	});
});

describe('fields of a schema taken up', () => {
	const schema = z.object({ name: z.string(), firmware: z.string().default('') });
	it('are those that were kept: a default overwrites nothing', () => {
		expect(keptFields(schema, { name: 'Dunlin' })).toEqual({ name: 'Dunlin' });
		expect(keptFields(schema, { name: 5 })).toBeNull();
		expect(keptFields(schema, null)).toBeNull();
	});
});
