import { describe, expect, it } from 'vitest';
import { indoorDefaults, toRestore } from './indoor';

describe('the indoor preset', () => {
	it('never leaves out what the link’s loss does, and fits the kind', () => {
		for (const kind of ['camera', 'multirotor', 'wing', 'sprayer', 'racer', 'longrange', 'toy'] as const) {
			const ids = indoorDefaults({ kind, hasPosition: false }).map(({ id }) => id);
			expect(ids, kind).toContain('link-loss');
			expect(ids.includes('obstacle'), kind).toBe(kind === 'camera');
			expect(ids).not.toContain('low-battery');
		}
	});

	it('is over when every setting is back', () => {
		const setting = (id: string, back: boolean) => ({ id, name: id, outdoors: 'return', indoors: 'hover', back });
		const indoor = { since: '2026-05-01T08:00:00.000Z', settings: [setting('a', true), setting('b', false)] };
		expect(toRestore({ indoor }).map(({ id }) => id)).toEqual(['b']);
		expect(toRestore({ indoor: { ...indoor, settings: [setting('a', true)] } })).toEqual([]);
		expect(toRestore({})).toEqual([]);
	});
});
