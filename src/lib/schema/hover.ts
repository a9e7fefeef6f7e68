import { z } from 'zod';
import { altMSchema, checkColumns, judgedShape, latDegSchema, lonDegSchema } from './common';
import { listOf } from './lists';

const MAX_POINTS = 1_000_000;
const columnOf = (schema: z.ZodNumber) => listOf(schema, MAX_POINTS);
const time = columnOf(z.number().min(-1e9).max(1e10));
const metres = columnOf(z.number().min(-1e5).max(1e5));

const localTrackSchema = z
	.object({ t: time, north: metres, east: metres, up: metres })
	.superRefine(({ t, north, east, up }, ctx) => checkColumns({ north, east, up }, ctx, t));

const geodeticTrackSchema = z
	.object({ t: time, lat: columnOf(latDegSchema), lon: columnOf(lonDegSchema), alt: columnOf(altMSchema) })
	.superRefine(({ t, lat, lon, alt }, ctx) => checkColumns({ lat, lon, alt }, ctx, t));

export const trackSchema = z.union([localTrackSchema, geodeticTrackSchema]);

const finite = columnOf(z.number());

export const hoverRequestSchema = z.object({
	track: trackSchema,
	groundAltM: altMSchema.optional(),
	heading: z
		.object({ t: time, deg: columnOf(z.number().min(-3600).max(3600)) })
		.superRefine(({ t, deg }, ctx) => checkColumns({ deg }, ctx, t))
		.optional(),
	attitude: z
		.object({
			t: time,
			rollDeg: columnOf(z.number().min(-360).max(360)),
			pitchDeg: columnOf(z.number().min(-360).max(360)),
		})
		.superRefine(({ t, rollDeg, pitchDeg }, ctx) => checkColumns({ rollDeg, pitchDeg }, ctx, t))
		.optional(),
	quality: z
		.object({ t: time, satellites: finite.optional(), accuracyM: finite.optional() })
		.superRefine(({ t, satellites, accuracyM }, ctx) => checkColumns({ satellites, accuracyM }, ctx, t))
		.optional(),
	upSource: z.enum(['pressure', 'gps', 'fused']).optional(),
	sticks: z
		.object({ t: time, active: listOf(z.union([z.boolean(), z.number().min(0).max(1)]), MAX_POINTS) })
		.refine(({ t, active }) => t.length === active.length, { path: ['active'], message: 'must be as long as t' })
		.optional(),
	wind: z
		.object({
			fromDeg: z.number().min(0).max(360),
			speedMps: z.number().min(0).max(100),
			gustMps: z.number().min(0).max(100).optional(),
		})
		.optional(),
	hold: z.enum(['attitude', 'height', 'position']),
	setpoint: z.object({ north: z.number(), east: z.number(), up: z.number().optional() }).optional(),
	touchdown: z.object({ north: z.number(), east: z.number() }).optional(),
});
type Columns<T> = {
	[K in keyof T]: T[K] extends readonly number[] | undefined ? ArrayLike<number> | Extract<T[K], undefined> : T[K];
};
type Parsed = z.infer<typeof hoverRequestSchema>;
/** As parsed, but any column may be one handed over from a file without copying. */
export type HoverRequest = {
	[K in keyof Parsed]: K extends 'track'
		? Columns<z.infer<typeof localTrackSchema>> | Columns<z.infer<typeof geodeticTrackSchema>>
		: Parsed[K] extends { t: number[] } | undefined
			? Columns<NonNullable<Parsed[K]>> | Extract<Parsed[K], undefined>
			: Parsed[K];
};

const maybe = z.number().nullable();

export const causeSchema = z.object({ code: z.string(), probability: z.number(), why: z.string(), next: z.string() });
export type Cause = z.infer<typeof causeSchema>;

export const hoverAnswerSchema = z.object({
	durationS: maybe,
	bubble: z.object({ diameter50M: maybe, diameter95M: maybe }),
	drift: z.object({ speedMps: maybe, towardDeg: maybe }),
	spiral: z.object({
		present: z.boolean().nullable(),
		confidence: maybe,
		evidence: maybe,
		periodS: maybe,
		growthPerTurn: maybe,
		sense: z.enum(['cw', 'ccw']).nullable(),
		compassErrorDeg: maybe,
		compassErrorSigmaDeg: maybe,
		excludedAboveDeg: maybe,
		/** From the track alone, and from roll and pitch beside it, where the log holds them. */
		fromTrack: z.object({ errorDeg: z.number(), sigmaDeg: z.number() }).nullable(),
		fromTilt: z.object({ errorDeg: z.number(), sigmaDeg: z.number() }).nullable(),
	}),
	height: z.object({ stdM: maybe, driftMps: maybe, oscillationHz: maybe, oscillationM: maybe }),
	yaw: z.object({ driftDegps: z.number(), stdDeg: z.number() }).optional(),
	landingErrorM: z.number().optional(),
	jumps: z.int(),
	causes: z.array(causeSchema),
	...judgedShape,
});
export type HoverAnswer = z.infer<typeof hoverAnswerSchema>;

export const twoHoversAnswerSchema = z.object({
	turnedDeg: z.number(),
	wind: z.object({ speedMps: z.number(), fromDeg: z.number(), sigmaMps: z.number() }).nullable(),
	/** What the level reads while the aircraft stands still in the air: roll right and pitch nose-up positive. */
	trim: z.object({ rollDeg: z.number(), pitchDeg: z.number(), sigmaDeg: z.number(), speedMps: z.number() }).nullable(),
	...judgedShape,
});
export type TwoHoversAnswer = z.infer<typeof twoHoversAnswerSchema>;

export const legAnswerSchema = z.object({
	compassErrorDeg: maybe,
	sigmaDeg: maybe,
	courseDeg: maybe,
	...judgedShape,
});
export type LegAnswer = z.infer<typeof legAnswerSchema>;
