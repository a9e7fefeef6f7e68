import { describe, expect, it } from 'vitest';
import { sentence } from '../../rig/receiver';
import { reviewLink } from './linkBudget';

const log = (rateHz: number, seconds: number) =>
	Array.from({ length: rateHz * seconds }, (_, k) => {
		const s = k / rateHz;
		const time = `1200${String(Math.floor(s)).padStart(2, '0')}.${String(Math.round((s % 1) * 100)).padStart(2, '0')}`;
		return sentence(`GNGGA,${time},5412.0,N,00306.0,W,1,12,0.8,10.0,M,50,M,,`);
	}).join('\r\n');

describe('a receiver’s serial line', () => {
	it('is loaded by bytes × 10 × rate / baud', () => {
		const text = log(5, 10);
		const size = text.split('\r\n')[0].length + 2;
		const answer = reviewLink(text, 9600);
		expect(answer.bytesPerEpoch).toBeCloseTo(size, 0);
		expect(answer.rateHz).toBeCloseTo(5, 6);
		expect(answer.loadPct).toBeCloseTo((100 * size * 10 * 5) / 9600, 0);
		expect(answer.verdict).toBe('pass');
	});
	it('is nearly full, or too slow, at lower rates', () => {
		expect(reviewLink(log(10, 10), 8800).reasons[0].code).toBe('line-full');
		expect(reviewLink(log(10, 10), 4800).reasons[0].code).toBe('line-too-slow');
		expect(reviewLink(log(1, 10), 4800, 20).loadPct).toBeGreaterThan(100);
	});
	it('refuses a log without epochs, and a baud rate of nothing', () => {
		expect(reviewLink('', 9600).reasons[0].code).toBe('insufficient-epochs');
		expect(() => reviewLink('', 0)).toThrow('above zero');
	});
});
