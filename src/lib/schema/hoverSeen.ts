import { z } from 'zod';
import { judgedShape } from './common';
import { listOf } from './lists';

const turn = z.number().min(0).max(360);
const distanceSchema = z.object({ value: z.number().min(0).max(1000), unit: z.enum(['steps', 'lengths', 'm']) });
const sector = turn.refine((deg) => deg % 45 === 0, { message: 'must be a multiple of 45' });
const seconds = z.number().min(0).max(600);
const frame = z.enum(['nose', 'wind', 'north']);

export const SEEN_KINDS = [
	'still',
	'creeping',
	'circling',
	'bobbing',
	'rising',
	'sinking',
	'wobble',
	'twitch',
] as const;
export type SeenKind = (typeof SEEN_KINDS)[number];

/** A state that was seen from a moment on, until the next one. */
export const seenMarkSchema = z
	.object({
		t: seconds,
		kind: z.enum(SEEN_KINDS),
		dirDeg: sector.optional(),
		frame: frame.optional(),
		/** Left is counter-clockwise seen from above. */
		sense: z.enum(['left', 'right']).optional(),
	})
	.superRefine(({ kind, dirDeg, frame: of, sense }, ctx) => {
		const lacks = (path: string) => ctx.addIssue({ code: 'custom', path: [path], message: `is missing for ${kind}` });
		if (kind === 'circling' && sense === undefined) lacks('sense');
		if (kind === 'creeping' && dirDeg === undefined) lacks('dirDeg');
		if (kind === 'creeping' && of === undefined) lacks('frame');
	});

const creepSchema = z
	.object({
		t0: seconds,
		t1: seconds,
		dirDeg: sector,
		frame,
		distance: distanceSchema,
		/** It stood still when it was let go. */
		fromRest: z.boolean().default(false),
	})
	.refine(({ t0, t1 }) => t1 > t0, { path: ['t1'], message: 'must be after t0' });

const viewSchema = z
	.object({
		/** The flight: the same for all who watched it. */
		hover: z.string().min(1).max(80),
		person: z.string().max(80),
		durationS: z.number().min(1).max(600),
		heightM: z.number().min(0).max(120),
		viewM: z.number().min(1).max(200).optional(),
		noseDeg: turn.optional(),
		stoppedEarly: z.boolean().default(false),
		marks: listOf(seenMarkSchema, 500),
		farthest: distanceSchema.optional(),
		circleS: z.number().min(0.5).max(120).optional(),
		creep: listOf(creepSchema, 40).optional(),
	})
	.superRefine(({ marks, durationS }, ctx) => {
		for (let i = 0; i < marks.length; i++) {
			const path = ['marks', i, 't'];
			if (marks[i].t > durationS) ctx.addIssue({ code: 'custom', path, message: 'is after the end of the hover' });
			if (i > 0 && marks[i].t < marks[i - 1].t)
				ctx.addIssue({ code: 'custom', path, message: 'marks must stand in order of time' });
		}
	});
export type SeenView = z.output<typeof viewSchema>;

export const hoverSeenRequestSchema = z.object({
	hold: z.enum(['attitude', 'height', 'position']),
	aircraft: z.object({ lengthM: z.number().min(0.05).max(5) }),
	stepM: z.number().min(0.3).max(1.5).default(0.75),
	wind: z
		.object({
			scale: z.int().min(0).max(8).optional(),
			speedMps: z.number().min(0).max(60).optional(),
			sigmaMps: z.number().min(0).max(60).optional(),
			fromDeg: turn.optional(),
			heightM: z.number().positive().max(500).default(10),
		})
		.refine(({ scale, speedMps }) => (scale === undefined) !== (speedMps === undefined), {
			message: 'needs either scale or speedMps',
		})
		.optional(),
	/** The compass has accepted evidence of its own: a fit, a bearing, a straight leg, a log. */
	compassChecked: z.boolean().default(false),
	limits: z.object({ distanceM: z.number().min(0.1).max(50).default(2.5) }).default({ distanceM: 2.5 }),
	views: listOf(viewSchema, 40, 1),
});
export type HoverSeenRequest = z.output<typeof hoverSeenRequestSchema>;

const maybe = z.number().nullable();
const pair = z.tuple([z.number(), z.number()]);
export const seenCategorySchema = z.enum(['none', 'some', 'mostly']);
export type SeenCategory = z.infer<typeof seenCategorySchema>;

export const hoverSeenAnswerSchema = z.object({
	circling: z.object({
		probability: maybe,
		category: seenCategorySchema.nullable(),
		sense: z.enum(['cw', 'ccw']).nullable(),
		periodS: maybe,
	}),
	compassErrorDeg: maybe,
	compassErrorSigmaDeg: maybe,
	sizeDeg: maybe,
	sizeSigmaDeg: maybe,
	excludedAboveDeg: maybe,
	farthestM: maybe,
	farthestSigmaM: maybe,
	stillShare: maybe,
	persons: z.array(z.object({ person: z.string(), hover: z.string(), category: seenCategorySchema })),
	drift: z.object({ windMps: pair, windSigmaMps: pair, trimMps: pair, trimSigmaMps: pair }).optional(),
	causes: z.array(z.object({ code: z.string(), probability: z.number(), why: z.string(), next: z.string() })),
	clears: z.literal('held-its-place').nullable(),
	...judgedShape,
});
export type HoverSeenAnswer = z.infer<typeof hoverSeenAnswerSchema>;
