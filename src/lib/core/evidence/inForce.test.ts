import { describe, expect, it } from 'vitest';
import type { Entry, TestPayload } from '../../schema/entries';
import { datedAhead, lastDone, lastHover } from './inForce';
import { undoneBy } from '../session/checklist/undoes';

const NOW = '2026-05-14T12:00:00.000Z';
const entry = (seq: number, at: string, more: Partial<TestPayload>): Entry => ({
	id: `e${seq}`,
	sessionId: 's',
	aircraftId: 'a',
	seq,
	at,
	by: 'Pilot',
	station: 'bench',
	corrects: null,
	payload: {
		kind: 'test',
		task: 'gyro',
		sensor: 'gyro',
		grade: 'measured',
		sourceName: 'x',
		headline: '',
		figures: [],
		verdict: 'pass',
		reasons: [],
		...more,
	},
	previous: '0'.repeat(64),
	hash: '0'.repeat(64),
});

describe('what was last done', () => {
	it('is the newest that counts, in whatever order it is given', () => {
		const list = [
			entry(0, '2026-05-14T08:00:00.000Z', {}),
			entry(3, '2026-05-14T11:00:00.000Z', { verdict: 'fail' }),
			entry(2, '2026-05-14T10:00:00.000Z', { grade: 'rehearsed' }),
			entry(1, '2026-05-14T09:00:00.000Z', { verdict: 'caution' }),
		];
		expect(lastDone(list, NOW).get('gyro')?.id).toBe('e1');
		expect(lastDone(list.toReversed(), NOW).get('gyro')?.id).toBe('e1');
	});

	it('a date after now does not count, and is told', () => {
		const ahead = entry(1, '2027-05-14T09:00:00.000Z', {});
		expect(lastDone([ahead], NOW).size).toBe(0);
		expect(datedAhead([ahead], NOW).get('gyro')).toBe(ahead.at);
	});

	it('a hover counts where it was flown and did not fail', () => {
		const hover = (seq: number, more: Partial<TestPayload> = {}) => {
			const made = entry(seq, `2026-05-14T0${seq}:00:00.000Z`, { task: 'hover', ...more });
			if (made.payload.kind === 'test') delete made.payload.sensor;
			return made;
		};
		expect(lastHover([hover(1), hover(2, { grade: 'rehearsed' }), hover(3, { verdict: 'fail' })], NOW)?.id).toBe('e1');
	});
});

describe('what an event undoes', () => {
	it('is what it may have changed, and nothing else', () => {
		for (const task of ['radio-first', 'craft-first', 'still', 'link', 'restarted', 'position'])
			expect(undoneBy('unplugged'), task).toContain(task);
		for (const task of ['props-on', 'frame', 'due-gyro', 'hover'])
			expect(undoneBy('unplugged'), task).not.toContain(task);
		for (const task of ['props-on', 'nudge-roll', 'hover', 'link-loss', 'frame', 'compass'])
			expect(undoneBy('part'), task).toContain(task);
		expect(undoneBy('part')).not.toContain('legal');
		expect(undoneBy('knock')).toContain('due-accelerometer');
		expect(undoneBy('knock')).not.toContain('link-loss');
		expect(undoneBy('settings')).toContain('loss-action');
		expect(undoneBy('prompt')).toContain('compass');
		expect(undoneBy('prompt')).not.toContain('hover');
	});
});
