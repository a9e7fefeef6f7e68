import { z } from 'zod';
import './messages';

/** Marks of a station or check. Words and outlines in the interface follow these five. */
export const markSchema = z.enum(['clear', 'caution', 'hold', 'unseen', 'aside']);
export type Mark = z.infer<typeof markSchema>;

export const id = z.string().min(1).max(80);
export const name = z.string().trim().min(1, 'needs a name').max(120);
export const note = z.string().max(4000);
export const isoTime = z.iso.datetime();

export const aircraftKindSchema = z.enum([
	'camera',
	'large-camera',
	'multirotor',
	'wing',
	'sprayer',
	'spreader',
	'racer',
	'longrange',
	'toy',
]);
export type AircraftKind = z.infer<typeof aircraftKindSchema>;

export const dueSchoolSchema = z.enum(['as-told', 'after-events', 'every-day']);
export type DueSchool = z.infer<typeof dueSchoolSchema>;

export const sensorSchema = z.enum([
	'compass',
	'accelerometer',
	'gyro',
	'level',
	'mounting',
	'radio',
	'camera',
	'vision',
	'speed-controllers',
	'link-loss',
]);
/** What can fall due: the sensors, and the checks that a change of firmware or parts undoes. */
export type Sensor = z.infer<typeof sensorSchema>;

/** What an aircraft does when the link is lost. */
export const lossActionSchema = z.enum(['stop', 'return', 'land', 'hover']);
export type LossAction = z.infer<typeof lossActionSchema>;

/** What an aircraft may have or not, beside its frame: unknown where nobody said. */
export const partSchema = z.enum([
	'camera',
	'camera-cover',
	'folding',
	'video',
	'overlay',
	'beeper',
	'pressure-foam',
	'vision',
	'obstacle',
	'range',
	'tank',
	'spreader',
	'flow-meter',
	'self-righting',
	'pre-arm',
]);
export type Part = z.infer<typeof partSchema>;

export const sideSchema = z.enum(['front', 'rear', 'left', 'right', 'up', 'down']);

/** A line of the aircraft's own table of lights and tones, in its owner's words. */
export const lightSchema = z.object({
	id,
	during: z.string().max(80),
	colour: z.string().max(80),
	pattern: z.enum(['', 'steady', 'slow', 'fast', 'alternating']),
	sound: z.string().max(80),
	meaning: z.string().max(160),
	next: z.string().max(160),
});
export type Light = z.infer<typeof lightSchema>;

/** What a position of a switch, a button or a stick may do. */
export const controlUseSchema = z.enum([
	'arm',
	'guard',
	'direct',
	'self-level',
	'height-hold',
	'position-hold',
	'return',
	'self-righting',
	'beeper',
	'payload',
	'other',
]);
export type ControlUse = z.infer<typeof controlUseSchema>;

/** One position of a control on the radio: where the hand goes, and what the aircraft does then. */
export const controlSchema = z.object({
	id,
	control: z.string().trim().min(1).max(60),
	position: z.string().trim().max(40),
	does: controlUseSchema,
	/** What the aircraft's own screen or voice calls it. */
	shown: z.string().max(60),
});
export type Control = z.infer<typeof controlSchema>;

/** A message that this aircraft gave when it would not arm, in its own words, and what it meant. */
export const armingMessageSchema = z.object({
	id,
	text: z.string().trim().min(1).max(160),
	means: z.string().max(200),
	next: z.string().max(200),
});
export type ArmingMessage = z.infer<typeof armingMessageSchema>;

/** All settings of an aircraft at one moment, as it or its program wrote them. */
export const settingsSnapshotSchema = z.object({
	id,
	at: isoTime,
	note: z.string().max(400),
	firmware: z.string().max(80),
	values: z.array(z.object({ name: z.string().min(1).max(120), value: z.string().max(120) })).max(5000),
});
export type SettingsSnapshot = z.infer<typeof settingsSnapshotSchema>;

/** Bound of lists that grow with use: no work of years reaches it, and what a file may hold stays finite. */
const GROWING = 100_000;

/** A component of an aircraft that is replaced, refitted or cleaned. */
export const componentSchema = z.enum([
	'propeller',
	'motor',
	'esc',
	'compass',
	'receiver',
	'antenna',
	'frame',
	'wiring',
	'surface',
	'camera',
	'vision',
	'tank',
	'nozzle',
	'spreader',
]);
export type Component = z.infer<typeof componentSchema>;

/** The extent of an event: its component, and the tasks that the pilot excludes from what it affects. */
export const eventExtentSchema = z.object({
	component: componentSchema.optional(),
	unaffected: z
		.array(z.object({ task: z.string().min(1).max(80), about: z.string().max(200) }))
		.max(80)
		.optional(),
});
export type EventExtent = z.infer<typeof eventExtentSchema>;

export const aircraftEventSchema = z.object({
	id,
	at: isoTime,
	kind: z.enum(['new', 'firmware', 'settings', 'knock', 'part', 'cleaned', 'prompt', 'odd-flight', 'journey']),
	note,
	...eventExtentSchema.shape,
});
export type AircraftEvent = z.infer<typeof aircraftEventSchema>;

/** A question of a pilot's own, asked in every session of the aircraft. */
export const ownItemSchema = z.object({
	id,
	station: z.lazy(() => stationIdSchema),
	type: z.enum(['tick', 'measure', 'wait', 'confirm']),
	text: z.string().trim().min(1, 'needs words').max(200),
	why: z.string().max(400),
	weight: z.enum(['hold', 'caution']),
	/** Of a measure: unit, limits, and where they come from. */
	unit: z.string().max(20).optional(),
	low: z.number().optional(),
	high: z.number().optional(),
	source: z.string().max(200).optional(),
	/** Of a wait, seconds. */
	waitS: z.number().min(1).max(3600).optional(),
});
export type OwnItem = z.infer<typeof ownItemSchema>;

/** What a pilot changed of the aircraft's checklist. */
export const ownListSchema = z.object({
	items: z.array(ownItemSchema).max(100),
	/** Items that are left off. */
	off: z.array(id).max(200),
	/** Limits of their own, in the unit of the item, with who says so. */
	limits: z.record(
		z.string().max(80),
		z.object({ low: z.number().optional(), high: z.number().optional(), source: z.string().trim().min(1).max(200) }),
	),
	/** Items in the order in which they are asked, as far as it was changed. */
	order: z.array(id).max(400),
	changedAt: isoTime,
});
export type OwnList = z.infer<typeof ownListSchema>;

const indoorSettingSchema = z.object({
	id,
	name,
	outdoors: z.string().max(80),
	indoors: z.string().max(80),
	back: z.boolean(),
});
export type IndoorSetting = z.infer<typeof indoorSettingSchema>;

/** Fields that were damaged where they are stored: a stand-in is in their place until somebody enters them again. */
const unreadable = z.array(z.string().max(80)).max(80).optional();

/** Taken out of use: since when, and why. What it did stays on record. */
export const retiredSchema = z.object({ at: isoTime, why: z.string().max(200) });

export const aircraftSchema = z.object({
	id,
	name,
	retired: retiredSchema.optional(),
	kind: aircraftKindSchema,
	description: note.default(''),
	rotors: z.int().min(0).max(16),
	compasses: z.int().min(0).max(4),
	hasPosition: z.boolean(),
	firmware: z.string().max(80).default(''),
	/** What is on its plate: serial number, registration. */
	serial: z.string().max(80).optional(),
	returnSpeedMps: z.number().positive().max(100),
	returnHeightM: z.number().min(0).max(1000),
	minReturnDistanceM: z.number().min(0).max(10_000),
	lock: z.object({
		minSatellites: z.int().min(1).max(100),
		maxHdop: z.number().positive().max(50),
		holdS: z.number().min(0).max(3600),
	}),
	compassHeadingLimitDeg: z.number().positive().max(30),
	school: dueSchoolSchema,
	/** What the link-loss setting really does; left out until it was read off the aircraft. */
	lossAction: lossActionSchema.optional(),
	/** How its motors stand and turn, as far as it was said. */
	layout: z.enum(['quad-x', 'quad-plus', 'hex-x', 'hex-plus', 'octo-x', 'y6']).optional(),
	spin: z.enum(['front-inward', 'front-outward']).optional(),
	/** What the aircraft can show of itself: logs or live data, its own screen, lights alone. */
	gives: z.enum(['logs', 'screen', 'lights']).optional(),
	/** Its propellers stay on during bench work, by the maker's manual. */
	propellersStayOn: z.boolean().optional(),
	/** How a wing's surfaces are made. */
	surfaces: z.enum(['elevons', 'separate', 'v-tail']).optional(),
	/** Across, from the farthest motor or wing tip to the other, metres. */
	lengthM: z.number().min(0.05).max(5).optional(),
	/** What its receiver for position is. */
	receiver: z.enum(['plain', 'differential', 'rtk']).optional(),
	/** How its propellers are held. */
	propellers: z.enum(['nut', 'self-locking', 'screws', 'folding', 'quick']).optional(),
	parts: z.partialRecord(partSchema, z.boolean()).optional(),
	/** Sides that its obstacle sensors cover. */
	obstacleSides: z.array(sideSchema).max(6).optional(),
	/** What its pilot changed of the checklist. */
	ownList: ownListSchema.optional(),
	lightTable: z.array(lightSchema).max(60).optional(),
	/** Its radio: every position of a control that does something. */
	controls: z.array(controlSchema).max(60).optional(),
	/** Messages that it gave when it would not arm. */
	armingMessages: z.array(armingMessageSchema).max(GROWING).optional(),
	/** Power of its video transmitter, milliwatts. */
	videoMw: z.number().min(0).max(10_000).optional(),
	/** Where each of its compasses sits. */
	compassMounts: z
		.array(z.enum(['module', 'mast', 'board']))
		.max(4)
		.optional(),
	/** Nozzles on its booms. */
	nozzles: z.int().min(1).max(40).optional(),
	/** What was typed into an instrument for it and stays true: field by field, as that instrument's form has it. */
	forms: z
		.record(
			z.string().max(40),
			z.record(
				z.string().max(40),
				z.union([
					z.number(),
					z.string().max(200),
					z.array(z.record(z.string().max(40), z.union([z.number(), z.string().max(200), z.null()]))).max(60),
				]),
			),
		)
		.optional(),
	/** Throws of its surfaces as the sheet has them, millimetres at the trailing edge. */
	throws: z
		.partialRecord(
			z.enum(['left', 'right', 'elevator', 'rudder', 'tail-left', 'tail-right']),
			z.object({ upMm: z.number().min(0).max(200), downMm: z.number().min(0).max(200) }),
		)
		.optional(),
	/** Which school its ladder of first flights follows, where practitioners differ; left out, the default. */
	ladder: z
		.object({
			firstHover: z.enum(['outdoors', 'indoors']),
			heightRung: z.boolean(),
			firstHeight: z.enum(['low', 'head']),
			takeOff: z.enum(['manual', 'automatic']),
		})
		.partial()
		.optional(),
	/** How it flies, as far as it was said or measured. */
	flies: z
		.object({
			airspeedMaxMps: z.number().positive().max(100),
			climbMps: z.number().positive().max(50),
			descentMps: z.number().positive().max(50),
			/** Whether its return speed is held over the ground or through the air. */
			speedKind: z.enum(['ground', 'air']),
			/** Whether it climbs before it turns home. */
			climbFirst: z.boolean(),
			hoverW: z.number().positive().max(1e5),
		})
		.partial()
		.optional(),
	/** Its settings as they were, oldest first. */
	snapshots: z.array(settingsSnapshotSchema).max(GROWING).optional(),
	/** A school of its own for a sensor, where the pilot keeps one. */
	sensorSchools: z.partialRecord(sensorSchema, dueSchoolSchema).optional(),
	/** The pilot's own thresholds; null switches a rule off. */
	dueThresholds: z
		.object({
			distanceKm: z.number().positive().max(20_000).nullable(),
			heightM: z.number().positive().max(9000).nullable(),
			temperatureC: z.number().positive().max(100).nullable(),
			ageDays: z.number().positive().max(3650).nullable(),
		})
		.partial()
		.optional(),
	/** Settings changed for flying under a roof, to be put back before flying outdoors. */
	indoor: z.object({ since: isoTime, settings: z.array(indoorSettingSchema).max(40) }).optional(),
	/** Fields that still hold the default of the kind: nobody entered them. Left out in older records, where all count as entered. */
	defaults: z.array(z.string().max(40)).max(40).optional(),
	lights: note.default(''),
	manual: note.default(''),
	events: z.array(aircraftEventSchema).max(GROWING),
	unreadable,
	updatedAt: isoTime,
});
export type Aircraft = z.infer<typeof aircraftSchema>;

export const obstacleSchema = z.object({
	id,
	name,
	bearingDeg: z.number().min(0).max(360),
	distanceM: z.number().min(0).max(20_000),
	heightM: z.number().min(0).max(1000),
	widthM: z.number().min(0).max(10_000).optional(),
});
export type Obstacle = z.infer<typeof obstacleSchema>;

export const siteSchema = z.object({
	id,
	name,
	latDeg: z.number().min(-90).max(90),
	lonDeg: z.number().min(-180).max(180),
	altM: z.number().min(-500).max(9000),
	/** Nobody knows the height: it is taken as zero. */
	altUnknown: z.literal(true).optional(),
	/** What stands there, as seen from the home mark. */
	obstacles: z.array(obstacleSchema).max(200).optional(),
	/** What is allowed here, who says so, and since when. */
	rules: note.optional(),
	/** What a video transmitter may send with here, milliwatts. */
	videoMaxMw: z.number().min(0).max(10_000).optional(),
	/** Where it lands and from which side it comes in. */
	approach: z.string().max(200).optional(),
	/** What to keep away from. */
	hazards: z.string().max(400).optional(),
	/** Of a room: the ceiling above its floor, metres. */
	ceilingM: z.number().min(0.5).max(200).optional(),
	/** Where the compass is turned, as a survey found it or as it is known. */
	cleanSpot: z.string().max(200).optional(),
	retired: retiredSchema.optional(),
	notes: note.default(''),
	unreadable,
	updatedAt: isoTime,
});
export type Site = z.infer<typeof siteSchema>;

export const chemistrySchema = z.enum(['lipo', 'high-voltage', 'lithium-ion', 'percent']);
/** What a pack's charge is read by: volts of its chemistry, or per cent alone. */
export type Chemistry = z.infer<typeof chemistrySchema>;

export const packSchema = z.object({
	id,
	name,
	aircraftId: id,
	cells: z.int().min(1).max(24),
	chemistry: chemistrySchema.optional(),
	capacityMah: z.number().positive().max(200_000),
	cycles: z.int().min(0).max(10_000),
	boughtOn: z.iso.date(),
	/** Charged, flown since, or at storage charge; left out where nobody said. */
	state: z.enum(['charged', 'used', 'storage']).optional(),
	/** Since when it is so; left out in older records. */
	stateAt: isoTime.optional(),
	/** The session whose flight was counted last; of records before flights were counted one by one. */
	countedFor: id.optional(),
	/** Sessions in which it flew, each counted in its cycles. */
	flights: z
		.array(z.object({ id, at: isoTime }))
		.max(GROWING)
		.optional(),
	retired: retiredSchema.optional(),
	/** Inner resistance of a cell, milliohms, as last measured. */
	resistanceMohm: z.number().positive().max(1000).optional(),
	/** Minutes it flew before it was down to its reserve, as last said. */
	flightMin: z.number().positive().max(600).optional(),
	notes: note.default(''),
	unreadable,
	updatedAt: isoTime,
});
export type Pack = z.infer<typeof packSchema>;

/** A picture of a thing, made small on this device; nothing of where it was taken is left in it. */
export const photoSchema = z.object({
	id,
	/** What it is of: a row of another table. */
	of: z.object({ table: z.enum(['aircraft', 'sites', 'packs', 'sessions']), id }),
	/** The task of a session that it belongs to. */
	task: z.string().max(80).optional(),
	caption: z.string().max(200),
	at: isoTime,
	widthPx: z.int().min(1).max(4096),
	heightPx: z.int().min(1).max(4096),
	/** The JPEG file, base64, and the SHA-256 of its bytes. */
	jpeg: z.base64().max(1_000_000),
	sha256: z.string().regex(/^[0-9a-f]{64}$/),
});
export type Photo = z.infer<typeof photoSchema>;

export const stationIdSchema = z.enum([
	'plan',
	'bench',
	'site',
	'compass',
	'power-up',
	'position',
	'return',
	'arm',
	'response',
	'hover',
	'fly',
	'close',
]);
export type StationId = z.infer<typeof stationIdSchema>;

export const windSchema = z.object({
	fromDeg: z.number().min(0).max(360),
	speedMps: z.number().min(0).max(100),
	gustMps: z.number().min(0).max(100),
});
export type Wind = z.infer<typeof windSchema>;

/**
 * A flight; a rehearsal, of which nothing counts outside it; a bench book, which holds what was measured on an aircraft outside any
 * session, in a chain of its own.
 */
export const sessionKindSchema = z.enum(['flight', 'rehearsal', 'bench']);

/** Why a session is flown: what lies between it and the last flight. */
export const occasionSchema = z.enum(['routine', 'first', 'repair', 'update', 'crash', 'storage']);
export type Occasion = z.infer<typeof occasionSchema>;

/** Over what it flies. */
export const venueSchema = z.enum(['open', 'people', 'roof', 'water']);
export type Venue = z.infer<typeof venueSchema>;

/** Who else is there, and for what. */
export const crewSchema = z.object({
	name,
	role: z.enum(['spotter', 'launcher', 'payload', 'second-pilot', 'safety', 'helper']),
});
export type Crew = z.infer<typeof crewSchema>;

export const sessionSchema = z.object({
	id,
	kind: sessionKindSchema.default('flight'),
	title: name,
	aircraftId: id,
	/** Null in a bench book where no place was entered. */
	siteId: id.nullable(),
	packId: id.nullable(),
	pilot: name,
	/** Of sessions that said so. */
	occasion: occasionSchema.optional(),
	venue: venueSchema.optional(),
	crew: z.array(crewSchema).max(12).optional(),
	/** Signals that were agreed. */
	signals: z.string().max(400).optional(),
	startedAt: isoTime,
	endedAt: isoTime.nullable(),
	/** Where the pilot was: reload or a killed tab comes back here. */
	place: z.object({ station: stationIdSchema, task: z.string().max(80).nullable() }),
	/** Hash of the last entry of the session's chain; 64 zeros before the first. */
	head: z.string().regex(/^[0-9a-f]{64}$/),
	unreadable,
	updatedAt: isoTime,
});
export type Session = z.infer<typeof sessionSchema>;
