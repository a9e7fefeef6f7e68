import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import { aircraftKindSchema, componentSchema, type EventExtent } from '../../schema/records';
import { undoneBy } from '../session/checklist/undoes';
import { entryOf, finding, ticked } from '../facts/entries.fixture';
import { readSession } from '../session/sessionRecord';
import { suggestOccasion } from '../session/occasion';
import { componentNamed, COMPONENTS, componentsOf } from './components';
import { sensorDue } from './due';

const AT = '2026-05-14T09:00:00.000Z';
const LATER = '2026-05-14T12:00:00.000Z';
const event = (extent: EventExtent) => ({
	id: 'e',
	at: '2026-05-14T10:00:00.000Z',
	kind: 'part' as const,
	note: '',
	...extent,
});

describe('components of an aircraft', () => {
	it.each(componentSchema.options)('%s: cleaning affects no more than replacing', (id) => {
		const replaced = undoneBy('part', { component: id });
		for (const task of undoneBy('cleaned', { component: id })) expect(replaced).toContain(task);
		expect(undoneBy('part').size).toBeGreaterThanOrEqual(replaced.size);
	});
	it.each(aircraftKindSchema.options)('%s: a note that names a component finds it by its label', (kind) => {
		const offered = componentsOf(newAircraft('a', kind, AT));
		expect(offered.length).toBeGreaterThan(3);
		for (const id of offered) expect(componentNamed(`new ${COMPONENTS[id].label}`, offered), id).toBe(id);
	});
	it('a note names the component that comes first, and none that the aircraft lacks', () => {
		const offered = componentsOf(newAircraft('a', 'multirotor', AT));
		expect(componentNamed('ESC of the rear left motor', offered)).toBe('esc');
		expect(componentNamed('nozzle 3', offered)).toBeNull();
		expect(componentNamed('', offered)).toBeNull();
	});
	it('nozzle: propellers, straps and arming stay answered; what it delivers is to do', () => {
		const entries = [
			...['bench-arm', 'props-on', 'straps'].map((task) => ticked(task)),
			finding('flow', 'pass'),
			{ kind: 'event', task: 'event', what: 'part', note: '', component: 'nozzle' } as const,
		].map((payload, seq) => entryOf(seq, payload));
		const record = readSession({ entries, session: { kind: 'flight' }, aircraft: {} });
		for (const task of ['props-on', 'straps', 'bench-arm']) expect(record.speaking(task), task).not.toBeNull();
		expect(record.speaking('flow')).toBeNull();
	});
	it('what the pilot excludes stays answered, and its sensor is not due', () => {
		const unaffected = [{ task: 'due-level', about: 'Level is due' }];
		expect(undoneBy('part', { component: 'frame' })).toContain('due-level');
		expect(undoneBy('part', { component: 'frame', unaffected })).not.toContain('due-level');
		const due = (extent: EventExtent) =>
			sensorDue(
				'level',
				{ ...newAircraft('a', 'multirotor', AT), events: [event(extent)] },
				{ at: AT, place: null },
				null,
				LATER,
			).due;
		expect(due({ component: 'frame' })).toBe(true);
		expect(due({ component: 'frame', unaffected })).toBe(false);
		expect(due({ component: 'propeller' })).toBe(false);
		expect(due({})).toBe(true);
	});
	it('a new propeller is no repair of the aircraft; a new motor is', () => {
		const occasion = (extent: EventExtent) => suggestOccasion({ events: [event(extent)] }, AT, LATER).occasion;
		expect(occasion({ component: 'propeller' })).toBe('routine');
		expect(occasion({ component: 'motor' })).toBe('repair');
		expect(occasion({})).toBe('repair');
	});
});
