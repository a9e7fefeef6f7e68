import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { receiverOf, sentence, type ReceiverTruth } from '../../rig/receiver';
import type { ReceiverDialect, SystemName } from '../../rig/receiverDialect';
import { seededRng } from '../math/random';
import { reviewGnss } from './review';

const ALL: readonly SystemName[] = ['GPS', 'GLONASS', 'Galileo', 'BeiDou'];
const dialects = fc.record<ReceiverDialect>({
	systems: fc.integer({ min: 1, max: 4 }).map((n) => ALL.slice(0, n)),
	gsa: fc.constantFrom('system-id', 'talker', 'combined'),
	gsaAgain: fc.boolean(),
	gga: fc.constantFrom('stops-at-12', 'counts-on', 'one-a-system'),
	gsv: fc.constantFrom('one', 'by-signal', 'two-bare'),
	modeLetter: fc.boolean(),
});

const SATELLITES = 14;
function recording(
	dialect: ReceiverDialect,
	forS: number,
	rateHz: number,
	more: Partial<ReceiverTruth> = {},
): string[] {
	const read = receiverOf(
		{
			latDeg: 54.21,
			lonDeg: -3.06,
			altM: 12,
			firstFixS: 4,
			satellites: SATELLITES,
			hdop: 0.9,
			wanderM: 0.4,
			wanderS: 30,
			brokenShare: 0,
			startTod: 36_000,
			ddmmyy: '140526',
			dialect,
			...more,
		},
		seededRng(7),
	);
	return Array.from({ length: forS * rateHz + 1 }, (_, k) => read(k / rateHz)).flat();
}

describe('one sky in every dialect', () => {
	it('gives the same satellites, view, HDOP, fix and lock', () => {
		fc.assert(
			fc.property(dialects, fc.constantFrom(1, 5), (dialect, rateHz) => {
				const review = reviewGnss(recording(dialect, 60, rateHz).join('\r\n'));
				expect(review.satellitesUsed).toMatchObject({ median: SATELLITES, last: SATELLITES });
				expect(review.satellitesInView).toBe(20);
				expect(review.sky.filter(({ used }) => used)).toHaveLength(SATELLITES);
				expect(review.hdop.last).toBeCloseTo(0.9, 6);
				expect(review.fixType).toBe('3D');
				expect(review.firstFixS).toBeCloseTo(4, 6);
				expect(review.lockS).not.toBeNull();
			}),
			{ numRuns: 60 },
		);
	});

	it('is read the same wherever the log is cut, at its start and at its end', () => {
		fc.assert(
			fc.property(
				dialects,
				fc.integer({ min: 0, max: 40 }),
				fc.integer({ min: 0, max: 40 }),
				(dialect, front, back) => {
					const rows = recording(dialect, 60, 1, { firstFixS: -20 });
					const whole = reviewGnss(rows.join('\n'));
					const cut = reviewGnss(rows.slice(front, rows.length - back).join('\n'));
					expect(cut.satellitesUsed.last).toBe(SATELLITES);
					expect(cut.satellitesUsed.median).toBe(SATELLITES);
					expect(cut.satellitesInView).toBe(whole.satellitesInView);
					expect(cut.fixType).toBe('3D');
					expect(cut.lockS).not.toBeNull();
				},
			),
			{ numRuns: 150 },
		);
	});

	it('a sentence of satellites that arrives broken neither lowers the count nor breaks the hold', () => {
		fc.assert(
			fc.property(dialects, fc.integer({ min: 25, max: 55 }), fc.nat(7), (dialect, second, which) => {
				const rows = recording(dialect, 60, 1, { firstFixS: -20 });
				const gsa = rows.map((row, k) => ({ row, k })).filter(({ row }) => row.includes('GSA'));
				const each = gsa.length / 61;
				const hit = gsa[Math.floor(second * each + (which % each))];
				const broken = rows.map((row, k) => (k === hit.k ? row.replace(/GSA,./, 'GSA,#') : row));
				const review = reviewGnss(broken.join('\n'));
				expect(review.checksumErrors).toBe(1);
				expect(review.lockS).toBe(30);
				expect(review.satellitesUsed.min).toBe(SATELLITES);
			}),
			{ numRuns: 80 },
		);
	});
});

describe('satellites distinguished by number alone', () => {
	const cycle = (second: number, ...gsa: string[]) => [
		sentence(`GNGGA,1000${String(second).padStart(2, '0')}.00,5412.6,N,00303.6,W,1,12,0.9,12.0,M,50.2,M,,`),
		...gsa.map((ids) => sentence(`GNGSA,A,3,${ids},1.5,0.9,1.2`)),
	];
	const pad = (ids: number[]) => [...ids, ...Array<string>(12 - ids.length).fill('')].join(',');
	const review = (...gsa: number[][]) =>
		reviewGnss(
			Array.from({ length: 40 }, (_, s) => cycle(s, ...gsa.map(pad)))
				.flat()
				.join('\n'),
		);

	it('two sentences of the combined talker count together', () => {
		expect(review([2, 5, 7, 13, 15, 18, 20, 29, 30], [66, 67, 76, 82, 83]).satellitesUsed.last).toBe(14);
	});
	it('augmentation, BeiDou from 201, Galileo from 301, QZSS from 193 are others than GPS', () => {
		expect(review([2, 5, 33], [201, 205, 214], [302, 305], [193, 194]).satellitesUsed.last).toBe(10);
	});
	it('more than twelve of one constellation go on in the next sentence', () => {
		const ids = Array.from({ length: 15 }, (_, k) => k + 2);
		expect(review(ids.slice(0, 12), ids.slice(12)).satellitesUsed.last).toBe(15);
	});
	it('a constellation with numbers of its own from one is another where few numbers are shared', () => {
		expect(review([2, 5, 7, 13, 15, 18, 20, 29, 30], [5, 11, 24, 36, 30]).satellitesUsed.last).toBe(14);
	});
	it('the same report twice in one cycle counts once', () => {
		expect(review([2, 5, 7, 13, 15, 18, 20, 29, 30], [2, 5, 7, 13, 15, 18, 20, 29]).satellitesUsed.last).toBe(8);
	});
});

describe('mode letters', () => {
	const rmc = (second: number, status: string, mode: string) =>
		sentence(`GPRMC,1000${String(second).padStart(2, '0')}.00,${status},5412.6,N,00303.6,W,0.0,,140526,,${mode}`);
	it('none at all leaves it to the status; an estimate is no fix', () => {
		expect(
			reviewGnss([rmc(0, 'A', ''), rmc(1, 'A', ',A'), rmc(2, 'A', ',E'), rmc(3, 'V', ',A')].join('\n')).fixes,
		).toBe(2);
	});
});

it('a line of carriage returns, however long, is no fault of the reader', () => {
	expect(reviewGnss(`a\n${'\r'.repeat(300_000)}`).reasons[0].code).toBe('insufficient-sentences');
});
