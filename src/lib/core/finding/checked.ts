import type { z } from 'zod';
import { InputError } from './inputError';

type Issue = z.core.$ZodIssue;

/** Of the branches of a union the one that fits best: its issues say what was meant. */
function firstIssue(
	issues: readonly Issue[],
	before: readonly PropertyKey[] = [],
): { path: string[]; message: string } {
	const [issue] = issues;
	const path = [...before, ...issue.path];
	if (issue.code === 'invalid_union' && issue.errors.length > 0) {
		const best = issue.errors.reduce((a, b) => (b.length < a.length ? b : a));
		if (best.length > 0) return firstIssue(best, path);
	}
	return { path: path.map(String), message: issue.message };
}

/**
 * Input as its schema wants it. `whole` is what the input is called where it does not fit as a whole.
 * @throws InputError `invalid-input` naming the first field that does not fit.
 */
export function checked<T extends z.ZodType>(schema: T, value: unknown, whole = 'input'): z.output<T> {
	const found = schema.safeParse(value);
	if (found.success) return found.data;
	const { path, message } = firstIssue(found.error.issues);
	const dotted = path.join('.');
	throw new InputError('invalid-input', dotted || whole, `${dotted || whole}: ${message}`);
}
