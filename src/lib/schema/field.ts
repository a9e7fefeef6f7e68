import { z } from 'zod';
import { altMSchema, dateSchema, judgedShape, latDegSchema, lonDegSchema } from './common';

const fromQuery = (schema: z.ZodNumber) =>
	z
		.string('is missing')
		.refine((text) => /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(text.trim()), 'must be a number')
		.transform(Number)
		.pipe(schema);

/** Query of GET /api/field. */
export const fieldQuerySchema = z.object({
	lat: fromQuery(latDegSchema),
	lon: fromQuery(lonDegSchema),
	altM: fromQuery(altMSchema),
	date: z.string('is missing').pipe(dateSchema),
});

export const fieldAnswerSchema = z.object({
	totalUt: z.number(),
	horizontalUt: z.number(),
	northUt: z.number(),
	eastUt: z.number(),
	downUt: z.number(),
	inclinationDeg: z.number(),
	declinationDeg: z.number(),
	gravityMps2: z.number(),
	model: z.string(),
	validUntil: z.string(),
	...judgedShape,
});
export type FieldAnswer = z.infer<typeof fieldAnswerSchema>;
