import { describe, expect, it } from 'vitest';
import { changedFields, fieldWords } from './snapshot';

describe('a field in words', () => {
	it.each([
		['compassHeadingLimitDeg', 'compass heading limit'],
		['returnHeightM', 'return height'],
		['lock.minSatellites', 'GPS lock: min satellites'],
		['lock.maxHdop', 'GPS lock: max HDOP'],
		['altM', 'height'],
		['lonDeg', 'longitude'],
	])('%s is %s', (field, words) => expect(fieldWords(field)).toBe(words));
	it('names what differs between two rows, and not how they are stored', () => {
		const row = { altM: 3, lock: { holdS: 30 }, updatedAt: 'then', name: 'a' };
		const changed = { ...row, altM: 4, lock: { holdS: 40 }, updatedAt: 'now', unreadable: ['name'] };
		expect(changedFields(row, changed)).toBe('height, GPS lock');
	});
});
