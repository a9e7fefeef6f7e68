import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { guessColumns, takeColumns } from './columns';
import { COMPASS_ROLES, HOVER_ROLES } from './logRoles';
import { firstRows, numbersOf, readTable } from './csv';
import { readTrack } from './tracks';

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
		['a carriage return alone', 't,mx,my,mz\r0,20,1,45\r0.1,20.5,2,44\r'],
		['empty rows, of each kind', '\r\nt,mx,my,mz\r\n\r\n0,20,1,45\r\n,,,\r\n0.1,20.5,2,44\r\n\r\n'],
		['empty rows by carriage returns', 't,mx,my,mz\r\r0,20,1,45\r0.1,20.5,2,44'],
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

describe('a text table of any numbers', () => {
	const value = fc.oneof(
		fc.double({ noNaN: true, noDefaultInfinity: true }),
		fc.integer({ min: -1e6, max: 1e6 }).map((n) => n / 1000),
	);
	const layouts = fc.record({
		delimiter: fc.constantFrom(',', ';', '\t', '|', ' '),
		end: fc.constantFrom('\n', '\r\n', '\r'),
		ended: fc.boolean(),
		padded: fc.boolean(),
		notes: fc.array(fc.constantFrom('', '# a note', '  # another'), { maxLength: 3 }),
	});
	const grids = fc
		.integer({ min: 2, max: 6 })
		.chain((columns) =>
			fc.array(fc.array(value, { minLength: columns, maxLength: columns }), { minLength: 2, maxLength: 20 }),
		);

	it('is read to the last digit, quoted or not, whatever parts its cells and ends its lines', () => {
		fc.assert(
			fc.property(grids, layouts, (grid, { delimiter, end, ended, padded, notes }) => {
				const written = (quote: string) => {
					const pad = padded && delimiter !== ' ' && quote === '' ? ' ' : '';
					const lines = grid.map((row) => row.map((v) => `${pad}${quote}${v}${quote}${pad}`).join(delimiter));
					const [first, ...rest] = lines;
					const names = grid[0].map((_, k) => `${quote}c${k}${quote}`).join(delimiter);
					return [names, first, ...notes, ...rest].join(end) + (ended ? end : '');
				};
				const columns = grid[0].map((_, k) => k);
				for (const quote of ['', '"']) {
					const table = readTable(written(quote), 'log.csv');
					expect(table.headers).toEqual(columns.map((k) => `c${k}`));
					const read = numbersOf(table, columns, 'log.csv');
					expect(read.map((column) => [...column])).toEqual(columns.map((k) => grid.map((row) => row[k] + 0)));
					expect([...table.lines]).toEqual(grid.map((_, i) => (i === 0 ? 2 : 2 + i + notes.length)));
					expect(firstRows(table, 2)).toEqual(grid.slice(0, 2).map((row) => row.map(String)));
				}
			}),
		);
	});

	it('gives any columns in any order, one of them twice', () => {
		fc.assert(
			fc.property(grids, fc.array(fc.nat(5), { minLength: 1, maxLength: 8 }), (grid, asked) => {
				const columns = asked.map((k) => k % grid[0].length);
				const text = [grid[0].map((_, k) => `c${k}`), ...grid].map((row) => row.join(';')).join('\n');
				const read = numbersOf(readTable(text, 'log.csv'), columns, 'log.csv');
				expect(read.map((column) => [...column])).toEqual(columns.map((k) => grid.map((row) => row[k] + 0)));
			}),
		);
	});

	it('with one cell that is no number names its line and column, quoted or not', () => {
		fc.assert(
			fc.property(grids, fc.nat(), fc.nat(), fc.constantFrom('x', 'NaN', '0x10', '1.2.3', '-'), (grid, i, k, bad) => {
				const [row, column] = [1 + (i % (grid.length - 1)), k % grid[0].length];
				for (const quote of ['', '"']) {
					const cells = grid.map((line, r) =>
						line.map((v, c) => `${quote}${r === row && c === column ? bad : v}${quote}`),
					);
					const text = [grid[0].map((_, c) => `c${c}`), ...cells].map((line) => line.join('|')).join('\n');
					const all = grid[0].map((_, c) => c);
					expect(() => numbersOf(readTable(text, 'log.csv'), all, 'log.csv')).toThrow(
						`line ${row + 2}, c${column}: "${bad}"`,
					);
				}
			}),
		);
	});
});

describe('a table that would hold up the page', () => {
	const wide = (columns: number, quote: string) =>
		`${Array.from({ length: columns }, (_, k) => `${quote}c${k}${quote}`).join(',')}\n${Array(columns).fill('1').join(',')}\n`;
	it.each(['', '"'])('of 2,000 columns is read, of one more refused by name, quoted with %j or not', (quote) => {
		expect(readTable(wide(2000, quote), 'log.csv').headers).toHaveLength(2000);
		expect(() => readTable(wide(2001, quote), 'log.csv')).toThrow(
			'log.csv has 2001 columns; up to 2000 are read. Keep only the columns that are needed.',
		);
	});
});

describe('a quote that is not closed', () => {
	const rows = (n: number) => Array.from({ length: n }, (_, k) => `${k},"${k}"`).join('\n');
	it.each([
		['to the end of the file', `t,x\n${rows(5)}\n"6,7\n8,9\n`],
		['until another quote', `t,x\n${rows(5)}\n"6,7\n8,"9"\n10,11\n`],
		['after a cell of two lines', `t,"x\nof two"\n${rows(4)}\n"6,7\n8,9\n`],
	])('is named by the line that it is in: %s', (_, text) => {
		expect(() => readTable(text, 'log.csv')).toThrow(
			'log.csv, line 7: a quote is opened there and not closed. Close it, or take it out.',
		);
	});
	it('leaves the lines after a cell of two lines as they are', () => {
		const table = readTable('t,"x\nof two"\n0,1\n1,two\n', 'log.csv');
		expect(() => numbersOf(table, [0, 1], 'log.csv')).toThrow(/log\.csv, line 4, /);
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
		['t [s],mx,my,mz\n\n0,20,1,45\n\n1,20,2', /line 5, mz: the line is cut short/],
		['t [s],mx,my,mz\n0,20,1,45\n1,20,,44', /line 3, my: "" is not/],
		['t [s],mx,my,mz\n0,20,1,45\n0,20,1,44', /line 3: time does not increase/],
		['t [s],mx,my,mz\n0,20,1,45\n1,20,1e80,44', /line 3, my: no sensor shows "1e80"/],
		['t [s],mx,my,mz\n0,20,1,45\n1,20,2,-1e308', /line 3, mz: no sensor shows/],
	])('%j', (text, message) => {
		expect(() => compass(text).take()).toThrow(message);
	});

	it('a column that is not there is named by its number', () => {
		const table = readTable('1,2\n3,4', 'x.csv');
		expect(() => numbersOf(table, [7], 'x.csv')).toThrow(/column 8/);
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
		const track = readTrack(file(point(0) + point(1, 54.3) + point(2)), 'h.gpx');
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
		[file(point(0) + point(1, NaN) + point(2)), /point 2: lat="NaN" is no place/],
		[file(point(0) + point(1, 94)), /point 2: lat="94"/],
	])('that is bad is refused: %#', (text, message) => {
		expect(() => readTrack(text, 'h.gpx')).toThrow(message);
	});
});

describe('KML and GeoJSON', () => {
	const kml = (points: string) =>
		`<?xml version="1.0"?><kml xmlns="http://www.opengis.net/kml/2.2" xmlns:gx="http://www.google.com/kml/ext/2.2"><Document><Placemark><gx:Track>${points}</gx:Track></Placemark></Document></kml>`;
	const when = (s: number) => `<when>2026-05-14T09:00:0${s}Z</when>`;
	const line = (
		more: object,
		coordinates = [
			[-3.1, 54.2, 10],
			[-3.1001, 54.2001, 11],
		],
	) =>
		JSON.stringify({
			type: 'FeatureCollection',
			features: [{ type: 'Feature', geometry: { type: 'LineString', coordinates }, properties: more }],
		});
	const times = ['2026-05-14T09:00:00Z', '2026-05-14T09:00:01Z'];

	it('give their tracks', () => {
		const fromKml = readTrack(
			kml(`${when(0)}${when(1)}<gx:coord>-3.1 54.2 10</gx:coord><gx:coord>-3.1001 54.2001 11</gx:coord>`),
			'walk.kml',
		);
		for (const track of [
			fromKml,
			readTrack(line({ times }), 'walk.geojson'),
			readTrack(line({ coordTimes: times }), 'walk.json'),
		]) {
			expect(track.t).toEqual([0, 1]);
			expect(track.lat).toEqual([54.2, 54.2001]);
			expect(track.alt).toEqual([10, 11]);
		}
	});
	it('points with a time each are one track; times may be milliseconds', () => {
		const feature = (lon: number, time: number) => ({
			type: 'Feature',
			geometry: { type: 'Point', coordinates: [lon, 54] },
			properties: { time },
		});
		const text = JSON.stringify({
			type: 'FeatureCollection',
			features: [feature(-3, 1.8e12), feature(-3.1, 1.8e12 + 500)],
		});
		expect(readTrack(text, 'points.geojson').t).toEqual([0, 0.5]);
	});
	it.each([
		['walk.geojson', '{', /not readable GeoJSON/],
		['walk.geojson', '{"type":"Nothing"}', /not GeoJSON with features/],
		['walk.geojson', line({}), /no track with times/],
		['walk.geojson', line({ times: ['now', 'then'] }), /point 1: no readable time/],
		['walk.geojson', line({ times: [times[1], times[0]] }), /point 2: time does not increase/],
		['walk.kml', '<kml>', /not readable KML|no track/],
		['walk.kml', '', /empty/],
	])('bad ones are named: %s %s', (name, text, message) => expect(() => readTrack(text, name)).toThrow(message));
});

describe('time columns', () => {
	const rows = (times: string[], header = 't') =>
		compass(`${header},mx,my,mz\n${times.map((t, k) => `${t},${20 + k},1,45`).join('\n')}`);
	it.each([
		['ISO 8601', ['2026-05-14T09:00:00.0Z', '2026-05-14T09:00:00.5Z', '2026-05-14T09:00:01Z'], 't', [0, 0.5, 1]],
		['ISO 8601 with a space and no zone', ['2026-05-14 09:00:00', '2026-05-14 09:00:02'], 'time', [0, 2]],
		['microseconds', ['0', '500000', '1000000'], 'time_us', [0, 0.5, 1]],
		['GPS week seconds across the end of the week', ['604799.5', '0.0', '0.5'], 'gps_tow', [0, 0.5, 1]],
		['GPS seconds by unit', ['10', '11'], 't [GPS s]', [0, 1]],
	])('%s', (_, times, header, expected) => {
		const { guess, take } = rows(times, header);
		expect(guess.unclear).toEqual([]);
		[...take().t].forEach((t, k) => expect(t).toBeCloseTo(expected[k], 9));
	});
	it('an unreadable ISO time is named with its line', () =>
		expect(() => rows(['2026-05-14T09:00:00Z', '2026-05-14T29:00:00Z']).take()).toThrow(/line 3.*2026-05-14T29/));
});

describe('tracks with something missing', () => {
	const point = (k: number, more: { time?: boolean; ele?: string | null } = {}) =>
		`<trkpt lat="${54 + k * 1e-6}" lon="-3">${more.ele === null ? '' : `<ele>${more.ele ?? 12 + k / 10}</ele>`}${more.time === false ? '' : `<time>2026-05-14T09:00:${String(k).padStart(2, '0')}Z</time>`}</trkpt>`;
	const gpxOf = (...segments: string[][]) =>
		`<gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1"><trk>${segments.map((points) => `<trkseg>${points.join('')}</trkseg>`).join('')}</trk></gpx>`;
	const range = (from: number, to: number) => Array.from({ length: to - from }, (_, k) => from + k);

	it('two segments of one track are read as one, with the pause between them', () => {
		const track = readTrack(
			gpxOf(
				range(0, 10).map((k) => point(k)),
				range(30, 40).map((k) => point(k)),
			),
			'two.gpx',
		);
		expect(track.t).toHaveLength(20);
		expect((track.t[10] ?? 0) - (track.t[9] ?? 0)).toBe(21);
	});
	it('one point without a time is named', () => {
		const text = gpxOf(range(0, 10).map((k) => point(k, { time: k !== 4 })));
		expect(() => readTrack(text, 'a.gpx')).toThrow('a.gpx, point 5: no readable time.');
	});
	it('one point without a readable height is named; a track without any is read', () => {
		const text = gpxOf(range(0, 10).map((k) => point(k, k === 6 ? { ele: null } : {})));
		expect(() => readTrack(text, 'a.gpx')).toThrow('a.gpx, point 7: no readable height.');
		expect(new Set(readTrack(gpxOf(range(0, 10).map((k) => point(k, { ele: null }))), 'a.gpx').alt)).toEqual(
			new Set([0]),
		);
	});
	it('a place that is none is named in GeoJSON too, and a line with a time less', () => {
		const line = (coordinates: number[][], times: string[]) =>
			JSON.stringify({
				type: 'Feature',
				geometry: { type: 'LineString', coordinates },
				properties: { times },
			});
		const times = ['2026-05-14T09:00:00Z', '2026-05-14T09:00:01Z'];
		expect(() =>
			readTrack(
				line(
					[
						[0, 50],
						[540, 95],
					],
					times,
				),
				'a.geojson',
			),
		).toThrow('a.geojson, point 2: 95, 540 is no place.');
		expect(() =>
			readTrack(
				line(
					[
						[0, 50],
						[0, 50.1],
					],
					times.slice(1),
				),
				'a.geojson',
			),
		).toThrow(/2 points and 1 times/);
	});
});
