import { z } from 'zod';
import { judgedShape } from './common';
import { responseRequestSchema } from './response';
import { listOf } from './lists';

export const symptomKindSchema = z.enum(['camera', 'multirotor', 'wing', 'sprayer', 'racer', 'longrange', 'toy']);
export type SymptomKind = z.infer<typeof symptomKindSchema>;
export const PHASES = ['bench', 'power-up', 'arming', 'ground', 'hover', 'flight', 'landing', 'after'] as const;
export const recentEventSchema = z.enum(['new', 'firmware', 'knock', 'part', 'journey', 'storage', 'nothing']);
export type RecentEvent = z.infer<typeof recentEventSchema>;

const id = z.string().min(1).max(80);

export const symptomRequestSchema = z.object({
	kind: symptomKindSchema,
	/** Equipment where it differs from what the kind usually has. */
	has: z
		.object({ compasses: z.int().min(0).max(4), position: z.boolean(), camera: z.boolean() })
		.partial()
		.default({}),
	recent: listOf(recentEventSchema, 7).default([]),
	observations: listOf(
		z.object({
			id,
			state: z.enum(['present', 'absent', 'unknown']),
			/** The finder asked; else the pilot told it unasked. */
			asked: z.boolean().default(false),
		}),
		40,
	),
	reached: z.enum(PHASES).optional(),
	tests: listOf(z.object({ id, outcome: id }), 40).default([]),
	response: responseRequestSchema.omit({ checks: true }).optional(),
	remedies: listOf(z.object({ cause: id, result: z.enum(['gone', 'persists']) }), 10).default([]),
	place: z.enum(['bench', 'field', 'any']).default('any'),
	skip: listOf(id, 100).default([]),
});
export type SymptomRequest = z.output<typeof symptomRequestSchema>;

const evidenceSchema = z.object({
	from: z.enum(['observation', 'test', 'silence', 'response', 'remedy']),
	id: z.string().optional(),
	bits: z.number(),
});
export type SymptomEvidence = z.infer<typeof evidenceSchema>;
const offeredSchema = z.object({
	test: z.string(),
	gainBits: z.number(),
	costMinutes: z.number(),
	/** The test with propellers on that this look comes before. */
	before: z.string().optional(),
});
export type OfferedTest = z.infer<typeof offeredSchema>;
export const WITHHELD = [
	'danger',
	'locked',
	'fire',
	'not-looked-at',
	'not-reached',
	'none-too-likely',
	'place',
] as const;
export type WhyWithheld = (typeof WITHHELD)[number];

export const symptomAnswerSchema = z.object({
	ranked: z.array(
		z.object({
			cause: z.string(),
			group: z.string(),
			text: z.string(),
			probability: z.number(),
			danger: z.int().min(0).max(3),
			alsoWith: z.object({ cause: z.string(), probability: z.number() }).optional(),
			for: z.array(evidenceSchema),
			against: z.array(evidenceSchema),
			remedy: z.string(),
			repeat: z.array(z.object({ id: z.string(), text: z.string(), at: z.string() })),
		}),
	),
	pairs: z.array(z.object({ causes: z.tuple([z.string(), z.string()]), probability: z.number() })),
	groups: z.array(z.object({ group: z.string(), probability: z.number() })),
	noneOfThese: z.number().nullable(),
	entropyBits: z.number().nullable(),
	danger: z.object({
		level2: z.number().nullable(),
		level3: z.number().nullable(),
		fire: z.number().nullable(),
		locked: z.boolean(),
		lockedBy: z.array(z.string()),
	}),
	questions: z.array(z.object({ id: z.string(), text: z.string(), gainBits: z.number() })),
	next: offeredSchema.nullable(),
	tests: z.array(offeredSchema),
	withheld: z.array(z.object({ test: z.string(), why: z.enum(WITHHELD) })),
	handOver: z.object({ to: z.literal('ground-response'), why: z.string() }).optional(),
	stop: z.object({ state: z.enum(['go-on', 'settled', 'nothing-left', 'ask-maker', 'limit']), text: z.string() }),
	...judgedShape,
});
export type SymptomAnswer = z.infer<typeof symptomAnswerSchema>;
