import { describe, expect, it } from 'vitest';
import type { AircraftEvent } from '../../schema/records';
import { OCCASION_WORDS, suggestOccasion, VENUE_WORDS } from './occasion';

const NOW = '2026-05-14T09:00:00.000Z';
const FLOWN = '2026-05-10T09:00:00.000Z';
const event = (kind: AircraftEvent['kind'], at: string): AircraftEvent => ({ id: kind + at, kind, at, note: '' });
const after = (...kinds: AircraftEvent['kind'][]) =>
	suggestOccasion({ events: kinds.map((kind) => event(kind, '2026-05-12T09:00:00.000Z')) }, FLOWN, NOW);

describe('what a session is most likely for', () => {
	it.each([
		[['knock'], 'crash'],
		[['part'], 'repair'],
		[['firmware'], 'update'],
		[['settings'], 'update'],
		[['part', 'knock'], 'crash'],
		[['firmware', 'part'], 'repair'],
		[['journey'], 'routine'],
		[[], 'routine'],
	] as const)('after %j it is %s', (kinds, occasion) => {
		expect(after(...kinds).occasion).toBe(occasion);
	});

	it('counts no event from before the last flight, nor one that is dated ahead', () => {
		const events = [event('knock', '2026-05-09T09:00:00.000Z'), event('part', '2026-06-01T09:00:00.000Z')];
		expect(suggestOccasion({ events }, FLOWN, NOW)).toMatchObject({ occasion: 'routine' });
	});

	it('is storage after weeks without flight, and the first flight where none is on record', () => {
		expect(suggestOccasion({ events: [] }, '2026-02-01T09:00:00.000Z', NOW)).toMatchObject({
			occasion: 'storage',
			because: 'last flown 102 days ago',
		});
		expect(suggestOccasion({ events: [event('new', FLOWN)] }, null, NOW).occasion).toBe('first');
		expect(suggestOccasion({ events: [] }, null, NOW).occasion).toBe('first');
	});

	it('says why', () => {
		expect(after('part').because).toBe('part replaced or refitted on 12 May 2026');
		for (const { label } of [...Object.values(OCCASION_WORDS), ...Object.values(VENUE_WORDS)])
			expect(label.length).toBeGreaterThan(5);
	});
});
