import { z } from 'zod';

const KINDS: Record<string, string> = {
	number: 'a number',
	int: 'a whole number',
	string: 'a text',
	boolean: 'yes or no',
	array: 'a list',
	tuple: 'a list',
	object: 'a group of named values',
	record: 'a group of named values',
	date: 'a date',
	null: 'empty',
};
const FORMATS: Record<string, string> = {
	datetime: 'a date and time, as 2026-05-14T09:30:00Z',
	date: 'a date, as 2026-05-14',
	regex: 'written otherwise',
	base64: 'a picture or file as text',
	hex: 'a checksum',
	sha256_hex: 'a checksum',
};
/** So many choices are listed; of more the first. */
const MOST_LISTED = 12;

const kindOf = (input: unknown): string => {
	if (input === null) return 'empty';
	if (Array.isArray(input)) return 'a list';
	if (typeof input === 'number') return Number.isFinite(input) ? 'a number' : 'no finite number';
	return KINDS[typeof input] ?? 'something else';
};

const amount = (value: number | bigint, origin: string): string => {
	if (origin === 'string') return `${value} ${value === 1 ? 'character' : 'characters'}`;
	if (origin === 'array' || origin === 'set' || origin === 'map' || origin === 'object')
		return `${value} ${value === 1 ? 'entry' : 'entries'}`;
	return String(value);
};

const listed = (values: readonly unknown[]): string => {
	const shown = values.slice(0, MOST_LISTED).map(String);
	return shown.join(', ') + (values.length > shown.length ? ' or another of the kind' : '');
};

/** What is wrong with a value, in words that go on after the name of its field; undefined leaves it to the library. */
function messageOf(issue: z.core.$ZodRawIssue): string | undefined {
	switch (issue.code) {
		case 'invalid_type':
			return issue.input === undefined
				? 'is missing'
				: `must be ${KINDS[issue.expected] ?? issue.expected}; it is ${kindOf(issue.input)}`;
		case 'too_small':
			if (issue.origin === 'string' && issue.minimum === 1) return 'must not be empty';
			return `must be ${issue.inclusive === false ? 'more than' : 'at least'} ${amount(issue.minimum, issue.origin)}`;
		case 'too_big':
			return `must be ${issue.inclusive === false ? 'less than' : 'at most'} ${amount(issue.maximum, issue.origin)}`;
		case 'invalid_value':
			return issue.input === undefined
				? 'is missing'
				: `must be ${issue.values.length > 1 ? 'one of ' : ''}${listed(issue.values)}`;
		case 'invalid_format':
			return `must be ${FORMATS[issue.format] ?? issue.format}`;
		case 'unrecognized_keys':
			return `has what nobody knows here: ${listed(issue.keys)}`;
		case 'invalid_union':
			return issue.input === undefined ? 'is missing' : 'is of no kind that is known here';
		case 'not_multiple_of':
			return `must be a multiple of ${issue.divisor}`;
		case 'invalid_key':
		case 'invalid_element':
			return 'holds something that does not belong there';
		default:
			return undefined;
	}
}

// Once, for every schema: a page, a worker and the server say the same.
z.config({ customError: messageOf });
