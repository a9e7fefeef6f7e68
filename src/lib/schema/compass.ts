import { z } from 'zod';
import { judgedShape, mat3Schema, seriesSchema, sitePointSchema, vec3Schema, type Series } from './common';

/** Request of POST /api/compass/fit. */
export const compassRequestSchema = z.object({
	mag: seriesSchema,
	accel: seriesSchema.optional(),
	gyro: seriesSchema.optional(),
	site: sitePointSchema.optional(),
});
export type CompassRequest = {
	mag: Series;
	accel?: Series | undefined;
	gyro?: Series | undefined;
	site?: z.infer<typeof sitePointSchema> | undefined;
};

const nullable = <T extends z.ZodType>(schema: T) => schema.nullable();

export const compassAnswerSchema = z.object({
	hardIronUt: nullable(vec3Schema),
	softIron: nullable(mat3Schema),
	fieldUt: nullable(z.number()),
	expected: z.object({ totalUt: z.number(), inclinationDeg: z.number() }).optional(),
	measuredDip: z.object({ dipDeg: z.number(), spreadDeg: z.number() }).optional(),
	residualRmsUt: nullable(z.number()),
	noiseUt: nullable(z.number()),
	coverage: nullable(
		z.object({ fraction: z.number(), largestGapDeg: z.number(), emptyDirections: z.array(vec3Schema) }),
	),
	uncertainty: nullable(z.object({ hardIronUt: vec3Schema, headingDeg: z.number() })),
	headingErrorDeg: nullable(z.object({ before: z.number(), after: z.number() })),
	headingErrors: nullable(z.array(z.object({ headingDeg: z.number(), errorDeg: z.number() }))),
	gains: nullable(vec3Schema),
	rejected: nullable(z.int()),
	samples: z.int(),
	mounting: z
		.object({
			best: z.object({ rotation: mat3Schema, yawDeg: z.number(), pitchDeg: z.number(), rollDeg: z.number() }),
			agreement: z.number(),
			runnerUp: z.number(),
		})
		.optional(),
	...judgedShape,
});
export type CompassAnswer = z.infer<typeof compassAnswerSchema>;
