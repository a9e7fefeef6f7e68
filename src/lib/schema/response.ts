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

/** What a check with the propellers or the power off showed: `wrong` is all of them, or the one thing there is. */
export const checkOutcomeSchema = z.enum(['not-done', 'right', 'one-wrong', 'some-wrong', 'wrong']);
export type CheckOutcome = z.infer<typeof checkOutcomeSchema>;

export const responseRequestSchema = z.object({
	layout: layoutSchema,
	spin: z.enum(['front-inward', 'front-outward']),
	observed: z.object({
		rollRight: outcomeSchema,
		pitchForward: outcomeSchema,
		yawRight: outcomeSchema,
		throttle: outcomeSchema,
	}),
	/** Checks already done, by the codes of `nextTest`. */
	checks: z
		.object({
			'spin-check': checkOutcomeSchema,
			'motor-order-check': checkOutcomeSchema,
			'prop-inspection': checkOutcomeSchema,
			'tilt-check': checkOutcomeSchema,
			'rc-monitor': checkOutcomeSchema,
			'mode-check': checkOutcomeSchema,
		})
		.partial()
		.optional(),
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
