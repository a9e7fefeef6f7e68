import { z } from 'zod';
import { judgedShape, mat3Schema, seriesSchema, sitePointSchema, vec3Schema, type Series } from './common';
import { listOf } from './lists';

const maybe = z.number().nullable();

export const faceSchema = z.enum(['belly', 'back', 'left', 'right', 'nose', 'tail']);
export type Face = z.infer<typeof faceSchema>;

export const accelRequestSchema = z.object({
	accel: seriesSchema,
	rawUnit: z.enum(['m/s2', 'g']),
	site: sitePointSchema.optional(),
	/** The faces that the aircraft's own recipe asks for; all six where it is left out. */
	faces: listOf(faceSchema, 6, 1).optional(),
});
export type AccelRequest = Omit<z.infer<typeof accelRequestSchema>, 'accel'> & { accel: Series };

export const accelAnswerSchema = z.object({
	offsetMps2: vec3Schema.nullable(),
	matrix: mat3Schema.nullable(),
	determined: z.array(z.string()),
	poses: z.array(
		z.object({
			face: faceSchema,
			tStart: z.number(),
			tEnd: z.number(),
			tiltDeg: z.number(),
			stillnessMps2: z.number(),
		}),
	),
	missingFaces: z.array(faceSchema),
	residualRmsMps2: maybe,
	uncertainty: z.object({ offsetMps2: vec3Schema }).nullable(),
	gravityMps2: z.number(),
	levelErrorDeg: maybe,
	...judgedShape,
});
export type AccelAnswer = z.infer<typeof accelAnswerSchema>;

export const gyroRequestSchema = z.object({ gyro: seriesSchema });
export type GyroRequest = { gyro: Series };

export const gyroAnswerSchema = z.object({
	biasRadps: vec3Schema.nullable(),
	noiseDensityRadpsRtHz: vec3Schema.nullable(),
	biasInstabilityRadps: vec3Schema.nullable(),
	moved: z.boolean().nullable(),
	driftRadps: vec3Schema.nullable(),
	allan: z
		.object({ tau: z.array(z.number()), x: z.array(z.number()), y: z.array(z.number()), z: z.array(z.number()) })
		.nullable(),
	...judgedShape,
});
export type GyroAnswer = z.infer<typeof gyroAnswerSchema>;

const meanSchema = z.object({
	accel: z.tuple([z.number().min(-1e6).max(1e6), z.number().min(-1e6).max(1e6), z.number().min(-1e6).max(1e6)]),
});

export const mountingRequestSchema = z.object({
	gestures: z.object({ level: meanSchema, noseUp: meanSchema, rightDown: meanSchema }),
});
export type MountingRequest = z.infer<typeof mountingRequestSchema>;

export const mountingAnswerSchema = z.object({
	rotation: mat3Schema.nullable(),
	steps: z.string(),
	yawDeg: maybe,
	pitchDeg: maybe,
	rollDeg: maybe,
	agreementDeg: maybe,
	runnerUpDeg: maybe,
	...judgedShape,
});
export type MountingAnswer = z.infer<typeof mountingAnswerSchema>;

export const vibrationRequestSchema = z.object({
	accel: seriesSchema,
	gyro: seriesSchema.optional(),
	rotorHz: z.number().positive().max(5000).optional(),
});
export type VibrationRequest = { accel: Series; gyro?: Series | undefined; rotorHz?: number | undefined };

const spectrumColumns = z.object({
	hz: z.array(z.number()),
	x: z.array(z.number()),
	y: z.array(z.number()),
	z: z.array(z.number()),
});

export const vibrationAnswerSchema = z.object({
	sampleRateHz: maybe,
	rms: vec3Schema.nullable(),
	peaks: z.array(
		z.object({ hz: z.number(), amplitude: z.number(), axis: z.enum(['x', 'y', 'z']), likely: z.string() }),
	),
	clippedPct: maybe,
	spectrum: spectrumColumns.nullable(),
	...judgedShape,
});
export type VibrationAnswer = z.infer<typeof vibrationAnswerSchema>;

const attitudeSchema = z.object({ rollDeg: z.number().min(-45).max(45), pitchDeg: z.number().min(-45).max(45) });

export const levelRequestSchema = z.object({
	/** Mean specific force at rest, m/s², body axes; the second after turning the aircraft by half a turn on the spot. */
	first: vec3Schema,
	second: vec3Schema.nullable(),
	/** Attitude that shall read as level: a wing flies nose-up by its own figure. */
	wanted: attitudeSchema,
	/** One sigma of a mean reading, m/s². */
	sigmaMps2: z.number().min(0).max(10),
});
export type LevelRequest = z.infer<typeof levelRequestSchema>;

export const levelAnswerSchema = z.object({
	/** What to enter so that the wanted attitude reads as wanted; the surface's own tilt taken out where measured twice. */
	trim: attitudeSchema.nullable(),
	sigmaDeg: maybe,
	reading: attitudeSchema.nullable(),
	surfaceTiltDeg: maybe,
	surfaceTowardDeg: maybe,
	/** Sideways acceleration that the error makes where nothing corrects it, and metres after five seconds. */
	driftMps2: maybe,
	driftAfter5sM: maybe,
	...judgedShape,
});
export type LevelAnswer = z.infer<typeof levelAnswerSchema>;

export const pressureAnswerSchema = z.object({
	noiseM: maybe,
	driftMPerMin: maybe,
	/** Height error per unit of the disturbing column (throttle 0..1, wind m/s), with one sigma. */
	perDisturbance: maybe,
	perDisturbanceSigma: maybe,
	swingM: maybe,
	...judgedShape,
});
export type PressureAnswer = z.infer<typeof pressureAnswerSchema>;
