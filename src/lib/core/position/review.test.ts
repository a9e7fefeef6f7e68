import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRng } from '../math/random';
import { inverseGeodesic } from '../earth/geodesy';
import { receiverOf, sentence, type ReceiverTruth } from '../../rig/receiver';
import { reviewGnss } from './review';

const truth = (more: Partial<ReceiverTruth> = {}): ReceiverTruth => ({
	latDeg: 54.21,
	lonDeg: -3.06,
	altM: 12,
	firstFixS: 12,
	satellites: 14,
	hdop: 0.9,
	wanderM: 0.6,
	wanderS: 30,
	brokenShare: 0,
	startTod: 36_000,
	ddmmyy: '140526',
	...more,
});

function recording(more: Partial<ReceiverTruth> = {}, forS = 90, seed = 1): string[] {
	const read = receiverOf(truth(more), seededRng(seed));
	return Array.from({ length: forS * 5 + 1 }, (_, k) => read(k / 5)).flat();
}

const gga = (time: string, sats: string, hdop: string, quality = 1, talker = 'GP') =>
	sentence(`${talker}GGA,${time},5412.60000,N,00303.60000,W,${quality},${sats},${hdop},12.0,M,50.2,M,,`);

describe('what no receiver under the sky shows', () => {
	const minutes = (sats: string, moves = false) =>
		Array.from({ length: 240 }, (_, k) => {
			const clock = `10${String(Math.floor(k / 60)).padStart(2, '0')}${String(k % 60).padStart(2, '0')}.00`;
			const place = moves ? `5412.6000${k % 10}` : '5412.60000';
			return sentence(`GPGGA,${clock},${place},N,00303.60000,W,1,${sats},0.9,12.0,M,50.2,M,,`);
		}).join('\n');

	it('999 satellites are no count: the lock is not held by them', () => {
		const { reasons, lockS, satellitesUsed } = reviewGnss(minutes('999'));
		expect([lockS, satellitesUsed.last]).toEqual([null, null]);
		expect(reasons.map(({ code }) => code)).toContain('insufficient-satellites');
	});
	it('a place that does not change by a digit for minutes is doubted, and gives home no certainty', () => {
		const held = reviewGnss(minutes('12'));
		expect(held.reasons.find(({ code }) => code === 'place-held')).toMatchObject({ value: 239, limit: 120 });
		expect([held.verdict, held.home?.sigmaM]).toEqual(['caution', 1.5]);
		const moves = reviewGnss(minutes('12', true));
		expect(moves.reasons.some(({ code }) => code === 'place-held')).toBe(false);
		expect(moves.home?.sigmaM).toBeLessThan(0.1);
	});
});

describe('a receiver under open sky', () => {
	const review = reviewGnss(recording().join('\r\n'));

	it('locks once the condition was held for thirty seconds', () => {
		expect(review.firstFixS).toBeCloseTo(12, 6);
		// Satellites and HDOP come in over eight seconds after the fix; thirty more make the lock.
		expect(review.lockS).toBeGreaterThan(42);
		expect(review.lockS).toBeLessThan(52);
		expect(review.verdict).toBe('pass');
		expect(review.fixType).toBe('3D');
		expect(review.rateHz).toBeCloseTo(5, 3);
	});

	it('counts the satellites of GSA beyond the twelve that GGA stops at', () => {
		expect(review.satellitesUsed.last).toBe(14);
		expect(review.satellitesInView).toBe(20);
		expect(review.sky.filter((s) => s.used)).toHaveLength(14);
	});

	it('puts home where the receiver stood', () => {
		const home = review.home;
		if (!home) throw new Error('no home');
		expect(inverseGeodesic(home.latDeg, home.lonDeg, 54.21, -3.06).distanceM).toBeLessThan(2);
		expect(home.sigmaM).toBeGreaterThan(0.05);
	});
});

describe('what breaks a lock', () => {
	it('weak sky: too few satellites', () => {
		const review = reviewGnss(recording({ satellites: 6, hdop: 2.6 }).join('\n'));
		expect(review.lockS).toBeNull();
		expect(review.home).toBeUndefined();
		expect(review.verdict).toBe('fail');
		expect(review.reasons.map((r) => r.code)).toContain('few-satellites');
	});

	it('too short a recording is distinguished from a bad one', () => {
		const review = reviewGnss(recording({}, 35).join('\n'));
		expect(review.reasons[0].code).toBe('insufficient-duration');
	});

	it('a silence of more than five seconds', () => {
		const rows = Array.from({ length: 40 }, (_, k) => gga(`1000${String(k).padStart(2, '0')}.00`, '10', '0.9'));
		expect(reviewGnss(rows.join('\n')).lockS).toBe(30);
		const gap = rows.filter((_, k) => k < 20 || k > 26);
		expect(reviewGnss(gap.join('\n')).lockS).toBeNull();
	});

	it('an HDOP of zero or 99 is none, and empty satellites are not evidence', () => {
		for (const [sats, hdop] of [
			['10', '0.0'],
			['10', '99.99'],
			['', ''],
			['10', ''],
		]) {
			const rows = Array.from({ length: 50 }, (_, k) => gga(`1000${String(k).padStart(2, '0')}.00`, sats, hdop, 2));
			const review = reviewGnss(rows.join('\n'));
			expect(review.lockS).toBeNull();
			expect(review.verdict).toBe('fail');
		}
	});

	it.each([6, 7, 8])('quality %s is no fix', (quality) => {
		const rows = Array.from({ length: 40 }, (_, k) =>
			gga(`1000${String(k).padStart(2, '0')}.00`, '10', '0.9', quality),
		);
		expect(reviewGnss(rows.join('\n')).fixes).toBe(0);
	});
});

describe('lines as real recordings hold them', () => {
	const good = gga('100000.00', '10', '0.9');

	it('stray bytes before the dollar, escape bytes after the checksum, every line end, comments, byte-order mark', () => {
		const text = `\uFEFF# bench log\r\n\x1b[2Jboot ok ${good}\x1b[0m\r${gga('100001.00', '10', '0.9')}\n\n\r\n${gga('100002.00', '10', '0.9')}`;
		const review = reviewGnss(text);
		expect(review.sentences).toBe(3);
		expect(review.epochs).toBe(3);
		expect(review.checksumErrors).toBe(0);
	});

	it('a glued line keeps its second sentence; a wrong checksum and a cut line are counted with their numbers', () => {
		const review = reviewGnss([`$GPGGA,1000${good}`, good.replace('10,0.9', '11,0.9'), good.slice(0, 30)].join('\n'));
		expect(review.sentences).toBe(1);
		expect(review.checksumErrors).toBe(1);
		expect(review.withoutChecksum).toBe(1);
		expect(review.problems.map((p) => p.line)).toEqual([2, 3]);
	});

	it('other sentences and AIS are sentences, but unknown', () => {
		const ais = '!AIVDM,1,1,,A,13u?etPv2;0n:dDPwUM1U1Cb069D,0*23';
		const review = reviewGnss([sentence('GPXYZ,1,2'), sentence('PTEST,1'), ais, good].join('\n'));
		expect(review.unknownSentences).toBe(review.sentences - 1);
	});

	it('one epoch from several talkers, satellites split between them', () => {
		const rows = [gga('100000.000', '5', '0.9', 1, 'GP'), gga('100000.004', '4', '0.9', 1, 'GL')];
		const review = reviewGnss(rows.join('\n'));
		expect(review.epochs).toBe(1);
		expect(review.satellitesUsed.last).toBe(9);
	});

	it('midnight is one second, a clock that is set starts the count again', () => {
		const rows = [
			gga('235958.00', '10', '0.9'),
			gga('235959.00', '10', '0.9'),
			gga('000000.00', '10', '0.9'),
			gga('000001.00', '10', '0.9'),
		];
		expect(reviewGnss(rows.join('\n')).rateHz).toBeCloseTo(1, 6);
		const set = [
			...Array.from({ length: 20 }, (_, k) => gga(`0000${String(k).padStart(2, '0')}.00`, '', '', 0)),
			...Array.from({ length: 40 }, (_, k) => gga(`1431${String(k).padStart(2, '0')}.00`, '10', '0.9')),
		];
		const review = reviewGnss(set.join('\n'));
		expect(review.firstFixS).toBe(0);
		expect(review.lockS).toBe(30);
	});

	it('the same time of the next day is another instant; a sentence that lags belongs to its own', () => {
		const clock = (s: number) => new Date(s * 1000).toISOString().slice(11, 19).replaceAll(':', '');
		const days = Array.from({ length: 26 * 60 }, (_, k) => gga(`${clock((k * 60) % 86_400)}.00`, '10', '0.9'));
		expect(reviewGnss(days.join('\n')).epochs).toBe(26 * 60);
		const lagging = Array.from({ length: 60 }, (_, k) => [
			gga(`1000${String(k).padStart(2, '0')}.00`, '10', '0.9'),
			...(k > 1 ? [gga(`1000${String(k - 2).padStart(2, '0')}.00`, '11', '0.8')] : []),
		]);
		const review = reviewGnss(lagging.flat().join('\n'));
		expect(review.epochs).toBe(60);
		expect(review.rateHz).toBeCloseTo(1, 6);
		expect(review.satellitesUsed.median).toBe(11);
	});

	it('a satellite seen on two bands counts once; a cycle joined in the middle counts not at all', () => {
		const rows = [
			sentence('GPGSV,2,2,05,09,10,100,30'),
			good,
			sentence('GPGSV,1,1,03,01,40,083,46,02,17,308,41,,,,,03,07,344,39,1'),
			sentence('GPGSV,1,1,02,1,40,083,40,02,17,308,,8'),
			sentence('GLGSV,1,1,01,65,30,100,35,1'),
			sentence('GAGSV,1,1,01,01,30,100,35,7'),
		];
		const review = reviewGnss(rows.join('\n'));
		expect(review.satellitesInView).toBe(5);
		expect(review.sky.find((s) => s.system === 'GPS' && s.id === 1)?.snrDb).toBe(46);
	});

	it('all bands of a receiver may share one block of sentences, block after block', () => {
		const block = (snr: number) => [
			sentence(`GPGSV,4,1,06,01,40,083,${snr},02,17,308,41,03,07,344,39,04,50,010,44,1`),
			sentence('GPGSV,4,2,06,05,22,210,38,06,65,120,47,1'),
			sentence('GPGSV,4,3,06,01,40,083,35,02,17,308,33,03,07,344,30,04,50,010,36,8'),
			sentence('GPGSV,4,4,06,05,22,210,31,06,65,120,40,8'),
		];
		const review = reviewGnss([...block(46), good, ...block(48)].join('\n'));
		expect(review.satellitesInView).toBe(6);
		expect(review.sky.find((s) => s.id === 1)?.snrDb).toBe(48);
	});

	it('survives any text at all', () => {
		fc.assert(
			fc.property(fc.array(fc.oneof(fc.string(), fc.constantFrom(...recording({}, 2)))), (rows) => {
				const text = rows.join('\n');
				if (text.length === 0) return true;
				const review = reviewGnss(text);
				return review.sentences >= 0 && review.reasons.length > 0;
			}),
			{ numRuns: 200, seed: 2 },
		);
	});

	it('an empty text is an input error, one without sentences a fail', () => {
		expect(() => reviewGnss('')).toThrow(/empty/);
		expect(reviewGnss('hello\nworld').reasons[0].code).toBe('insufficient-sentences');
	});
});
