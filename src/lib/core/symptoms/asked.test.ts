import { describe, expect, it } from 'vitest';
import type { Aircraft } from '../../schema/records';
import { knownOf, saidOf } from './asked';
import { TABLE } from './table';

const aircraft = (more: Partial<Aircraft>): Aircraft =>
	({ kind: 'spreader', compasses: 2, hasPosition: true, events: [], ...more }) as Aircraft;

describe('what is known of an aircraft', () => {
	it('is its kind, its equipment and what happened within a month', () => {
		const event = (kind: 'knock' | 'part' | 'prompt', at: string) => ({ id: at, kind, at, note: '' });
		const known = knownOf(
			aircraft({
				events: [
					event('knock', '2026-11-20T10:00:00.000Z'),
					event('part', '2026-09-01T10:00:00.000Z'),
					event('prompt', '2026-11-21T10:00:00.000Z'),
				],
			}),
			'2026-11-26T08:00:00.000Z',
		);
		expect(known).toEqual({ kind: 'sprayer', has: { compasses: 2, position: true, camera: false }, recent: ['knock'] });
	});
});

describe('a sign is found by what pilots say', () => {
	it.each([
		['circles', 'circles'],
		['circling', 'circles'],
		['will not arm', 'no-arm'],
		['hot motor', 'motors-hot'],
		['swollen', 'pack-swollen'],
		['drops', 'one-corner'],
		['flips', 'flips'],
		['stuck', 'pinned'],
		['oscillation', 'buzz'],
		['gps', 'no-fix'],
		['does not respond', 'radio-ignored'],
		['motors wind up', 'winds-up'],
		['motors keep speeding up without propellers', 'winds-up'],
		['it spins when I take off', 'yaw-wrong'],
		['the motors are very hot', 'motors-hot'],
	])('%s', (words, id) => {
		expect(saidOf(TABLE.observations, words).map((o) => o.id)).toContain(id);
	});

	it('and by nothing, all are', () => {
		expect(saidOf(TABLE.observations, ' ')).toHaveLength(TABLE.observations.length);
		expect(saidOf(TABLE.observations, 'zebra')).toEqual([]);
		expect(saidOf(TABLE.observations, 'zebra crossing of motors')).toEqual([]);
	});
});
