import { z } from 'zod';
import { judgedShape } from './common';
import { listOf } from './lists';

const bearing = z.number().min(0).max(360);
const distance = z.number().min(0).max(10_000);

export const landingPointSchema = z
	.object({
		/** From the mark to where it came down. */
		distanceM: distance.optional(),
		paces: distance.optional(),
		/** From the mark, from true north. */
		bearingDeg: bearing,
		how: z.enum(['paces', 'tape', 'track']),
		/** The same words, the same power-up: one stored home. */
		powerUp: z.string().max(80),
		/** Seen to circle on the way down. */
		circling: z.boolean().optional(),
	})
	.refine(({ distanceM, paces }) => (distanceM === undefined) !== (paces === undefined), {
		message: 'needs either distanceM or paces',
	});

export const landingRequestSchema = z.object({
	receiver: z.enum(['plain', 'differential', 'rtk']),
	barometer: z.boolean().default(true),
	points: listOf(landingPointSchema, 200),
	stepM: z.number().min(0.3).max(1.5).default(0.75),
	barM: z.number().min(0.1).max(100).optional(),
	wind: z.object({ fromDeg: bearing, speedMps: z.number().min(0).max(100) }).optional(),
});
export type LandingRequest = z.output<typeof landingRequestSchema>;
export type LandingPoint = LandingRequest['points'][number];

const maybe = z.number().nullable();

export const landingAnswerSchema = z.object({
	n: z.int(),
	powerUps: z.int(),
	meanOffset: z.object({
		distanceM: maybe,
		bearingDeg: maybe,
		northM: maybe,
		eastM: maybe,
		sigmaM: z.tuple([maybe, maybe]),
		ellipse95: z.object({ majorM: maybe, minorM: maybe, bearingDeg: maybe }),
	}),
	radius: z.object({ r50M: maybe, r50LowM: maybe, r50HighM: maybe, r95M: maybe, r95LowM: maybe, r95HighM: maybe }),
	withinBarProbability: maybe,
	barM: z.number(),
	systematic: z.object({ p: maybe, present: z.boolean() }),
	scatter: z.object({ factor: maybe, largeProbability: maybe }),
	more: z.object({ landings: z.int(), perPowerUp: z.literal(1) }).nullable(),
	suspicion: z.array(
		z.object({ code: z.enum(['home-point', 'compass-or-fix', 'wind-in-descent']), why: z.string(), next: z.string() }),
	),
	...judgedShape,
});
export type LandingAnswer = z.infer<typeof landingAnswerSchema>;
