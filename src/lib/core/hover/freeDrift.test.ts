import { describe, expect, it } from 'vitest';
import { judgeFreeDrift } from './freeDrift';

const wind = { fromDeg: 270, speedMps: 3, gustMps: 4 };
const EAST = Math.PI / 2;
const judged = (speed: number, toward: number, w: typeof wind | undefined = wind) => {
	const [{ level, code, text }] = judgeFreeDrift(speed, toward, speed * 60, w);
	return { level, code, text };
};

describe('a drift without position hold', () => {
	it('with the wind that was entered is what it should be', () => {
		expect(judged(3.2, EAST)).toMatchObject({ level: 'pass', code: 'free-drift' });
		expect(judged(0.2, 0)).toMatchObject({ level: 'pass' });
	});
	it('faster than the gusts carry it fails, however it blows', () => {
		expect(judged(5.5, EAST)).toMatchObject({ level: 'fail', code: 'drifts-beyond-wind' });
		expect(judged(3.7, EAST, { ...wind, speedMps: 0.5, gustMps: 1 })).toMatchObject({ level: 'fail' });
	});
	it('across or against the wind is a caution', () => {
		expect(judged(2, 0)).toMatchObject({ level: 'caution', code: 'drifts-across-wind' });
		expect(judged(2, -EAST)).toMatchObject({ level: 'caution', code: 'drifts-across-wind' });
	});
	it('is not judged where the wind was not entered, and says how far it went', () => {
		const [found] = judgeFreeDrift(3.7, EAST, 222, undefined);
		expect([found.level, found.code]).toEqual(['caution', 'wind-not-entered']);
		expect(found.text).toContain('222 m');
	});
});
