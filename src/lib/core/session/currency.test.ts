import { describe, expect, it } from 'vitest';
import type { Entry } from '../../schema/entries';
import { BY_HAND, currencyOf } from './currency';

const NOW = '2026-06-01T10:00:00.000Z';
const entry = (at: string, payload: object, by = 'Ines', sessionId = at): Entry =>
	({ at, by, sessionId, payload }) as unknown as Entry;
const note = (words: string) => ({ kind: 'flight', what: 'note', note: words });

describe('flying without position hold', () => {
	it('counts flights of the pilot within ninety days, each session once', () => {
		const entries = [
			entry('2026-05-20T10:00:00.000Z', note(BY_HAND), 'Ines', 's1'),
			entry('2026-05-20T10:05:00.000Z', note(BY_HAND), 'Ines', 's1'),
			entry('2026-04-20T10:00:00.000Z', { kind: 'check', task: 'first-rung', outcome: 'done', grade: 'seen' }),
			entry('2026-01-01T10:00:00.000Z', note(BY_HAND)),
			entry('2026-05-21T10:00:00.000Z', note(BY_HAND), 'Somebody'),
			entry('2026-05-22T10:00:00.000Z', note('Gusts')),
		];
		expect(currencyOf(entries, 'Ines', NOW)).toEqual({ last: '2026-05-20T10:05:00.000Z', recent: 2, current: true });
	});
	it('is not current without any, and rehearsals and failures do not count', () => {
		const entries = [
			entry('2026-05-20T10:00:00.000Z', { kind: 'check', task: 'first-rung', outcome: 'failed', grade: 'seen' }),
			entry('2026-05-20T10:00:00.000Z', { kind: 'check', task: 'first-rung', outcome: 'done', grade: 'rehearsed' }),
		];
		expect(currencyOf(entries, 'Ines', NOW)).toEqual({ last: null, recent: 0, current: false });
	});
});
