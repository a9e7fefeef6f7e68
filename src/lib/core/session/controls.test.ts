import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import type { Control } from '../../schema/records';
import { factsOf } from './checklist/templates';
import { abortCard, abortMode, controlsAt } from './controls';
import { checklistFor } from './items';

const control = (name: string, position: string, does: Control['does'], shown = ''): Control => ({
	id: `${name}-${position}`,
	control: name,
	position,
	does,
	shown,
});
const controls = [
	control('right switch', 'down', 'arm'),
	control('left switch', 'up', 'direct', 'DIR'),
	control('left switch', 'middle', 'self-level'),
	control('left switch', 'down', 'return'),
];
const craft = { ...newAircraft('a', 'multirotor', '2026-05-14T09:00:00.000Z'), controls };
const asked = (id: string, aircraft: typeof craft | ReturnType<typeof newAircraft>) =>
	checklistFor({ aircraft, session: { occasion: 'first', venue: 'open' } }).find((item) => item.id === id);

describe('the radio of an aircraft', () => {
	it('says which mode is fallen back to, with its switch: self-level before direct control', () => {
		expect(abortMode(craft)).toBe('Self-level, left switch middle,');
		expect(abortMode({ controls: controls.filter(({ does }) => does !== 'self-level') })).toMatch(/^Direct control/);
		expect(abortMode({})).toBeNull();
		expect(asked('abort', craft)?.text).toMatch(/^Self-level, left switch middle, is under a finger/);
	});

	it('makes the abort card its own, and leaves no line out where nothing was entered', () => {
		expect(abortCard(craft).join(' ')).toMatch(/left switch middle.*right switch, away from down/);
		expect(abortCard({ kind: 'wing' })).toHaveLength(abortCard(craft).length);
		expect(abortCard({ kind: 'wing' }).join(' ')).toMatch(/turn it away from everybody/);
	});

	it('stands beside the items that are about it', () => {
		expect(controlsAt(craft, factsOf('switches'))).toEqual(controls);
		expect(controlsAt(craft, factsOf('spin-up')).map(({ does }) => does)).toEqual(['arm']);
		expect(controlsAt(craft, factsOf('frame'))).toEqual([]);
		expect(asked('switches', craft)).toMatchObject({ station: 'bench', weight: 'hold' });
	});

	it('is asked of a bought aircraft only once it was entered', () => {
		const camera = newAircraft('c', 'camera', '2026-05-14T09:00:00.000Z');
		expect(asked('switches', camera)).toBeUndefined();
		expect(asked('switches', { ...camera, controls })).toBeDefined();
	});
});
