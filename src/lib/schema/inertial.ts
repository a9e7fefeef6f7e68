import { z } from 'zod';
import { judgedShape, mat3Schema, seriesSchema, sitePointSchema, vec3Schema } from './common';

const maybe = z.number().nullable();

export const faceSchema = z.enum(['belly', 'back', 'left', 'right', 'nose', 'tail']);
export type Face = z.infer<typeof faceSchema>;

export const accelRequestSchema = z.object({
	accel: seriesSchema,
	rawUnit: z.enum(['m/s2', 'g']),
	site: sitePointSchema.optional(),
});
export type AccelRequest = z.infer<typeof accelRequestSchema>;

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
export type GyroRequest = z.infer<typeof gyroRequestSchema>;

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
export type VibrationRequest = z.infer<typeof vibrationRequestSchema>;

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
