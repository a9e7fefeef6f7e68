import type { Draft } from '$lib/schema/common';
import type { Site } from '$lib/schema/records';
import { fieldsOf, type RecordField } from '$lib/ui/fields';

type Fields = readonly RecordField<Draft<Site>>[];
const { text, number, quantity } = fieldsOf<Draft<Site>>();

export const NAME = text('name', 'Name', 120, { always: true });

export const POSITION: Fields = [
	number('latDeg', 'Latitude', '°', { min: -90, max: 90, decimals: 6, note: 'north positive' }),
	number('lonDeg', 'Longitude', '°', { min: -180, max: 180, decimals: 6, note: 'east positive' }),
	quantity('altM', 'Height above sea', 'height', {
		min: -500,
		max: 9000,
		note: 'empty: taken as 0. A hundred metres change the field by less than a thousandth.',
	}),
];

export const ALLOWED: Fields = [
	text('rules', 'What is allowed here, by whom, since when', 2000, { always: true }),
	number('videoMaxMw', 'Video power allowed', 'mW', { min: 0, max: 10_000 }),
];

export const ROOM: Fields = [
	quantity('ceilingM', 'Ceiling of a room', 'height', {
		min: 0.5,
		max: 200,
		note: 'its furniture is entered in the list above',
	}),
];

export const LANDING: Fields = [
	text('approach', 'Where it lands, and from which side it approaches', 200),
	text('hazards', 'Hazards to avoid', 200),
	text('cleanSpot', 'Where the compass is calibrated', 200),
	text('notes', 'Notes: access, whom to ask', 2000, { rows: 3, always: true }),
];

/** Obstacles have a list of their own: what the schema refuses in it is named by this. */
const OBSTACLES = { ...NAME, id: 'obstacles', label: 'Obstacles: each needs a name, and it' };

/** Every field of a site. */
export const SITE_FIELDS: Fields = [NAME, ...POSITION, ...ALLOWED, ...ROOM, ...LANDING, OBSTACLES];
