import { describe, expect, it } from 'vitest';
import { historyOf, historyTitle } from './history';
import { keptOf, type Kept } from './kept';
import type { Entry, EntryPayload } from '../../schema/entries';

const kept = (
	day: number,
	value: number,
	sigma: number | null,
	temperatureC: number | null = null,
	standing: Kept['standing'] = 'in-force',
): Kept => ({
	at: `2026-05-${String(day).padStart(2, '0')}T08:00:00Z`,
	figures: [{ label: 'Offset z', value, unit: 'm/s²', ...(sigma === null ? {} : { sigma }) }],
	temperatureC,
	standing,
	grade: 'measured',
	verdict: 'pass',
	sourceName: 'log.csv',
	headline: '',
});
const title = (list: Kept[]) => historyTitle(list, historyOf(list), 'Accelerometer');

describe('the history of a sensor', () => {
	it('says what moved by more than both are uncertain, whatever the order it is given in', () => {
		const list = [kept(9, 0.5, 0.02), kept(2, 0.1, 0.02), kept(5, 0.12, 0.02)];
		const [figure] = historyOf(list);
		expect(figure.points.map(({ value }) => value)).toEqual([0.1, 0.12, 0.5]);
		expect(figure.moved?.by).toBeCloseTo(0.38, 12);
		expect(figure.moved?.sigma).toBeCloseTo(0.02 * Math.SQRT2, 12);
		expect(title(list)).toBe('Accelerometer: offset z moved by 0.38 m/s², more than it is uncertain');
		expect(title([kept(2, 0.1, 0.02), kept(5, 0.12, 0.02)])).toContain('nothing moved');
	});

	it('does not judge without uncertainty, nor against practice', () => {
		expect(title([kept(2, 0.1, null), kept(5, 0.9, 0.02)])).toContain('none can be told');
		expect(title([kept(2, 0.1, 0.02), kept(5, 0.9, 0.02, null, 'rehearsed')])).toContain('nothing to compare');
		expect(title([kept(2, 0.1, 0.02), kept(5, 0.9, 0.02, null, 'failed')])).toContain('nothing to compare');
		expect(title([])).toContain('nothing is on record');
	});

	it('finds how a figure follows temperature, and only from a range of it', () => {
		const line = [-4, 3, 11, 20, 28].map((c, k) => kept(k + 1, 0.2 + 0.01 * c + (k % 2 ? 0.002 : -0.002), 0.01, c));
		const [figure] = historyOf(line);
		expect(figure.perDegree?.slope).toBeCloseTo(0.01, 3);
		expect(Math.abs((figure.perDegree?.slope ?? 0) - 0.01)).toBeLessThan(4 * (figure.perDegree?.sigma ?? 0));
		expect(figure.perDegree?.spanC).toBe(32);
		expect(historyOf(line.slice(0, 3))[0].perDegree).toBeNull();
		expect(historyOf([1, 2, 3, 4, 5].map((c) => kept(c, 0.2, 0.01, c)))[0].perDegree).toBeNull();
	});

	it('tells how well a routine repeats itself within a day', () => {
		const at = (hour: string, value: number): Kept => ({ ...kept(9, value, 0.05), at: `2026-05-09T${hour}:00:00Z` });
		const [figure] = historyOf([kept(2, 3, 0.05), at('08', 0.9), at('09', 1.1), at('10', 1.3)]);
		expect(figure.sameDay?.runs).toBe(3);
		expect(figure.sameDay?.spread).toBeCloseTo(0.2, 9);
		expect(historyOf([kept(2, 3, 0.05), at('08', 0.9)])[0].sameDay).toBeNull();
	});

	it('takes a guided routine as done, without figures, and leaves other sensors out', () => {
		const entry = (payload: Partial<EntryPayload>) =>
			({
				at: '2026-05-01T08:00:00Z',
				payload: { kind: 'test', figures: [], verdict: 'pass', ...payload },
			}) as unknown as Entry;
		const guided = keptOf(
			entry({ task: 'guided-gyro', sensor: 'gyro', figures: [{ label: 'Steps done', value: 3, unit: 'of 3' }] }),
			'gyro',
			'2026-06-01T00:00:00Z',
		);
		expect(guided?.figures).toEqual([]);
		expect(keptOf(entry({ task: 'level', sensor: 'level' }), 'gyro', '2026-06-01T00:00:00Z')).toBeNull();
	});
});
