import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { hoverSound, type HoverSound } from '../../rig/sound';
import { seededRng } from '../math/random';
import { reviewSound, type SoundKnown } from './sound';
import { SOUND_RATE_HZ } from './tones';

const NOTHING: SoundKnown = { blades: 2, usualHz: null, usualPct: null };
const heard = (change: Partial<HoverSound>, known: Partial<SoundKnown> = {}, seed = 3) =>
	reviewSound(hoverSound({ seconds: 10, ...change }, seededRng(seed)), { ...NOTHING, ...known });
const codes = ({ reasons }: ReturnType<typeof heard>) => reasons.map(({ code }) => code);

describe('a hover that is heard', () => {
	it('steady: passes, its hum and its few tenths of a per cent are told with their uncertainty', () => {
		const answer = heard({});
		expect([answer.verdict, codes(answer)]).toEqual(['pass', ['even']]);
		expect(answer.heard).toBe(1);
		expect(Math.abs((answer.toneHz ?? 0) / 210 - 1)).toBeLessThan(0.015);
		expect(answer.surgePct).toBeLessThan(0.4);
		expect(answer.toneSigmaHz).toBeGreaterThan(0);
		expect(answer.onceATurnDb).toBeLessThan(-15);
	});

	it('surging is found to a fifth of itself, with its rate, whatever it hums at', () => {
		fc.assert(
			fc.property(
				evenly(1.5, 8),
				evenly(1.6, 7),
				evenly(130, 600),
				fc.integer({ min: 1, max: 500 }),
				(surgePct, surgeHz, toneHz, seed) => {
					const answer = heard({ surgePct, surgeHz, toneHz }, {}, seed);
					expect(Math.abs((answer.surgePct ?? 0) / surgePct - 1)).toBeLessThan(0.2);
					expect(Math.abs((answer.surgeHz ?? 0) - surgeHz)).toBeLessThan(0.3);
					expect(answer.verdict).toBe(
						(answer.surgePct ?? 0) > 5 ? 'fail' : (answer.surgePct ?? 0) > 1.5 ? 'caution' : 'pass',
					);
				},
			),
			{ numRuns: 6, seed: 5 },
		);
	});

	it('gusts are slower than surging and are not taken for it', () => {
		const answer = heard({ gustPct: 5, seconds: 16 });
		expect(answer.verdict).toBe('pass');
		expect(answer.slowPct).toBeGreaterThan(2);
		expect(answer.surgePct).toBeLessThan(0.6);
	});

	it('louder or quieter, heard from the left or through more wind, it is the same', () => {
		const plain = heard({});
		for (const other of [heard({ loud: 0.05 }), heard({ loud: 0.9 }), heard({ wind: 2 })]) {
			expect(other.verdict).toBe('pass');
			expect(Math.abs((other.toneHz ?? 0) - (plain.toneHz ?? 0))).toBeLessThan(2);
			expect(Math.abs((other.surgePct ?? 9) - (plain.surgePct ?? 0))).toBeLessThan(0.2);
		}
	});

	it('an unbalanced propeller is heard once a turn', () => {
		const [even, chipped] = [heard({}), heard({ unbalance: 0.6 })];
		expect((chipped.onceATurnDb ?? -99) - (even.onceATurnDb ?? -99)).toBeGreaterThan(12);
	});
});

describe('beside an earlier good hover', () => {
	it('as usual is said; higher and more unsteady ask for a reason', () => {
		expect(codes(heard({ surgePct: 0.7 }, { usualHz: 208, usualPct: 0.6 }))).toEqual([
			'even',
			'as-usual',
			'tone-as-usual',
		]);
		const higher = heard({ toneHz: 235 }, { usualHz: 210, usualPct: 0.3 });
		expect(higher.verdict).toBe('caution');
		expect(higher.reasons[0]).toMatchObject({ code: 'tone-off', text: expect.stringMatching(/1[12] % higher/) });
		expect(codes(heard({ toneHz: 180 }, { usualHz: 210 }))[0]).toBe('tone-off');
		expect(codes(heard({ surgePct: 1.2 }, { usualPct: 0.2 }))[0]).toBe('more-than-usual');
	});
	it('a difference too small to tell is none', () => {
		expect(heard({}, { usualPct: 0.01 }).verdict).toBe('pass');
	});
});

describe('what is no evidence', () => {
	it.each([
		['too short', { seconds: 5 }, 'insufficient-duration'],
		['all but silent', { loud: 0.0008 }, 'insufficient-level'],
		['wind alone', { motors: false }, 'insufficient-tone'],
	])('%s', (_, change, code) => {
		const answer = heard(change);
		expect([answer.verdict, codes(answer)]).toEqual(['fail', [code]]);
		expect([answer.toneHz, answer.surgePct, answer.onceATurnDb]).toEqual([null, null, null]);
		expect(answer.durationS).toBeGreaterThan(0);
	});
	it('nothing at all, and one value throughout', () => {
		expect(codes(reviewSound([], NOTHING))).toEqual(['insufficient-duration']);
		for (const value of [0, 0.5])
			expect(reviewSound(new Float64Array(10 * SOUND_RATE_HZ).fill(value), NOTHING).verdict).toBe('fail');
	});
	it('a microphone at its end is told', () => {
		const loud = hoverSound({ seconds: 10, loud: 1 }, seededRng(3)).map((v) => Math.max(-1, Math.min(1, 3 * v)));
		expect(codes(reviewSound(loud, NOTHING))).toContain('too-loud');
	});
	it('one steady tone from elsewhere is heard as what it is: even', () => {
		const tone = Float64Array.from(
			{ length: 10 * SOUND_RATE_HZ },
			(_, i) => 0.3 * Math.sin((2 * Math.PI * 440 * i) / SOUND_RATE_HZ),
		);
		const answer = reviewSound(tone, NOTHING);
		expect(answer.toneHz).toBeGreaterThan(436);
		expect(answer.toneHz).toBeLessThan(444);
	});
});
