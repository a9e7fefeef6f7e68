import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sentence } from '../../rig/receiver';
import { reviewGnss } from './review';

/** Time of day, hhmmss.ss, so many seconds after ten o'clock. */
function clock(second: number, from = 36_000): string {
	const s = (from + second + 86_400) % 86_400;
	const two = (value: number) => String(Math.floor(value)).padStart(2, '0');
	return `${two(s / 3600)}${two((s / 60) % 60)}${two(s % 60)}.${two((s % 1) * 100)}`;
}

const PLACE = '5412.60000,N,00303.60000,W';
const ELSEWHERE = '5412.70000,N,00303.60000,W';

type Line = (time: string) => string;
const gga =
	({ place = PLACE, quality = '1', used = '11', hdop = '0.9', altM = '12.0', talker = 'GP' } = {}): Line =>
	(time) =>
		sentence(`${talker}GGA,${time},${place},${quality},${used},${hdop},${altM},M,50.2,M,,`);
const gns =
	({ place = PLACE, modes = 'AAN', used = '11', hdop = '0.9', altM = '12.0', talker = 'GN' } = {}): Line =>
	(time) =>
		sentence(`${talker}GNS,${time},${place},${modes},${used},${hdop},${altM},50.2,,`);
const gll =
	({ place = PLACE, status = 'A', mode = ',A' } = {}): Line =>
	(time) =>
		sentence(`GPGLL,${place},${time},${status}${mode}`);
const rmc =
	({ place = PLACE, status = 'A', mode = ',A' } = {}): Line =>
	(time) =>
		sentence(`GPRMC,${time},${status},${place},0.0,,140526,,${mode}`);
const gsa =
	(ids: readonly number[], { mode = 3, hdop = '0.8', talker = 'GP' } = {}): Line =>
	() =>
		sentence(
			`${talker}GSA,A,${mode},${[...ids, ...Array<string>(12 - ids.length).fill('')].join(',')},1.5,${hdop},1.2`,
		);

/** So many seconds of a receiver that sends these lines every second. */
const every = (lines: readonly Line[], forS = 40, from = 36_000): string[] =>
	Array.from({ length: forS + 1 }, (_, s) => lines.map((line) => line(clock(s, from)))).flat();
const review = (lines: readonly Line[], forS = 40, from = 36_000) => reviewGnss(every(lines, forS, from).join('\r\n'));
const codes = ({ reasons }: ReturnType<typeof reviewGnss>) => reasons.map(({ code }) => code);

describe('a receiver that sends GNS alone', () => {
	it('locks, with its place, height, satellites and dilution', () => {
		const answer = review([gns()]);
		expect(answer).toMatchObject({
			fixes: 41,
			lockS: 30,
			fixType: '3D',
			satellitesUsed: { last: 11 },
			hdop: { last: 0.9 },
		});
		expect(answer.home?.latDeg).toBeCloseTo(54.21, 9);
		expect(answer.home?.lonDeg).toBeCloseTo(-3.06, 9);
		expect(answer.home?.altM).toBe(12);
	});
	it.each([
		['NNN', 0, 'none'],
		['EEN', 0, 'none'],
		['NNA', 41, '3D'],
		['NDN', 41, 'differential'],
		['FFN', 41, 'rtk-float'],
		['RRN', 41, 'rtk-fixed'],
		['PNN', 41, '3D'],
	])('of which each constellation has a letter: %s', (modes, fixes, fixType) => {
		expect(review([gns({ modes })])).toMatchObject({ fixes, fixType });
	});
	it('one a constellation: what they count is added up, and a sentence for the whole stands above them', () => {
		const parts = [gns({ talker: 'GP', used: '8' }), gns({ talker: 'GL', used: '5' })];
		expect(review(parts).satellitesUsed.last).toBe(13);
		expect(review([...parts, gns({ talker: 'GN', used: '14' })]).satellitesUsed.last).toBe(14);
	});
	it('without a time of day says nothing that could be placed', () => {
		expect(review([() => sentence(`GNGNS,,${PLACE},AAN,11,0.9,12.0,50.2,,`)])).toMatchObject({ epochs: 0, fixes: 0 });
	});
});

describe('a receiver that sends GLL alone', () => {
	it('has a place and no evidence of how good it is', () => {
		const answer = review([gll()]);
		expect(answer).toMatchObject({ fixes: 41, lockS: null, fixType: '2D', verdict: 'fail' });
		expect(codes(answer)).toContain('insufficient-satellites');
	});
	it.each([
		[{ mode: '' }, 41],
		[{ mode: ',D' }, 41],
		[{ mode: ',E' }, 0],
		[{ mode: ',N' }, 0],
		[{ status: 'V' }, 0],
	])('its status and its letter tell a fix: %o', (more, fixes) => {
		expect(review([gll(more)]).fixes).toBe(fixes);
	});
	it('with GSA beside it locks', () => {
		expect(review([gll(), gsa([2, 5, 7, 13, 15, 18, 20, 29, 30])])).toMatchObject({
			lockS: 30,
			fixType: '3D',
			satellitesUsed: { last: 9 },
			hdop: { last: 0.8 },
		});
	});
});

describe('several sentences of one instant', () => {
	it('the best of them places it, in whatever order they come', () => {
		const lines = [
			gga(),
			gns({ place: ELSEWHERE }),
			rmc({ place: ELSEWHERE }),
			gll({ place: ELSEWHERE }),
			gsa([2, 5, 7, 13, 15, 18, 20, 29, 30]),
		];
		fc.assert(
			fc.property(fc.shuffledSubarray(lines, { minLength: 5 }), (shuffled) => {
				const { home, epochs, lockS } = review(shuffled, 33);
				expect(home?.latDeg).toBeCloseTo(54.21, 9);
				expect({ epochs, lockS }).toEqual({ epochs: 34, lockS: 30 });
			}),
			{ numRuns: 30, seed: 3 },
		);
	});
	it('a sentence with a fix but no place leaves it to another', () => {
		const { home, fixes } = review([gga({ place: ',,,' }), rmc()]);
		expect(fixes).toBe(41);
		expect(home?.latDeg).toBeCloseTo(54.21, 9);
		expect(review([gga({ place: ',,,' })]).fixes).toBe(0);
		expect(review([gga({ place: '5460.00000,N,00303.60000,W' })]).fixes).toBe(0);
		expect(review([gga({ place: '5412.60000,N,18100.00000,W' })]).fixes).toBe(0);
	});
	it('where GGA is one of a constellation the whole dilution is that of GSA', () => {
		const ids = [2, 5, 7, 13, 15, 18, 20, 29, 30];
		const parts = [gga({ talker: 'GP', used: '9', hdop: '1.6' }), gga({ talker: 'GL', used: '4', hdop: '3.1' })];
		expect(review([...parts, gsa(ids, { hdop: '0.7' })]).hdop.last).toBe(0.7);
		expect(review([gga({ hdop: '0.9' }), gsa(ids, { hdop: '0.7' })]).hdop.last).toBe(0.9);
	});
	it.each([
		['4', 'rtk-fixed'],
		['5', 'rtk-float'],
		['2', 'differential'],
		['1', '3D'],
		['3', '3D'],
		['6', 'none'],
		['7', 'none'],
		['8', 'none'],
		['0', 'none'],
	])('quality %s of GGA is %s', (quality, fixType) => {
		expect(review([gga({ quality })]).fixType).toBe(fixType);
	});
	it('a fix in two dimensions is reported by GSA, else by a missing height', () => {
		expect(review([gga(), gsa([2, 5, 7], { mode: 2 })]).fixType).toBe('2D');
		expect(review([gga({ altM: '' })]).fixType).toBe('2D');
		expect(codes(review([gga({ altM: '' })]))).toContain('fix-2d');
	});
	it('dilutions of nothing and of ninety-nine are none', () => {
		for (const hdop of ['0', '0.0', '99.99', '99', ''])
			expect(review([gga({ hdop })])).toMatchObject({ hdop: { last: null, best: null }, lockS: null });
	});
});

describe('what else a line carries', () => {
	it('speed, course and date are known and not read; another type is counted as unknown', () => {
		const others: Line[] = [
			() => sentence('GPVTG,054.7,T,034.4,M,005.5,N,010.2,K,A'),
			(time) => sentence(`GPZDA,${time},14,05,2026,00,00`),
			() => sentence('GPGBS,100000.00,1.2,1.3,2.1,,,,'),
			() => sentence('PXABC,1,2,3'),
		];
		const plain = review([gga()]);
		const answer = review([gga(), ...others]);
		expect(answer.unknownSentences).toBe(2 * 41);
		expect({ ...answer, unknownSentences: 0, sentences: 0 }).toEqual({ ...plain, unknownSentences: 0, sentences: 0 });
	});
	it('bytes of nothing between the sentences are no fault', () => {
		const text = every([gga()]).join('\r\n');
		expect(reviewGnss(text.replaceAll('\r\n', '\0\r\n\0'))).toEqual(reviewGnss(text));
	});
	it('letters beyond ASCII in a comment do not shift what follows', () => {
		const lines = every([gga(), rmc()]);
		const plain = reviewGnss(['# a note', ...lines].join('\r\n'));
		for (const note of ['# Hügel', '# 𝛑 Δ µT', '# 東'])
			expect(reviewGnss([note, ...lines].join('\r\n'))).toEqual(plain);
	});
});

describe('the receiver’s clock', () => {
	it('a sentence that lags by a second joins the instant it tells of', () => {
		const rows = Array.from({ length: 41 }, (_, s) => [gga()(clock(s)), gll()(clock(s - 1))]).flat();
		expect(reviewGnss(rows.join('\n'))).toMatchObject({ epochs: 42, lockS: 31 });
	});
	it('midnight is no break, with a sentence that lags over it neither', () => {
		const from = 86_400 - 20;
		expect(review([gga()], 40, from)).toMatchObject({ epochs: 41, lockS: 30, rateHz: 1 });
		const rows = Array.from({ length: 41 }, (_, s) => [gga()(clock(s, from)), gll()(clock(s - 1, from))]).flat();
		expect(reviewGnss(rows.join('\n'))).toMatchObject({ epochs: 42, lockS: 31 });
	});
	it('a clock that is set begins again', () => {
		const rows = [...every([gga()], 20), ...every([gga()], 35, 50_000)];
		expect(reviewGnss(rows.join('\n'))).toMatchObject({ epochs: 57, lockS: 30, rateHz: 1 });
		expect(reviewGnss([...every([gga()], 20), ...every([gga()], 20, 50_000)].join('\n')).lockS).toBeNull();
	});
	it('a gap of more than five seconds breaks the hold, one of five does not', () => {
		const gap = (seconds: number) =>
			reviewGnss([...every([gga()], 20), ...every([gga()], 20, 36_000 + 20 + seconds)].join('\n')).lockS;
		expect(gap(5)).toBe(30);
		expect(gap(6)).toBeNull();
	});
});

describe('satellites in view', () => {
	const gsv = (talker: string, ...ids: (number | string)[]): string[] => {
		const rows = Array.from({ length: Math.ceil(ids.length / 4) }, (_, k) => ids.slice(4 * k, 4 * k + 4));
		return rows.map((row, k) =>
			sentence(
				[`${talker}GSV`, rows.length, k + 1, ids.length, ...row.flatMap((id) => [id, '45', '120', '38'])].join(','),
			),
		);
	};
	const skyOf = (...lines: string[]) =>
		reviewGnss([gga()(clock(0)), ...lines].join('\n')).sky.map(({ system, id }) => `${system} ${id}`);

	it.each([
		['GP', 5, 'GPS 5'],
		['GP', 40, 'SBAS 40'],
		['GP', 70, 'GLONASS 6'],
		['GP', 131, 'SBAS 44'],
		['GP', 195, 'QZSS 3'],
		['GL', 70, 'GLONASS 6'],
		['GL', 6, 'GLONASS 6'],
		['GA', 305, 'Galileo 5'],
		['GA', 5, 'Galileo 5'],
		['GB', 411, 'BeiDou 11'],
		['BD', 211, 'BeiDou 11'],
		['GB', 11, 'BeiDou 11'],
		['GQ', 194, 'QZSS 2'],
		['QZ', 2, 'QZSS 2'],
		['GI', 4, 'NavIC 4'],
		['GN', 310, 'Galileo 10'],
		['GN', 420, 'BeiDou 20'],
		['GN', 220, 'BeiDou 20'],
	])('%s %d is %s', (talker, id, name) => {
		expect(skyOf(...gsv(talker, id))).toEqual([name]);
	});
	it('a block with a sentence lost, out of order or of another length is not taken', () => {
		const [first, second, third] = gsv('GP', 1, 2, 3, 4, 5, 6, 7, 8, 9);
		expect(skyOf(first, second, third)).toHaveLength(9);
		expect(skyOf(first, third)).toEqual([]);
		expect(skyOf(second, third)).toEqual([]);
		expect(skyOf(first, third, second)).toEqual([]);
		expect(skyOf(first, gsv('GP', 1, 2, 3, 4, 5, 6)[1])).toEqual([]);
	});
	it('empty places, and what is no number of a satellite, are none', () => {
		expect(skyOf(...gsv('GP', 7, '', '-3', '2.5'))).toEqual(['GPS 7']);
	});
	it('no block at all is not the same as an empty sky', () => {
		expect(reviewGnss(gga()(clock(0))).satellitesInView).toBeNull();
		expect(reviewGnss([gga()(clock(0)), sentence('GPGSV,1,1,00')].join('\n')).satellitesInView).toBe(0);
	});
});
