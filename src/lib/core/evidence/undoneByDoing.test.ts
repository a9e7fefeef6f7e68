import { describe, expect, it } from 'vitest';
import type { EntryPayload } from '../../schema/entries';
import { newAircraft } from '../../schema/newAircraft';
import type { Aircraft, Control } from '../../schema/records';
import { entryOf, finding, ticked } from '../facts/entries.fixture';
import { checklistFor } from '../session/items';
import { readSession } from '../session/sessionRecord';
import { undoneByDoing } from './undoneByDoing';

const AT = '2026-05-14T09:00:00.000Z';
const gyro: EntryPayload = { ...finding('gyro', 'pass'), sensor: 'gyro' };
const read = (payloads: EntryPayload[], aircraft: Partial<Aircraft> = {}) =>
	readSession({
		entries: payloads.map((payload, seq) => entryOf(seq, payload)),
		session: { kind: 'flight' },
		aircraft,
	});

describe('checks that other checks ask again', () => {
	it.each(['motors-bare', 'bench-arm', 'link-loss', 'pre-arm'])(
		'%s with propellers off: propellers to check again',
		(task) => {
			expect(read([ticked('props-on'), ticked(task)]).speaking('props-on')).toBeNull();
			expect(read([ticked(task), ticked('props-on')]).speaking('props-on')).not.toBeNull();
		},
	);

	it('propellers that stay on by the maker’s manual are not asked about again', () => {
		expect(
			read([ticked('props-on'), ticked('bench-arm')], { propellersStayOn: true }).speaking('props-on'),
		).not.toBeNull();
	});

	it('calibration: the restart is asked, and asked again after another one', () => {
		expect(undoneByDoing(gyro)).toEqual(['restarted']);
		expect(read([gyro, ticked('restarted'), gyro]).speaking('restarted')).toBeNull();
		expect(read([gyro, ticked('restarted')]).speaking('restarted')).not.toBeNull();
	});

	it('restart: on the list once something was calibrated here', () => {
		const aircraft = { ...newAircraft('a', 'multirotor', AT), name: 'Dunlin' };
		const ids = (payloads: EntryPayload[]) =>
			checklistFor({ aircraft, entries: payloads.map((payload, seq) => entryOf(seq, payload)) }).map(({ id }) => id);
		expect(ids([])).not.toContain('restarted');
		expect(ids([gyro])).toContain('restarted');
		expect(ids([{ ...finding('gyro', 'fail'), sensor: 'gyro' }])).not.toContain('restarted');
	});
});

describe('order of the bench', () => {
	it('what could arm or transmit comes where propellers are off and antennas are on', () => {
		const aircraft = { ...newAircraft('a', 'longrange', AT), name: 'Curlew' };
		const items = checklistFor({ aircraft, session: { occasion: 'first' } });
		const at = (id: string) => items.findIndex((item) => item.id === id);
		expect(items[at('pre-arm')]?.station).toBe('bench');
		expect(items[at('antennas')]?.station).toBe('bench');
		for (const powered of ['first-power', 'motors-bare', 'bench-arm', 'switches', 'pre-arm'])
			expect(at('antennas'), powered).toBeLessThan(at(powered));
	});

	it('arming guard: a missing position in the transmitter table is named', () => {
		const arm: Control = { id: 'c', control: 'SA', position: 'down', does: 'arm', shown: '' };
		const text = (more: Partial<Aircraft>) =>
			checklistFor({ aircraft: { ...newAircraft('a', 'longrange', AT), ...more } }).find(({ id }) => id === 'pre-arm')
				?.text;
		expect(text({ controls: [arm] })).toMatch(/missing/);
		expect(text({ controls: [arm, { ...arm, id: 'd', does: 'guard' }] })).not.toMatch(/missing/);
	});
});
