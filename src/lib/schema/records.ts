import { z } from 'zod';
import { reasonSchema, verdictSchema } from './common';

/** Marks of a station or check. Words and outlines in the interface follow these five. */
export const markSchema = z.enum(['clear', 'caution', 'hold', 'unseen', 'aside']);
export type Mark = z.infer<typeof markSchema>;

const id = z.string().min(1).max(80);
const name = z.string().trim().min(1, 'needs a name').max(120);
const note = z.string().max(4000);
const isoTime = z.iso.datetime();

export const aircraftKindSchema = z.enum(['camera', 'multirotor', 'wing', 'sprayer', 'racer', 'longrange', 'toy']);
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

export const aircraftEventSchema = z.object({
	id,
	at: isoTime,
	kind: z.enum(['new', 'firmware', 'knock', 'part', 'prompt', 'odd-flight', 'journey']),
	note,
});
export type AircraftEvent = z.infer<typeof aircraftEventSchema>;

const indoorSettingSchema = z.object({
	id,
	name,
	outdoors: z.string().max(80),
	indoors: z.string().max(80),
	back: z.boolean(),
});
export type IndoorSetting = z.infer<typeof indoorSettingSchema>;

export const aircraftSchema = z.object({
	id,
	name,
	kind: aircraftKindSchema,
	description: note.default(''),
	rotors: z.int().min(0).max(16),
	compasses: z.int().min(0).max(4),
	hasPosition: z.boolean(),
	firmware: z.string().max(80).default(''),
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
	lights: note.default(''),
	manual: note.default(''),
	events: z.array(aircraftEventSchema).max(2000),
	updatedAt: isoTime,
});
export type Aircraft = z.infer<typeof aircraftSchema>;

export const siteSchema = z.object({
	id,
	name,
	latDeg: z.number().min(-90).max(90),
	lonDeg: z.number().min(-180).max(180),
	altM: z.number().min(-500).max(9000),
	notes: note.default(''),
	updatedAt: isoTime,
});
export type Site = z.infer<typeof siteSchema>;

export const packSchema = z.object({
	id,
	name,
	aircraftId: id,
	cells: z.int().min(1).max(24),
	capacityMah: z.number().positive().max(200_000),
	cycles: z.int().min(0).max(10_000),
	boughtOn: z.iso.date(),
	notes: note.default(''),
	updatedAt: isoTime,
});
export type Pack = z.infer<typeof packSchema>;

export const stationIdSchema = z.enum([
	'plan',
	'bench',
	'site',
	'power-up',
	'position',
	'return',
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

export const sessionSchema = z.object({
	id,
	/** A bench book holds what was measured on an aircraft outside any session, in a chain of its own. */
	kind: z.enum(['flight', 'bench']).default('flight'),
	title: name,
	aircraftId: id,
	siteId: id,
	packId: id.nullable(),
	pilot: name,
	startedAt: isoTime,
	endedAt: isoTime.nullable(),
	/** Where the pilot was: reload or a killed tab comes back here. */
	place: z.object({ station: stationIdSchema, task: z.string().max(80).nullable() }),
	/** Hash of the last entry of the session's chain; 64 zeros before the first. */
	head: z.string().regex(/^[0-9a-f]{64}$/),
	updatedAt: isoTime,
});
export type Session = z.infer<typeof sessionSchema>;

const evidenceShape = { verdict: verdictSchema, reasons: z.array(reasonSchema) };

/** What was seen. `task` names what it is evidence for: the item of a checklist, or a measurement. */
export const calibrationSchema = z.object({
	kind: z.literal('calibration'),
	task: z.literal('compass'),
	accepted: z.enum(['accepted', 'kept-aside']),
	/** The data were simulated: counts in its session, never for what is due after it. */
	practice: z.boolean().optional(),
	sourceName: z.string().max(200),
	hardIronUt: z.tuple([z.number(), z.number(), z.number()]),
	/** One standard deviation of each offset; older records have none. */
	hardIronSigmaUt: z.tuple([z.number(), z.number(), z.number()]).optional(),
	softIron: z.array(z.array(z.number()).length(3)).length(3),
	fieldUt: z.number(),
	headingSigmaDeg: z.number(),
	headingBeforeDeg: z.number(),
	headingAfterDeg: z.number(),
	samples: z.int(),
	rejected: z.int(),
	place: z.object({ latDeg: z.number(), lonDeg: z.number(), altM: z.number() }),
	...evidenceShape,
});

export const checkSchema = z.object({
	kind: z.literal('check'),
	task: z.string().min(1).max(80),
	outcome: z.enum(['done', 'failed', 'aside']),
	value: z.number().nullable(),
	unit: z.string().max(40),
	waitedS: z.number().min(0).nullable(),
	reason: note,
});

const figureSchema = z.object({
	label: z.string(),
	value: z.number().nullable(),
	unit: z.string(),
	sigma: z.number().optional(),
});

export type RecordedFigure = z.infer<typeof figureSchema>;

export const testSchema = z.object({
	kind: z.literal('test'),
	/** The measurement: one of a session's, or an instrument. */
	task: z.string().min(1).max(80),
	/** The sensor whose calibration this stands for, in what is due. */
	sensor: sensorSchema.optional(),
	/** The data were simulated: kept to learn from, never evidence. */
	practice: z.boolean().optional(),
	temperatureC: z.number().min(-60).max(80).optional(),
	place: z.object({ latDeg: z.number(), lonDeg: z.number(), altM: z.number() }).optional(),
	sourceName: z.string().max(200),
	headline: z.string().max(400),
	figures: z.array(figureSchema).max(40),
	...evidenceShape,
});

export const windEntrySchema = z.object({ kind: z.literal('wind'), task: z.literal('wind'), ...windSchema.shape });

export const decisionSchema = z.object({
	kind: z.literal('decision'),
	task: z.enum(['flight', 'measurement-aside']),
	decision: z.enum(['hold', 'fly', 'aside']),
	about: z.string().max(80),
	reason: note,
	signedBy: name,
	marks: z.array(z.object({ task: z.string(), mark: markSchema })).max(400),
});

export const payloadSchema = z.discriminatedUnion('kind', [
	calibrationSchema,
	checkSchema,
	testSchema,
	windEntrySchema,
	decisionSchema,
]);
export type EntryPayload = z.infer<typeof payloadSchema>;
export type CalibrationPayload = z.infer<typeof calibrationSchema>;
export type TestPayload = z.infer<typeof testSchema>;
export type CheckPayload = z.infer<typeof checkSchema>;
export type DecisionPayload = z.infer<typeof decisionSchema>;

/** The part of an entry that is hashed. */
export const entryBodySchema = z.object({
	id,
	sessionId: id,
	aircraftId: id,
	seq: z.int().min(0),
	at: isoTime,
	by: name,
	station: stationIdSchema,
	/** The entry that this one corrects; the old one stays. */
	corrects: id.nullable(),
	payload: payloadSchema,
});
export type EntryBody = z.infer<typeof entryBodySchema>;

export const entrySchema = z.object({
	...entryBodySchema.shape,
	previous: z.string().regex(/^[0-9a-f]{64}$/),
	hash: z.string().regex(/^[0-9a-f]{64}$/),
});
export type Entry = z.infer<typeof entrySchema>;

/** One session with all it refers to. */
export const sessionFileSchema = z.object({
	format: z.literal('winglogos-session'),
	version: z.literal(1),
	exportedAt: isoTime,
	session: sessionSchema,
	aircraft: aircraftSchema,
	site: siteSchema,
	pack: packSchema.nullable(),
	entries: z.array(entrySchema),
});
export type SessionFile = z.infer<typeof sessionFileSchema>;

/** Everything, as the parts of a backup. */
export const backupSchema = z.object({
	aircraft: z.array(aircraftSchema),
	sites: z.array(siteSchema),
	packs: z.array(packSchema),
	sessions: z.array(sessionSchema),
	entries: z.array(entrySchema),
});
export type Backup = z.infer<typeof backupSchema>;

export const manifestSchema = z.object({
	format: z.literal('winglogos-backup'),
	version: z.literal(1),
	exportedAt: isoTime,
	files: z.record(z.string(), z.object({ sha256: z.string().regex(/^[0-9a-f]{64}$/), bytes: z.int().min(0) })),
});
