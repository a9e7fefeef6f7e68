import { z } from 'zod';
import { mat3Schema, reasonSchema, vec3Schema, verdictSchema } from './common';
import { statedFactSchema, usedFactSchema } from './facts';
import {
	eventExtentSchema,
	id,
	isoTime,
	markSchema,
	name,
	note,
	sensorSchema,
	sessionKindSchema,
	stationIdSchema,
	windSchema,
	crewSchema,
	occasionSchema,
	venueSchema,
} from './records';

/**
 * How a thing was known: by a log, live data or film; as a figure on the aircraft's own screen; by eye, paces or stopwatch; by the
 * aircraft's own routine; calculated from facts in force; told by somebody; simulated, or with a phone in hand instead of the aircraft.
 */
export const gradeSchema = z.enum(['measured', 'read-off', 'seen', 'guided', 'calculated', 'told', 'rehearsed']);
export type Grade = z.infer<typeof gradeSchema>;

/** Entries of before grades were kept have none; the evidence rules say what they are worth. */
const gradeShape = { grade: gradeSchema.optional() };
const evidenceShape = { verdict: verdictSchema, reasons: z.array(reasonSchema), ...gradeShape };
const place = z.object({ latDeg: z.number(), lonDeg: z.number(), altM: z.number() });
const task = z.string().min(1).max(80);

/** Values that an entry states, and those that it was computed with. */
const factShape = {
	states: z.array(statedFactSchema).max(40).optional(),
	uses: z.array(usedFactSchema).max(40).optional(),
};
/** Seconds in the air that the entry stands for, which the battery paid for. */
const flownShape = { flownS: z.number().min(0).max(36_000).optional() };

/** What was seen. `task` names what it is evidence for: the item of a checklist, or a measurement. */
export const calibrationSchema = z.object({
	kind: z.literal('calibration'),
	task: z.literal('compass'),
	accepted: z.enum(['accepted', 'kept-aside']),
	/** Of entries before grades: the data were simulated. */
	practice: z.boolean().optional(),
	sourceName: z.string().max(200),
	hardIronUt: vec3Schema,
	/** One standard deviation of each offset; older records have none. */
	hardIronSigmaUt: vec3Schema.optional(),
	softIron: mat3Schema,
	fieldUt: z.number(),
	headingSigmaDeg: z.number(),
	headingBeforeDeg: z.number(),
	headingAfterDeg: z.number(),
	samples: z.int(),
	rejected: z.int(),
	/** Where it was turned; left out where no place was entered. */
	place: place.optional(),
	...factShape,
	...evidenceShape,
});
export type CalibrationPayload = z.infer<typeof calibrationSchema>;

/** What an aircraft did on the ground that it should not have. */
export const oddSchema = z.enum(['opposite', 'swapped-axis', 'none', 'squats', 'flips', 'spins']);
export type Odd = z.infer<typeof oddSchema>;

export const checkSchema = z.object({
	kind: z.literal('check'),
	task,
	/** `aside` only in entries of before setting aside was an entry of its own. */
	outcome: z.enum(['done', 'doubtful', 'failed', 'aside']),
	value: z.number().nullable(),
	unit: z.string().max(40),
	waitedS: z.number().min(0).nullable(),
	reason: note,
	/** What a nudge showed instead. */
	odd: oddSchema.optional(),
	/** The second person, who heard it and agreed. */
	confirmedBy: name.optional(),
	/** Entries of the stage that the second person confirms with this one. */
	confirms: z.array(id).min(1).max(400).optional(),
	/** What was done about the problem that an earlier answer found. */
	remedy: z.string().trim().min(1).max(400).optional(),
	...flownShape,
	...factShape,
	...gradeShape,
});
export type CheckPayload = z.infer<typeof checkSchema>;

const figureSchema = z.object({
	/** Its id in the catalogue of figures; records made before there was one have a label alone. */
	id: z.string().max(120).optional(),
	label: z.string(),
	value: z.number().nullable(),
	unit: z.string(),
	sigma: z.number().optional(),
});
export type RecordedFigure = z.infer<typeof figureSchema>;

/** What troubleshooting came to: sign, cause, remedy, whether it worked, and what follows for the session. */
const troubleshootingSchema = z.object({
	sign: z.string().max(400),
	cause: z.string().max(400),
	remedy: z.string().max(400),
	outcome: z.enum(['open', 'gone', 'persists', 'ask-maker']),
	/** Nothing is tried with propellers on until a change is logged. */
	locked: z.boolean(),
	/** Tasks of the session to do again. */
	reopens: z.array(task).max(60),
});

export const testSchema = z.object({
	kind: z.literal('test'),
	/** The measurement: one of a session's, or an instrument. */
	task,
	/** The sensor whose calibration this stands for, in what is due. */
	sensor: sensorSchema.optional(),
	/** Of entries before grades: the data were simulated. */
	practice: z.boolean().optional(),
	temperatureC: z.number().min(-60).max(80).optional(),
	place: place.optional(),
	sourceName: z.string().max(200),
	headline: z.string().max(400),
	figures: z.array(figureSchema).max(40),
	troubleshooting: troubleshootingSchema.optional(),
	...flownShape,
	...factShape,
	...evidenceShape,
});
export type TestPayload = z.infer<typeof testSchema>;

export const windEntrySchema = z.object({
	kind: z.literal('wind'),
	task: z.literal('wind'),
	...windSchema.shape,
	...gradeShape,
});

/** A thing left undone, by itself and with its own reason. */
export const asideSchema = z.object({
	kind: z.literal('aside'),
	task,
	reason: note,
	signedBy: name,
	/** What it is, in words; older entries do not say. */
	about: z.string().max(400).optional(),
	/** The station at which it comes back in the next session; left out where it does not. */
	dueAt: stationIdSchema.optional(),
});

/** A photo of a task: it stands beside the record, its checksum in it. */
export const photoEntrySchema = z.object({
	kind: z.literal('photo'),
	task,
	photoId: id,
	caption: z.string().max(200),
	sha256: z.string().regex(/^[0-9a-f]{64}$/),
});

/** What happened during the session, and so undoes what was seen before it. */
export const eventKindSchema = z.enum([
	'new',
	'firmware',
	'settings',
	'knock',
	'part',
	'cleaned',
	'prompt',
	'odd-flight',
	'journey',
	'unplugged',
]);
export type EventKind = z.infer<typeof eventKindSchema>;
export const eventEntrySchema = z.object({
	kind: z.literal('event'),
	task: z.literal('event'),
	what: eventKindSchema,
	note,
	...eventExtentSchema.shape,
});

export const decisionSchema = z.object({
	kind: z.literal('decision'),
	/** `measurement-aside` only in entries of before setting aside was an entry of its own. */
	task: z.enum(['arm', 'flight', 'measurement-aside']),
	decision: z.enum(['hold', 'fly', 'aside']),
	about: z.string().max(80),
	reason: note,
	signedBy: name,
	marks: z.array(z.object({ task: z.string(), mark: markSchema })).max(400),
	/** The limits in force, in plain words with their units. */
	limits: z
		.array(
			z.object({
				label: z.string().max(120),
				value: z.union([z.number(), z.string().max(120)]),
				unit: z.string().max(40),
				/** How each was known at the decision. */
				source: z.string().max(200).optional(),
			}),
		)
		.max(40)
		.optional(),
});
export type DecisionPayload = z.infer<typeof decisionSchema>;

/** The flight itself: off the ground, on it again, and what was noted meanwhile. */
export const flightSchema = z.object({
	kind: z.literal('flight'),
	task: z.literal('flying'),
	what: z.enum(['took-off', 'landed', 'note', 'touched-down']),
	note,
	/** Minutes after takeoff by which it should be down, as shown at takeoff. */
	landAfterMin: z.number().positive().max(600).nullable(),
	/** Minutes after takeoff by which it should turn back; with `took-off`, where a return was planned. */
	turnBackMin: z.number().min(0).max(600).nullable().optional(),
	/** Seconds in the air as the page counted them, whatever the clock of the device did; with `landed`. */
	airborneS: z.number().min(0).optional(),
	/** Seconds by which the clock of the device was moved during the flight, where it was; with `landed`. */
	clockStepS: z.number().optional(),
	/** What decided each of the two, and the charge at takeoff they were computed from. */
	clock: z
		.object({
			landBy: z.enum(['flights', 'stated', 'typed', 'return', 'none']),
			turnBack: z.enum(['plan', 'land-by', 'none']),
			startPct: z.number().min(0).max(100).nullable(),
		})
		.optional(),
	/** Where it came down, measured from its mark; with `touched-down`. */
	landing: z
		.object({
			distanceM: z.number().min(0).max(10_000),
			bearingDeg: z.number().min(0).max(360),
			how: z.enum(['paces', 'tape', 'track']),
			/** The power-up it belongs to: one stored home. */
			powerUp: z.string().max(120),
			circling: z.boolean(),
		})
		.optional(),
});

export type FlightPayload = z.infer<typeof flightSchema>;

/**
 * What the session is: the first entry of a chain, and one more for every change. The aircraft, place and pack stand in it as they
 * were then, whatever fields they had.
 */
export const sessionEntrySchema = z.object({
	kind: z.literal('session'),
	task: z.literal('session'),
	what: z.enum(['begun', 'changed', 'ended', 'reopened']),
	purpose: sessionKindSchema,
	title: name,
	pilot: name,
	occasion: occasionSchema.optional(),
	venue: venueSchema.optional(),
	crew: z.array(crewSchema).max(12).optional(),
	signals: z.string().max(400).optional(),
	startedAt: isoTime,
	endedAt: isoTime.nullable(),
	aircraft: z.looseObject({ id, name }),
	site: z.looseObject({ id, name }).nullable(),
	pack: z.looseObject({ id, name }).nullable(),
	/** Every change of aircraft, site and battery while the session runs is an entry; left out before it was so. */
	follows: z.literal(true).optional(),
	reason: note,
});
export type SessionPayload = z.infer<typeof sessionEntrySchema>;

export const payloadSchema = z.discriminatedUnion('kind', [
	sessionEntrySchema,
	calibrationSchema,
	checkSchema,
	testSchema,
	windEntrySchema,
	asideSchema,
	eventEntrySchema,
	decisionSchema,
	flightSchema,
	photoEntrySchema,
]);
export type EntryPayload = z.infer<typeof payloadSchema>;

/** The part of an entry that is hashed. */
export const entryBodySchema = z.object({
	id,
	sessionId: id,
	aircraftId: id,
	seq: z.int().min(0),
	at: isoTime,
	/** Minutes that the writer's clock was ahead of UTC; older entries do not say. */
	zoneMin: z.int().min(-960).max(960).optional(),
	by: name,
	station: stationIdSchema,
	/** The entry that this one corrects; the old one stays. */
	corrects: id.nullable(),
	payload: payloadSchema,
});
export type EntryBody = z.infer<typeof entryBodySchema>;

export const hashSchema = z.string().regex(/^[0-9a-f]{64}$/, 'must be 64 hexadecimal digits');
export const entrySchema = z.object({ ...entryBodySchema.shape, previous: hashSchema, hash: hashSchema });
export type Entry = z.infer<typeof entrySchema>;
