import { z } from 'zod';
import { judgedShape } from './common';

export const layoutSchema = z.enum(['quad-x', 'quad-plus', 'hex-x', 'hex-plus', 'octo-x', 'y6']);
export type Layout = z.infer<typeof layoutSchema>;

export const outcomeSchema = z.enum([
	'as-commanded',
	'opposite',
	'swapped-axis',
	'none',
	'squats',
	'flips',
	'spins',
	'not-tried',
]);
export type Outcome = z.infer<typeof outcomeSchema>;

export const responseRequestSchema = z.object({
	layout: layoutSchema,
	spin: z.enum(['front-inward', 'front-outward']),
	observed: z.object({
		rollRight: outcomeSchema,
		pitchForward: outcomeSchema,
		yawRight: outcomeSchema,
		throttle: outcomeSchema,
	}),
});
export type ResponseRequest = z.infer<typeof responseRequestSchema>;

export const responseAnswerSchema = z.object({
	ranked: z.array(
		z.object({
			fault: z.string(),
			motors: z.array(z.string()),
			probability: z.number(),
			why: z.string(),
			check: z.string(),
		}),
	),
	safeToContinue: z.boolean(),
	nextTest: z.object({ code: z.string(), gainBits: z.number() }),
	...judgedShape,
});
export type ResponseAnswer = z.infer<typeof responseAnswerSchema>;
