import { describe, expect, it } from 'vitest';
import { seededRng, type Rng } from '../math/random';
import { judgeTrim, trimAxis, type TrimSeen } from './toyTrim';

/** Trims one axis of a drone whose trim truly stands still at so many clicks; `gustMps` moves the air from try to try. */
function trimmed(rng: Rng, still: number, gustMps = 0) {
	const k = 0.08 * Math.exp(0.5 * rng.normal());
	const seen: TrimSeen[] = [];
	let clicks = 0;
	for (let n = 0; n < 4; n++) {
		const v = k * (clicks - still) + gustMps * rng.normal() + 0.08 * rng.normal();
		seen.push({ clicks, creepMps: v * (1 + 0.3 * rng.normal()) + 0.05 * rng.normal() });
		const { done, next } = trimAxis(seen);
		if (done) break;
		clicks = next;
	}
	return { seen, left: k * (clicks - still), axis: trimAxis(seen) };
}
const share = (
	runs: number,
	seed: number,
	still: (rng: Rng) => number,
	what: (t: ReturnType<typeof trimmed>) => boolean,
	gust = 0,
) => {
	const rng = seededRng(seed);
	let found = 0;
	for (let k = 0; k < runs; k++) if (what(trimmed(rng, still(rng), gust))) found++;
	return found / runs;
};

describe('the trim of a small drone', () => {
	it('goes against the creep, the more the faster it is', () => {
		expect(trimAxis([{ clicks: 0, creepMps: 0.4 }]).next).toBeLessThan(0);
		expect(trimAxis([{ clicks: 0, creepMps: -0.4 }]).next).toBe(-trimAxis([{ clicks: 0, creepMps: 0.4 }]).next);
		expect(trimAxis([{ clicks: 2, creepMps: 0.05 }])).toMatchObject({ done: true, next: 2 });
		for (const creepMps of [-5, 5]) expect(Math.abs(trimAxis([{ clicks: 0, creepMps }]).next)).toBeLessThanOrEqual(10);
	});

	it('is judged by both axes: still only where both are, and sent back to its zero with what to do', () => {
		const still = trimAxis([{ clicks: 1, creepMps: 0.02 }]);
		const creeps = trimAxis([{ clicks: 0, creepMps: 0.3 }]);
		expect(judgeTrim([still, still]).verdict).toBe('pass');
		expect(judgeTrim([still, creeps]).reasons[0]).toMatchObject({ level: 'caution', code: 'not-still' });
		const far = trimAxis([0, -10].map((clicks) => ({ clicks, creepMps: 0.08 * (clicks + 16) })));
		expect(judgeTrim([still, far]).reasons[0]).toMatchObject({ level: 'fail', code: 'redo-zero', limit: 8 });
	});

	it('is still in few tries mostly', () => {
		expect(
			share(
				2000,
				3,
				(rng) => 3 * rng.normal(),
				({ left }) => Math.abs(left) < 0.15,
			),
		).toBeGreaterThan(0.7);
	});

	it('knows how well it knows', () => {
		const rng = seededRng(11);
		let [sum, n] = [0, 0];
		for (let k = 0; k < 2000; k++) {
			const still = 6 * rng.normal();
			const { axis } = trimmed(rng, still);
			sum += ((axis.stillAt - still) / axis.sigma) ** 2;
			n++;
		}
		const ratio = Math.sqrt(sum / n);
		expect(ratio).toBeGreaterThan(0.55);
		expect(ratio).toBeLessThan(1.15);
	});

	it('asks for the flat zero again where it is far off, seldom where it is not', () => {
		expect(
			share(
				1500,
				5,
				(rng) => 3 * rng.normal(),
				({ axis }) => axis.redoZero,
			),
		).toBeLessThan(0.03);
		expect(
			share(
				1500,
				6,
				() => 14,
				({ seen, axis }) => seen.length > 1 && axis.redoZero,
			),
		).toBeGreaterThan(0.7);
	});

	it('says that the air moves when gusts do, seldom when it is still', () => {
		const contradictory = (gust: number) =>
			share(
				1500,
				8,
				(rng) => 3 * rng.normal(),
				({ axis }) => axis.contradictory,
				gust,
			);
		expect(contradictory(0)).toBeLessThan(0.02);
		expect(contradictory(0.5)).toBeGreaterThan(0.15);
	});
});
