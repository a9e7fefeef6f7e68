import { render } from 'svelte/server';
import { describe, expect, it } from 'vitest';
import { newAircraft } from '$lib/schema/newAircraft';
import { aircraftSchema, ownItemSchema, type Aircraft } from '$lib/schema/records';
import Fields from '$lib/ui/Fields.svelte';
import { refusal, type RecordField } from '$lib/ui/fields';
import { AIRCRAFT_FIELDS, RETURN } from './fields';
import { OWN_ITEM_FIELDS } from './ownItemFields';

const craft: Aircraft = { ...newAircraft('a', 'multirotor', '2026-05-14T09:00:00.000Z'), name: 'Dunlin' };
const labelsIn = (html: string) => [...html.matchAll(/<(?:label|p)[^>]*>([^<]+)</g)].map(([, label]) => label.trim());

/** A value that a field may take, other than the one it has. */
function another<T>(field: RecordField<T>, record: T): string | number | boolean {
	switch (field.kind) {
		case 'text':
			return field.type === 'date' ? '2026-01-02' : 'Something else';
		case 'number':
			return field.max ?? (field.min ?? 0) + 1;
		case 'choice':
		case 'few':
			return (field.options.find(({ value }) => value !== field.get(record)) ?? field.options[0]).value;
		case 'yes-no':
			return field.get(record) !== true;
	}
}
const enter = <T extends object>(field: RecordField<T>, record: T, value: string | number | boolean | null) =>
	({ ...record, ...(field.set as (record: T, value: unknown) => Partial<T>)(record, value) }) as T;

describe('fields of an aircraft', () => {
	it('read back what was entered in them, and the schema takes it', () => {
		for (const field of AIRCRAFT_FIELDS) {
			const value = another(field, craft);
			const entered = enter(field, craft, value);
			expect(field.get(entered), field.label).toBe(value);
			expect(aircraftSchema.safeParse(entered).success, field.label).toBe(true);
		}
	});

	it('stay valid when emptied: required ones keep their value, the others are left out', () => {
		for (const field of AIRCRAFT_FIELDS.filter(
			({ id, kind }) => id !== 'name' && kind !== 'few' && kind !== 'yes-no',
		)) {
			const emptied = enter(field, enter(field, craft, another(field, craft)), null);
			expect(aircraftSchema.safeParse(emptied).success, field.label).toBe(true);
		}
	});

	it('change nothing else in the part that they lie in', () => {
		const [airspeed] = RETURN;
		const before: Aircraft = { ...craft, flies: { climbMps: 3, hoverW: 200 } };
		expect(enter(airspeed, before, 12).flies).toEqual({ climbMps: 3, hoverW: 200, airspeedMaxMps: 12 });
		expect(enter(airspeed, enter(airspeed, before, 12), null).flies).toEqual({ climbMps: 3, hoverW: 200 });
	});

	it('are shown with their labels where they apply, and not elsewhere', () => {
		const wing: Aircraft = { ...craft, kind: 'wing', rotors: 1 };
		const shown = (record: Aircraft) =>
			labelsIn(render(Fields, { props: { fields: AIRCRAFT_FIELDS, record, onchange: () => undefined } as never }).body);
		expect(shown(craft)).toContain('Motor layout');
		expect(shown(craft)).not.toContain('Control surfaces');
		expect(shown(wing)).toContain('Control surfaces');
		expect(shown(wing)).not.toContain('Motor layout');
	});
});

describe('refusals', () => {
	it('name the field by its label, also inside a part', () => {
		const name = aircraftSchema.safeParse({ ...craft, name: '' }).error?.issues[0];
		expect(name && refusal(name, AIRCRAFT_FIELDS)).toMatch(/^Name: /);
		const lock = aircraftSchema.safeParse({ ...craft, lock: { ...craft.lock, maxHdop: -1 } }).error?.issues[0];
		expect(lock && refusal(lock, AIRCRAFT_FIELDS)).toMatch(/^Maximum HDOP: /);
		const item = ownItemSchema.safeParse({
			id: 'mine-1',
			station: 'bench',
			type: 'tick',
			text: '',
			why: '',
			weight: 'hold',
		});
		expect(item.error && refusal(item.error.issues[0], OWN_ITEM_FIELDS)).toMatch(/^What is checked: /);
	});
});
