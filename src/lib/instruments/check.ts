import type { z } from 'zod';
import { InputError } from '$lib/core/finding/inputError';

/** A request as its schema wants it. @throws InputError naming the first field that does not fit. */
export function checked<T extends z.ZodType>(schema: T, value: unknown): z.output<T> {
	const found = schema.safeParse(value);
	if (found.success) return found.data;
	const [issue] = found.error.issues;
	const path = issue.path.join('.');
	throw new InputError('bad-input', path, `${path || 'input'}: ${issue.message}`);
}
