import { describe, expect, it } from 'vitest';
import { draftObstaclesSchema, isWhole, missingOf } from './draftObstacles';

const whole = { id: 'o1', name: 'Mast', bearingDeg: 90, distanceM: 120, heightM: 18 };

describe('an obstacle while it is entered', () => {
	it('is whole once all of it was said; zero is said, not missing', () => {
		expect([isWhole(whole), missingOf(whole)]).toEqual([true, '']);
		expect(missingOf({ ...whole, bearingDeg: 0 })).toBe('');
	});
	it('names what it still needs', () => {
		expect(missingOf({ id: 'o1' })).toBe('a name and a direction and a distance and a height');
		expect(missingOf({ ...whole, name: '' })).toBe('a name');
		expect(isWhole({ ...whole, heightM: undefined })).toBe(false);
	});
	it('a draft is taken up as far as it fits', () => {
		expect(draftObstaclesSchema.safeParse([{ id: 'o1' }, whole]).success).toBe(true);
		expect(draftObstaclesSchema.safeParse([{ name: 'without an id' }]).success).toBe(false);
		expect(draftObstaclesSchema.safeParse([{ id: 'o1', bearingDeg: 400 }]).success).toBe(false);
	});
});
