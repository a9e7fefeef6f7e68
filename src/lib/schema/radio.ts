import { z } from 'zod';
import { judgedShape } from './common';

const maybe = z.number().nullable();

/** What a recording tells of one stick; values −1 to 1, null where it was not seen. */
export const stickReportSchema = z.object({
	name: z.string(),
	selfCentring: z.boolean(),
	centre: maybe,
	low: z.number(),
	high: z.number(),
	hysteresis: maybe,
	jitter: maybe,
	deadBand: maybe,
	asymmetry: maybe,
	bend: maybe,
	moved: z.boolean(),
});
export type StickReport = z.infer<typeof stickReportSchema>;

export const sticksAnswerSchema = z.object({ sticks: z.array(stickReportSchema), ...judgedShape });
export type SticksAnswer = z.infer<typeof sticksAnswerSchema>;

export const functionSchema = z.enum(['roll', 'pitch', 'yaw', 'throttle']);
export type StickFunction = z.infer<typeof functionSchema>;

export const orderAnswerSchema = z.object({
	channels: z.array(
		z.object({
			function: functionSchema,
			channel: z.int().nullable(),
			reversed: z.boolean().nullable(),
			/** Share of the movement that was in this channel, 0..1. */
			share: z.number(),
		}),
	),
	steps: z.string(),
	...judgedShape,
});
export type OrderAnswer = z.infer<typeof orderAnswerSchema>;

const level = z.number().min(-1.5).max(1.5);

export const switchesRequestSchema = z.object({
	/** Every switch or button of the radio: its channel and the value in each of its positions; the first is where it rests. */
	switches: z
		.array(
			z.object({
				name: z.string().min(1).max(60),
				channel: z.int().min(1).max(32),
				positions: z.array(level).min(1).max(8),
			}),
		)
		.max(32),
	/** What the aircraft does while a channel lies within a range. */
	ranges: z
		.array(
			z.object({
				does: z.string().min(1).max(60),
				role: z.enum(['arm', 'pre-arm', 'flight', 'return', 'self-righting', 'beeper', 'throttle-cut', 'other']),
				channel: z.int().min(1).max(32),
				low: level,
				high: level,
			}),
		)
		.max(64),
	/** Values that the receiver holds when the radio is gone, by channel number; null where it sends none. */
	linkLoss: z.array(z.object({ channel: z.int().min(1).max(32), value: level })).max(32),
});
export type SwitchesRequest = z.infer<typeof switchesRequestSchema>;

export const switchesAnswerSchema = z.object({
	positions: z.array(
		z.object({
			switch: z.string(),
			position: z.int(),
			value: z.number(),
			active: z.array(z.string()),
			margin: maybe,
		}),
	),
	...judgedShape,
});
export type SwitchesAnswer = z.infer<typeof switchesAnswerSchema>;

export const curveRequestSchema = z.object({
	expo: z.number().min(0).max(1),
	maxRateDegPerS: z.number().positive().max(3000),
	/** What this pilot finds comfortable: the rate at full stick that is still flown calmly. */
	comfortLowDegPerS: z.number().positive().max(3000),
	comfortHighDegPerS: z.number().positive().max(3000),
});
export type CurveRequest = z.infer<typeof curveRequestSchema>;

export const curveAnswerSchema = z.object({
	curve: z.object({ stick: z.array(z.number()), rateDegPerS: z.array(z.number()) }),
	centreDegPerSPerTenth: z.number(),
	to90S: z.number(),
	/** Share of the stick's travel over which the rate stays at or below the comfort band's upper end. */
	calmTravel: z.number(),
	...judgedShape,
});
export type CurveAnswer = z.infer<typeof curveAnswerSchema>;
