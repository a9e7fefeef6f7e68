import { describe, expect, it } from 'vitest';
import { seededRng, type Rng } from '../math/random';
import { judgeTemperatures, type WarmPart } from './temperature';

const AIR = 15;
/** Four motors alike to a tenth, the first of them `times` as warm above the air. */
const motors = (rng: Rng, times: number, noiseC: number, alike = 0.1): WarmPart[] =>
	Array.from({ length: 4 }, (_, k) => ({
		name: `motor ${k + 1}`,
		group: 'motors',
		earlier: [],
		celsius: AIR + 25 * (k === 0 ? times : 1) * Math.exp(alike * rng.normal()) + noiseC * rng.normal(),
	}));
const share = (times: number, how: 'thermometer' | 'hand', what: 'first' | 'any') => {
	const rng = seededRng(41);
	let found = 0;
	const RUNS = 3000;
	for (let k = 0; k < RUNS; k++) {
		const { reasons } = judgeTemperatures(motors(rng, times, how === 'hand' ? 6 : 2), AIR, how);
		const hot = reasons.filter(({ code }) => code === 'hotter-than-others');
		if (what === 'any' ? hot.length > 0 : hot.some(({ text }) => text.startsWith('motor 1 '))) found++;
	}
	return found / RUNS;
};

describe('temperatures after a flight', () => {
	it('say seldom that one of four alike is hot', () => {
		expect(share(1, 'thermometer', 'any')).toBeLessThan(0.03);
		expect(share(1, 'hand', 'any')).toBeLessThan(0.05);
	});
	it('find a motor that is twice as warm above the air, and by hand half of the time', () => {
		expect(share(2, 'thermometer', 'first')).toBeGreaterThan(0.8);
		const byHand = share(2, 'hand', 'first');
		expect(byHand).toBeGreaterThan(0.35);
		expect(byHand).toBeLessThan(0.7);
	});
	it('find all hot alike only against earlier flights', () => {
		const all = (earlier: number[]): WarmPart[] =>
			[1, 2, 3, 4].map((k) => ({ name: `motor ${k}`, group: 'motors', celsius: AIR + 60, earlier }));
		expect(judgeTemperatures(all([]), AIR, 'thermometer').verdict).toBe('pass');
		const codes = judgeTemperatures(all([24, 26, 25]), AIR, 'thermometer').reasons.map(({ code }) => code);
		expect(codes).toEqual(Array(4).fill('hotter-than-usual'));
	});
	it('say nothing of what is hardly warmer than the air, and stop at what none should reach', () => {
		const one = (celsius: number): WarmPart[] => [{ name: 'pack', group: 'pack', celsius, earlier: [3, 3, 3] }];
		expect(judgeTemperatures(one(AIR + 7), AIR, 'hand').reasons[0].code).toBe('too-cool-to-tell');
		expect(judgeTemperatures(one(95), AIR, 'hand')).toMatchObject({ verdict: 'fail', headline: 'pack is too hot.' });
	});
});

describe('temperatures with nothing to compare', () => {
	const part = (name: string, celsius: number, more: Partial<WarmPart> = {}): WarmPart => ({
		name,
		group: 'motors',
		celsius,
		earlier: [],
		...more,
	});
	it('first flight of one motor: says that nothing is there to compare with', () => {
		const found = judgeTemperatures([part('Motor 1', 40)], 20, 'thermometer');
		expect(found.headline).toMatch(/Nothing to compare/);
		expect(found.headline).not.toMatch(/earlier flights,/);
	});
	it('first flight of four motors: compared with each other only', () => {
		const found = judgeTemperatures(
			[1, 2, 3, 4].map((k) => part(`Motor ${k}`, 40)),
			20,
			'thermometer',
		);
		expect(found.headline).toMatch(/as the others/);
		expect(found.headline).toMatch(/No earlier flight/);
	});
});
