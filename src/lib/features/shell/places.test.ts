import { describe, expect, it } from 'vitest';
import { PLACES, placeOf } from './places';

describe('the places of the application', () => {
	it('each has a name and a key of its own', () => {
		for (const of of ['href', 'label', 'key'] as const)
			expect(new Set(PLACES.map((place) => place[of])).size).toBe(PLACES.length);
	});
	it.each([
		['/', '/'],
		['/session/new', '/'],
		['/session/abc/compass', '/'],
		['/aircraft/demo-dunlin/due', '/aircraft'],
		['/instruments/sound', '/instruments'],
		['/tomorrow', '/'],
	])('%s belongs to %s', (path, place) => {
		expect(placeOf(path)).toBe(place);
	});
});
