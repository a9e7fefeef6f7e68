import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import { withoutIt } from './consent';

describe('leaving a thing undone', () => {
	const craft = newAircraft('a', 'longrange', '2026-05-14T09:00:00.000Z');
	it('says of a lock what will not work, where it was to come home', () => {
		expect(withoutIt('position', craft)).toMatch(/does not return/);
		expect(withoutIt('position', { ...craft, hasPosition: false })).toBeNull();
	});
	it('says nothing of what means nothing beyond itself', () => {
		expect(withoutIt('warm-parts', craft)).toBeNull();
	});
});
