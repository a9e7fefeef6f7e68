import { hasPart, lengthOf, showsData } from '$lib/core/aircraft/capabilities';
import { LOSS_WORDS } from '$lib/core/radio/linkLossTest';
import { formatQuantity } from '$lib/words/units';
import { lossActionSchema, type Aircraft } from '$lib/schema/records';
import { fieldsOf, inside, type RecordField } from '$lib/ui/fields';
import { optionsOf } from '$lib/ui/options';
import { units } from '$lib/ui/preferences.svelte';
import { LAYOUT_WORDS, PROPELLER_WORDS, RECEIVER_WORDS, SPIN_WORDS, SURFACE_WORDS } from './partWords';

const { text, number, quantity, choice, few, yesNo } = fieldsOf<Aircraft>();
const lock = fieldsOf<Aircraft['lock']>();
const flies = fieldsOf<NonNullable<Aircraft['flies']>>();
const ladder = fieldsOf<NonNullable<Aircraft['ladder']>>();

export const NAME = text('name', 'Name', 120, { always: true });

/** What it is, for people. */
export const ABOUT: readonly RecordField<Aircraft>[] = [
	text('description', 'Description', 400, { always: true }),
	text('firmware', 'Firmware', 80, { always: true }),
	text('serial', 'Serial number or registration', 80),
	text('manual', 'Manual: title, page or link', 400, { always: true }),
	text('lights', 'Lights and tones, as noted before there was a table', 2000, {
		rows: 2,
		when: ({ lights }) => Boolean(lights),
	}),
];

export const FRAME: readonly RecordField<Aircraft>[] = [
	number('rotors', 'Rotors', '', { min: 0, max: 16, required: true, whole: true }),
	number('compasses', 'Compasses', '', { min: 0, max: 4, required: true, whole: true }),
	yesNo('hasPosition', 'Position receiver'),
];

export const EQUIPMENT: readonly RecordField<Aircraft>[] = [
	choice('surfaces', 'Control surfaces', optionsOf(SURFACE_WORDS), {
		none: 'Not known',
		when: ({ kind }) => kind === 'wing',
	}),
	quantity('lengthM', 'Size', 'height', {
		min: 0.05,
		max: 5,
		note: (craft) =>
			`motor to motor, or the span; about ${formatQuantity(lengthOf(craft), 'height', units())} for its kind`,
	}),
	choice('receiver', 'Type of position receiver', optionsOf(RECEIVER_WORDS), {
		none: 'Not known: a plain one is assumed',
		when: ({ hasPosition }) => hasPosition,
	}),
	choice('layout', 'Motor layout', optionsOf(LAYOUT_WORDS), {
		none: ({ rotors }) => `Not known: usual for ${rotors} rotors`,
		when: ({ rotors }) => rotors > 2,
	}),
	choice('spin', 'Front propellers turn', optionsOf(SPIN_WORDS), {
		none: 'Not known: inward is assumed',
		when: ({ rotors }) => rotors > 2,
	}),
	choice('propellers', 'Propeller mounting', optionsOf(PROPELLER_WORDS), { none: 'Not known' }),
	number('nozzles', 'Nozzles', '', {
		min: 1,
		max: 40,
		whole: true,
		note: 'each is measured on its own',
		when: (craft) => hasPart(craft, 'tank'),
	}),
];

export const LINK: readonly RecordField<Aircraft>[] = [
	few(
		'gives',
		'Available data',
		[
			{ value: 'logs', label: 'Logs or live data' },
			{ value: 'screen', label: 'Its own screen', note: 'you read it; guided routines' },
			{ value: 'lights', label: 'Lights alone', note: 'guided routines, watched' },
		],
		{ usual: (craft) => (showsData(craft) ? 'logs' : 'screen') },
	),
	choice(
		'lossAction',
		'Failsafe action',
		lossActionSchema.options.map((value) => ({ value, label: LOSS_WORDS[value] })),
		{ none: 'Not read yet' },
	),
	yesNo('propellersStayOn', 'Propellers stay on during bench work, by the manual'),
];

export const LIMITS: readonly RecordField<Aircraft>[] = [
	...inside<Aircraft, 'lock'>('lock', [
		lock.number('minSatellites', 'Minimum satellites', '', {
			min: 1,
			max: 60,
			required: true,
			whole: true,
			note: 'eight is usual',
		}),
		lock.number('maxHdop', 'Maximum HDOP', '', { min: 0.5, max: 20, required: true }),
		lock.number('holdS', 'GPS lock held for', 's', { min: 0, max: 600, required: true }),
	]),
	number('compassHeadingLimitDeg', 'Heading uncertainty limit', '°', { min: 0.1, max: 20, required: true }),
	quantity('returnSpeedMps', 'Return speed', 'speed', { min: 0.1, max: 100, required: true }),
	quantity('returnHeightM', 'Return altitude', 'height', { min: 0, max: 1000, required: true }),
];

/** What the return is planned with: empty fields are taken as usual for the kind, and said so. */
export const RETURN: readonly RecordField<Aircraft>[] = [
	...inside<Aircraft, 'flies'>('flies', [
		flies.quantity('airspeedMaxMps', 'Maximum airspeed', 'speed', { min: 0.1, max: 100 }),
		flies.quantity('climbMps', 'Climb speed', 'speed', { min: 0.1, max: 50 }),
		flies.quantity('descentMps', 'Descent speed', 'speed', { min: 0.1, max: 50 }),
		flies.number('hoverW', 'Hover power', 'W', { min: 1, max: 100_000, note: 'empty: computed from its flights' }),
	]),
	quantity('minReturnDistanceM', 'Minimum return distance', 'height', {
		min: 0,
		max: 10_000,
		required: true,
		note: 'nearer than this it lands where it is',
	}),
	...inside<Aircraft, 'flies'>('flies', [
		flies.choice(
			'speedKind',
			'Return speed is held',
			[
				{ value: 'ground', label: 'Over the ground' },
				{ value: 'air', label: 'Through the air' },
			],
			{ none: 'Not known: over the ground' },
		),
		{
			kind: 'choice',
			id: 'climbFirst',
			label: 'Climbs',
			none: 'Not known: before it turns home',
			options: [
				{ value: 'first', label: 'Before it turns home' },
				{ value: 'underway', label: 'On the way home' },
			],
			get: ({ climbFirst }) => (climbFirst === undefined ? null : climbFirst ? 'first' : 'underway'),
			set: (_, when) => ({ climbFirst: when === null ? undefined : when === 'first' }),
		},
	]),
	number('videoMw', 'Video power', 'mW', { min: 0, max: 10_000, when: (craft) => hasPart(craft, 'video') }),
];

/** Where practitioners differ about first flights, and why the default is the default. */
export const FIRST_FLIGHTS: readonly RecordField<Aircraft>[] = inside<Aircraft, 'ladder'>('ladder', [
	ladder.few(
		'firstHover',
		'First hover',
		[
			{ value: 'outdoors', label: 'Outdoors', note: 'default: a runaway has room' },
			{ value: 'indoors', label: 'In a hall', note: 'no wind; a net and nobody near' },
		],
		{ usual: () => 'outdoors' },
	),
	ladder.few(
		'firstHeight',
		'First height',
		[
			{ value: 'head', label: 'Head height', note: 'default: above ground effect' },
			{ value: 'low', label: 'Knee height', note: 'a fall breaks less; ground effect moves it' },
		],
		{ usual: () => 'head' },
	),
	ladder.few(
		'takeOff',
		'Takeoff',
		[
			{ value: 'manual', label: 'By hand', note: 'default: nothing is proved yet' },
			{ value: 'automatic', label: 'Automatic', note: 'even, but abrupt' },
		],
		{ usual: () => 'manual' },
	),
	{
		kind: 'few',
		id: 'heightRung',
		label: 'Altitude hold before position hold',
		options: [
			{ value: 'yes', label: 'Its own step', note: 'default: one more sensor at a time' },
			{ value: 'no', label: 'Straight to position hold', note: 'fewer flights' },
		],
		get: ({ heightRung }) => (heightRung === false ? 'no' : 'yes'),
		set: (_, answer) => ({ heightRung: answer === 'yes' }),
	},
]);

export const RULE: readonly RecordField<Aircraft>[] = [
	few('school', 'When is a calibration due? Practitioners disagree; the default acts on what changed', [
		{ value: 'as-told', label: 'As told', note: 'maker’s prompts only' },
		{ value: 'after-events', label: 'After events', note: 'the default' },
		{ value: 'every-day', label: 'First flight of every day', note: 'ten seconds each' },
	]),
];

/** Every field of an aircraft that is entered in its form. */
export const AIRCRAFT_FIELDS = [
	NAME,
	...ABOUT,
	...FRAME,
	...EQUIPMENT,
	...LINK,
	...LIMITS,
	...RETURN,
	...FIRST_FLIGHTS,
	...RULE,
];
