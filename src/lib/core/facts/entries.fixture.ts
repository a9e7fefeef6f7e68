import type { CheckPayload, Entry, EntryPayload, Grade, TestPayload } from '../../schema/entries';
import type { Verdict } from '../../schema/common';
import { packSchema, type Pack } from '../../schema/records';

/** An entry of a session for tests: number and minute are the same. */
export const entryOf = (seq: number, payload: EntryPayload, more: Partial<Entry> = {}): Entry => ({
	id: `e${seq}`,
	sessionId: 's',
	aircraftId: 'a',
	seq,
	at: new Date(Date.UTC(2026, 4, 14, 10, seq)).toISOString(),
	by: 'Pilot',
	station: 'plan',
	corrects: null,
	payload,
	previous: '0'.repeat(64),
	hash: '0'.repeat(64),
	...more,
});

/** A check answered OK, for tests. */
export const ticked = (task: string, grade: Grade = 'seen'): CheckPayload => ({
	kind: 'check',
	task,
	outcome: 'done',
	value: null,
	unit: '',
	waitedS: null,
	reason: '',
	grade,
});

/** A check with a value, for tests. */
export const reading = (task: string, value: number, unit: string, grade: Grade = 'read-off'): CheckPayload => ({
	...ticked(task, grade),
	value,
	unit,
});

/** A finding without figures, for tests. */
export const finding = (task: string, verdict: Verdict, grade: Grade = 'measured'): TestPayload => ({
	kind: 'test',
	task,
	grade,
	sourceName: 'x.csv',
	headline: `${task} ${verdict}`,
	figures: [],
	verdict,
	reasons: [],
});

/** A battery of four cells and 5000 mAh, for tests. */
export const batteryOf = (more: Partial<Pack> = {}): Pack => ({
	...packSchema.parse({
		id: 'p',
		name: 'D-1',
		aircraftId: 'a',
		cells: 4,
		capacityMah: 5000,
		cycles: 10,
		boughtOn: '2026-01-01',
		updatedAt: '2026-05-14T09:00:00.000Z',
	}),
	...more,
});
