import { describe, expect, it } from 'vitest';
import { COMPASS_ROLES, guessColumns, HOVER_ROLES, takeColumns } from './columns';
import { numbersOf, readTable } from './csv';
import { readGpx } from './gpx';

const compass = (text: string) => {
	const table = readTable(text, 'log.csv');
	const guess = guessColumns(table, COMPASS_ROLES);
	return { table, guess, take: () => takeColumns(table, COMPASS_ROLES, guess.choices, 'log.csv') };
};

describe('a text table', () => {
	it.each([
		['comma, units in brackets', 'time [s],mag_x [uT],mag_y [uT],mag_z [uT]\n0,20,1,45\n0.1,20.5,2,44'],
		['semicolon and decimal comma', 't;mx;my;mz\n0,0;20,0;1,0;45,0\n0,1;20,5;2,0;44,0'],
		['tabs, byte-order mark and comments', '\uFEFF# bench\nt\tmx\tmy\tmz\n0\t20\t1\t45\n0.1\t20.5\t2\t44'],
		['spaces and CRLF', 't mx my mz\r\n0 20 1 45\r\n0.1 20.5 2 44\r\n'],
		['quoted', '"t","mx","my","mz"\n"0","20","1","45"\n"0.1","20.5","2","44"'],
	])('%s', (_, text) => {
		const columns = compass(text).take();
		expect([...columns.mx]).toEqual([20, 20.5]);
		expect(columns.t[1]).toBeCloseTo(0.1, 12);
	});

	it('in milligauss, gauss or nanotesla is told by its size; milliseconds by the header', () => {
		for (const k of [10, 0.01, 1000]) {
			const { guess, take } = compass(`time_ms,mx,my,mz\n0,${20 * k},${2 * k},${45 * k}\n100,${21 * k},${k},${44 * k}`);
			expect(guess.unclear).toEqual([]);
			expect(take().mx[0]).toBeCloseTo(20, 9);
			expect(take().t[1]).toBeCloseTo(0.1, 12);
		}
	});

	it('whose size fits no unit asks, and so does a time without one', () => {
		expect(compass('t,mx,my,mz\n0,3,1,4\n1,3,2,4').guess.unclear).toContain('mag');
		expect(compass('t,mx,my,mz\n0,30,1,40\n1,3,20,44').guess.unclear).toContain('time');
	});

	it('without a header has numbered columns to be mapped by hand', () => {
		const { table, take } = compass('0,20,1,45\n0.1,20,2,44');
		expect(table.headers).toEqual(['column 1', 'column 2', 'column 3', 'column 4']);
		expect(take).toThrow(/which column is Time/);
	});
});

describe('bad input names the file and the line', () => {
	it.each([
		['', /log\.csv is empty/],
		['  \n ', /empty/],
		['# only\n# comments', /comments only/],
		['name,colour\nred,blue', /no column of numbers/],
	])('%j', (text, message) => {
		expect(() => readTable(text, 'log.csv')).toThrow(message);
	});

	it.each([
		['t [s],mx,my,mz\n0,20,1,45\n1,NaN,2,44', /line 3, mx: "NaN"/],
		['t [s],mx,my,mz\n0,20,1,45\n1,20,2', /line 3, mz: the line is cut short/],
		['t [s],mx,my,mz\n0,20,1,45\n1,20,,44', /line 3, my: "" is not/],
		['t [s],mx,my,mz\n0,20,1,45\n0,20,1,44', /line 3: time does not increase/],
	])('%j', (text, message) => {
		expect(() => compass(text).take()).toThrow(message);
	});

	it('a column that is not there is named by its number', () => {
		const table = readTable('1,2\n3,4', 'x.csv');
		expect(() => numbersOf(table, 7, 'x.csv')).toThrow(/column 8/);
	});
});

describe('a hover table', () => {
	it('is recognised in either form', () => {
		const local = guessColumns(readTable('time [s],north,east,up,heading\n0,0,0,2,90', 'h.csv'), HOVER_ROLES).choices;
		expect(Object.keys(local)).toEqual(['t', 'north', 'east', 'up', 'heading']);
		const geo = guessColumns(readTable('t,lat,lon,alt\n0,54,-3,12', 'h.csv'), HOVER_ROLES).choices;
		expect(Object.keys(geo)).toEqual(['t', 'lat', 'lon', 'alt']);
	});
});

describe('a GPX file', () => {
	const point = (s: number, lat = 54.2) =>
		`<trkpt lat="${lat}" lon="-3.1"><ele>12</ele><time>2026-05-14T10:00:${String(s).padStart(2, '0')}Z</time></trkpt>`;
	const file = (points: string) =>
		`<?xml version="1.0"?><gpx version="1.1" creator="x"><trk><trkseg>${points}</trkseg></trk></gpx>`;

	it('gives its longest track in seconds and degrees', () => {
		const track = readGpx(file(point(0) + point(1, 54.3) + point(2)), 'h.gpx');
		expect(track.t).toEqual([0, 1, 2]);
		expect(track.lat).toEqual([54.2, 54.3, 54.2]);
		expect(track.alt[0]).toBe(12);
	});

	it.each([
		['', /empty/],
		['<gpx><trk>', /not readable/],
		['not xml at all', /not readable|no track/],
		[file(''), /no track/],
		[file(point(1) + point(0)), /point 2: time does not increase/],
	])('that is bad is refused: %#', (text, message) => {
		expect(() => readGpx(text, 'h.gpx')).toThrow(message);
	});
});
