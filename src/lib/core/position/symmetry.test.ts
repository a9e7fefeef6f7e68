import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { receiverOf, sentence } from '../../rig/receiver';
import { seededRng } from '../math/random';
import type { LockRule } from './lock';
import { reviewGnss } from './review';

const RANK = { pass: 0, caution: 1, fail: 2 };

interface Sky {
	seed: number;
	satellites: number;
	hdop: number;
	wanderM: number;
	seconds: number;
	latDeg: number;
	lonDeg: number;
	startTod: number;
}

const skies = fc.record({
	seed: fc.integer({ min: 1, max: 1e6 }),
	satellites: fc.integer({ min: 5, max: 20 }),
	hdop: evenly(0.6, 3),
	wanderM: evenly(0.1, 2),
	seconds: fc.integer({ min: 45, max: 90 }),
	latDeg: evenly(-70, 70),
	lonDeg: evenly(-179, 179),
	startTod: fc.integer({ min: 0, max: 86_399 }),
});

function recorded(sky: Sky): string {
	const read = receiverOf(
		{ ...sky, altM: 12, firstFixS: 3, wanderS: 30, brokenShare: 0, ddmmyy: '140526' },
		seededRng(sky.seed),
	);
	return Array.from({ length: sky.seconds + 1 }, (_, k) => read(k))
		.flat()
		.join('\r\n');
}
const review = (sky: Sky, rule?: LockRule) => reviewGnss(recorded(sky), rule);
// The same skies every time: a wander at a limit would be a coin’s throw.
const runs = { numRuns: 25, seed: 11 };

describe('a receiver’s lock', () => {
	it('does not depend on the time of day, midnight included, nor on where on earth it is', () => {
		fc.assert(
			fc.property(skies, fc.integer({ min: 1, max: 86_399 }), evenly(-60, 60), (sky, later, latDeg) => {
				const a = review(sky);
				const at = review({ ...sky, startTod: (sky.startTod + later) % 86_400 });
				expect([at.verdict, at.lockS, at.firstFixS, at.epochs]).toEqual([a.verdict, a.lockS, a.firstFixS, a.epochs]);
				const elsewhere = review({ ...sky, latDeg, lonDeg: -sky.lonDeg });
				expect([elsewhere.lockS, elsewhere.fixes]).toEqual([a.lockS, a.fixes]);
				// The coordinates are written to a hundred-thousandth of a minute.
				expect(elsewhere.scatter?.cep95M ?? NaN).toBeCloseTo(a.scatter?.cep95M ?? NaN, 1);
			}),
			runs,
		);
	});

	it('is never lost by more satellites, or better spread ones', () => {
		/** What speaks against the lock because of the sky alone. */
		const against = (r: ReturnType<typeof review>) =>
			r.reasons.map(({ code }) => code).filter((code) => /^(few-satellites|hdop-large|no-lock)$/.test(code));
		fc.assert(
			fc.property(skies, fc.integer({ min: 1, max: 6 }), evenly(0.3, 1), (sky, more, share) => {
				const plain = review(sky);
				for (const better of [
					review({ ...sky, satellites: sky.satellites + more }),
					review({ ...sky, hdop: Math.max(0.5, share * sky.hdop) }),
				]) {
					if (plain.lockS !== null) expect(better.lockS).not.toBeNull();
					for (const code of against(better)) expect(against(plain)).toContain(code);
				}
			}),
			runs,
		);
	});

	it('is never better under a stricter rule', () => {
		fc.assert(
			fc.property(
				skies,
				fc.integer({ min: 0, max: 6 }),
				evenly(0, 1),
				fc.integer({ min: 0, max: 40 }),
				(sky, satellites, hdop, hold) => {
					const loose = { minSatellites: 6, maxHdop: 2.5, holdS: 20 };
					const strict = { minSatellites: 6 + satellites, maxHdop: 2.5 - hdop, holdS: 20 + hold };
					const [a, b] = [review(sky, loose), review(sky, strict)];
					if (a.lockS === null) expect(b.lockS).toBeNull();
					if (b.lockS !== null) expect(b.lockS).toBeGreaterThanOrEqual(a.lockS ?? Infinity);
					expect(RANK[b.verdict]).toBeGreaterThanOrEqual(RANK[a.verdict]);
				},
			),
			runs,
		);
	});

	it('is not moved by sentences that it does not read, nor by lines that are broken', () => {
		fc.assert(
			fc.property(
				skies,
				fc.array(
					fc.tuple(
						fc.nat(400),
						fc.constantFrom(
							sentence('GPXTE,A,A,0.67,L,N'),
							'$GPGGA,broken',
							'# a note',
							sentence('PXYZ,1'),
							'',
							'!AIVDM,1,1,,A,x,0*00',
						),
					),
					{ maxLength: 12 },
				),
				(sky, more) => {
					const lines = recorded(sky).split('\r\n');
					const a = reviewGnss(lines.join('\r\n'));
					for (const [at, line] of more) lines.splice(Math.min(at, lines.length), 0, line);
					const b = reviewGnss(lines.join('\r\n'));
					for (const key of [
						'lockS',
						'firstFixS',
						'fixes',
						'epochs',
						'satellitesUsed',
						'hdop',
						'home',
						'scatter',
						'fixType',
					] as const)
						expect(b[key]).toEqual(a[key]);
				},
			),
			runs,
		);
	});
});
