import { z } from 'zod';
import { judgedShape } from './common';

const maybe = z.number().nullable();

export const flowRequestSchema = z.object({
	/** What each nozzle gave, litres, in the time it was collected. */
	nozzles: z
		.array(z.object({ name: z.string().min(1).max(60), litres: z.number().min(0).max(1000) }))
		.min(1)
		.max(64),
	collectedS: z.number().positive().max(36_000),
	/** Flow that is set for the whole aircraft, L/min. */
	setLPerMin: z.number().positive().max(1000),
	speedKmh: z.number().positive().max(200),
	swathM: z.number().positive().max(200),
	/** Flow that the aircraft itself shows, where it does. */
	shownLPerMin: z.number().min(0).max(1000).nullable(),
});
export type FlowRequest = z.infer<typeof flowRequestSchema>;

export const flowAnswerSchema = z.object({
	flowLPerMin: z.number(),
	errorPct: z.number(),
	/** Factor to put on the setting. */
	correction: maybe,
	meterErrorPct: maybe,
	nozzleCvPct: maybe,
	nozzles: z.array(z.object({ name: z.string(), lPerMin: z.number(), deviationPct: z.number() })),
	ratePerHa: z.number(),
	rateSetPerHa: z.number(),
	...judgedShape,
});
export type FlowAnswer = z.infer<typeof flowAnswerSchema>;

export const feedRequestSchema = z.object({
	setRpm: z.number().positive().max(10_000),
	turns: z.number().positive().max(1e6),
	seconds: z.number().positive().max(36_000),
	collectedG: z.number().min(0).max(1e6),
	speedKmh: z.number().positive().max(200),
	swathM: z.number().positive().max(200),
	wantedKgPerHa: z.number().positive().max(10_000),
	fanSetRpm: z.number().positive().max(100_000).nullable(),
	fanRpm: z.number().min(0).max(100_000).nullable(),
});
export type FeedRequest = z.infer<typeof feedRequestSchema>;

export const feedAnswerSchema = z.object({
	rpm: z.number(),
	rpmErrorPct: z.number(),
	gPerTurn: z.number(),
	kgPerMin: z.number(),
	kgPerHa: z.number(),
	setForWantedRpm: maybe,
	fanErrorPct: maybe,
	...judgedShape,
});
export type FeedAnswer = z.infer<typeof feedAnswerSchema>;

export const ceilingRequestSchema = z.object({
	ceilingM: z.number().positive().max(200),
	/** Height that the aircraft keeps above whatever lies under it. */
	holdM: z.number().positive().max(100),
	marginM: z.number().min(0).max(20),
	things: z.array(z.object({ name: z.string().min(1).max(60), heightM: z.number().min(0).max(100) })).max(100),
	/** With a downward sensor it keeps its height above furniture; without, above the floor it rose from. */
	followsSurface: z.boolean(),
});
export type CeilingRequest = z.infer<typeof ceilingRequestSchema>;

export const ceilingAnswerSchema = z.object({
	clearanceM: z.number(),
	worst: z.string(),
	highestHoldM: z.number(),
	...judgedShape,
});
export type CeilingAnswer = z.infer<typeof ceilingAnswerSchema>;

/** A rectangle of a picture, pixels. */
export const areaSchema = z.object({
	x: z.int().min(0),
	y: z.int().min(0),
	width: z.int().min(8),
	height: z.int().min(8),
});
export type Area = z.infer<typeof areaSchema>;

export const sharpnessAnswerSchema = z.object({
	/** Width of the edges found, pixels, between 10 and 90 % of the step; null without edges. */
	edgePx: maybe,
	edgeSigmaPx: maybe,
	edges: z.int(),
	contrast: z.number(),
	...judgedShape,
});
export type SharpnessAnswer = z.infer<typeof sharpnessAnswerSchema>;

export const textureAnswerSchema = z.object({
	/** Share of the surface on which a feature can be followed, 0..1. */
	cornerShare: z.number(),
	contrast: z.number(),
	/** How much of the pattern repeats itself, 0..1: high means that one place looks like the next. */
	repetition: z.number(),
	brightness: z.number(),
	...judgedShape,
});
export type TextureAnswer = z.infer<typeof textureAnswerSchema>;
