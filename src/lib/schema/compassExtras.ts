import { z } from 'zod';
import { judgedShape, mat3Schema, vec3Schema } from './common';

const maybe = z.number().nullable();

export const interferenceAnswerSchema = z.object({
	/** Shift of the reading per unit of load (A, or the whole of throttle), µT, sensor axes, with one sigma. */
	perLoadUt: vec3Schema.nullable(),
	perLoadSigmaUt: vec3Schema.nullable(),
	hoverShiftUt: maybe,
	/** Worst error of a level heading at hover and at full load, degrees, with one sigma of the first. */
	headingAtHoverDeg: maybe,
	headingAtHoverSigmaDeg: maybe,
	headingAtFullDeg: maybe,
	/** Share of the readings' movement that the load explains, 0..1. */
	explained: maybe,
	...judgedShape,
});
export type InterferenceAnswer = z.infer<typeof interferenceAnswerSchema>;

export const pairAnswerSchema = z.object({
	rotation: mat3Schema.nullable(),
	/** Turn of the second about the vertical against the first, degrees clockwise. */
	yawDeg: maybe,
	meanDeg: maybe,
	worstDeg: maybe,
	samples: z.int(),
	series: z.object({ t: z.array(z.number()), deg: z.array(z.number()) }).nullable(),
	...judgedShape,
});
export type PairAnswer = z.infer<typeof pairAnswerSchema>;

export const surveyAnswerSchema = z.object({
	medianUt: maybe,
	modelUt: maybe,
	worstUt: maybe,
	worstAt: z.object({ north: z.number(), east: z.number() }).nullable(),
	cleanShare: maybe,
	/** The middle of the largest undisturbed stretch. */
	cleanAt: z.object({ north: z.number(), east: z.number() }).nullable(),
	points: z.array(z.object({ north: z.number(), east: z.number(), deviationUt: z.number() })),
	...judgedShape,
});
export type SurveyAnswer = z.infer<typeof surveyAnswerSchema>;
