import { describe, expect, it } from 'vitest';
import { aircraftSchema } from '$lib/schema/records';
import { problemWords } from './problem';

/** An error as the store raises it: by name, with the browser's own behind it. */
const raised = (name: string, message: string, inner?: unknown) => Object.assign(new Error(message), { name, inner });

describe('words for what went wrong', () => {
	it('storage full: says so once, that nothing was recorded, and what to do', () => {
		const quota = new DOMException('The quota has been exceeded.', 'QuotaExceededError');
		for (const error of [quota, raised('QuotaExceededError', 'full', quota), raised('AbortError', 'aborted', quota)]) {
			expect(problemWords(error)).toMatch(/^The storage of this device is full\. Nothing was recorded\. /);
			expect(problemWords(error)).not.toContain('quota');
		}
	});
	it('no storage: names no foreign address', () => {
		const words = problemWords(
			raised('MissingAPIError', 'IndexedDB API missing. Please visit https://example.invalid'),
		);
		expect(words).toContain('allow site data');
		expect(words).not.toContain('http');
	});
	it('an error of another part of the browser is no error of the storage', () => {
		for (const name of ['SecurityError', 'InvalidStateError', 'TimeoutError'])
			expect(problemWords(new DOMException('The serial port is open already.', name))).toContain('serial port');
	});
	it('a newer store and a closed one lead to a reload', () => {
		expect(problemWords(raised('VersionError', 'x'))).toContain('Reload');
		expect(problemWords(raised('DatabaseClosedError', 'x'))).toContain('another tab');
	});
	it('a row that does not fit names its field, and never shows the schema’s own list', () => {
		const { error } = aircraftSchema.safeParse({ id: 'a' });
		expect(problemWords(error)).toContain('name');
		expect(problemWords(error)).not.toMatch(/[[{"]/);
	});
	it('a store that cannot be opened says what the browser reports', () => {
		const cause = new DOMException('Internal error opening backing store.', 'UnknownError');
		const words = problemWords(raised('OpenFailedError', 'UnknownError Internal error', cause));
		expect(words).toMatch(/cannot be opened.*reports: Internal error opening backing store\.$/);
	});
	it('an error of the product keeps its words; of several lines the first', () => {
		expect(problemWords(new Error('This session is ended.\nstack'))).toBe('This session is ended.');
		expect(problemWords('odd')).toBe('odd');
	});
});
