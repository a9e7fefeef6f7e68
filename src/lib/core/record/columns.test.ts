import { describe, expect, it } from 'vitest';
import { guessColumns, takeColumns, withPairsSplit } from './columns';
import { readTable } from './csv';
import { HOVER_ROLES } from './logRoles';

const take = (text: string) => {
	const { table, dropped } = withPairsSplit(readTable(text, 'log.csv'));
	const { choices, unclear } = guessColumns(table, HOVER_ROLES);
	return { columns: takeColumns(table, HOVER_ROLES, choices, 'log.csv'), unclear, dropped };
};

describe('logs as a radio writes them', () => {
	it('has times of day, both places in one column, rows from before the fix, and volts', () => {
		const { columns, unclear, dropped } = take(
			[
				'Date,Time,GPS,Alt(m),GSpd(kmh),Hdg(deg),Sats,RxBt(V),VBat(V)',
				'2026-05-02,23:59:58.500,,0.0,0,0,0,5.0,16.6',
				'2026-05-02,23:59:59.000,54.201000 -3.052000,0.1,0.0,271,9,5.0,16.5',
				'2026-05-02,23:59:59.500,54.201001 -3.052001,0.2,3.6,271,9,5.0,16.4',
				'2026-05-03,00:00:00.000,54.201002 -3.052002,0.3,7.2,272,10,5.0,16.3',
			].join('\n'),
		);
		expect(dropped).toBe(1);
		expect([...columns.t]).toEqual([0, 0.5, 1]);
		expect([...columns.lat]).toEqual([54.201, 54.201001, 54.201002]);
		expect([...columns.lon]).toEqual([-3.052, -3.052001, -3.052002]);
		expect(columns.speed[1]).toBeCloseTo(1, 9);
		expect([...columns.voltage]).toEqual([16.5, 16.4, 16.3]);
		expect([...columns.satellites]).toEqual([9, 9, 10]);
		expect(unclear).toEqual([]);
	});

	it('spreads rows that a clock of whole seconds gives one time to', () => {
		const { columns } = take(
			['time,lat,lon,alt', '10:00:00,54.1,-3,5', '10:00:00,54.1,-3,5', '10:00:01,54.1,-3,5', '10:00:02,54.1,-3,5'].join(
				'\n',
			),
		);
		expect([...columns.t]).toEqual([0, 0.5, 1, 2]);
	});

	it('names the line of a time that is none, and of a clock that goes back', () => {
		expect(() =>
			take(
				'time,lat,lon,alt\n10:00:00,1,2,3\n10:00:01,1,2,3\n10:00:02,1,2,3\n10:00:03,1,2,3\n10:00:04,1,2,3\nlater,1,2,3',
			),
		).toThrow(/line 7, time: "later" is not a time of day/);
		expect(() => take('time,lat,lon,alt\n10:00:05,1,2,3\n10:00:01,1,2,3')).toThrow(/line 3: time does not increase/);
	});

	it('leaves a table alone whose places have a column each, and one whose pair is something else', () => {
		const plain = readTable('t,lat,lon\n0,1,2\n1,1,2', 'a.csv');
		expect(withPairsSplit(plain)).toEqual({ table: plain, dropped: 0 });
		const words = readTable('t,pos\n0,here there\n1,here there', 'b.csv');
		expect(withPairsSplit(words).table).toBe(words);
	});
});
