import { z } from 'zod';
import { judgedShape } from './common';

const maybe = z.number().nullable();

export const chemistrySchema = z.enum(['lipo', 'lihv', 'liion', 'lifepo4']);
export type Chemistry = z.infer<typeof chemistrySchema>;

export const packRequestSchema = z.object({
	chemistry: chemistrySchema,
	/** Voltage of each cell at rest, V. */
	cellsV: z.array(z.number().min(0).max(6)).min(1).max(24),
	temperatureC: z.number().min(-40).max(80),
	/** What the maker prints on it, mAh. */
	ratedMah: z.number().positive().max(200_000),
	/** Voltage and current before and after a load step; null where none was measured. */
	loadStep: z
		.object({
			lightA: z.number().min(0).max(1000),
			lightV: z.number().min(0).max(150),
			heavyA: z.number().min(0).max(1000),
			heavyV: z.number().min(0).max(150),
		})
		.nullable(),
	/** Earlier full discharges or measured capacities: cycles and mAh. */
	history: z
		.array(z.object({ cycles: z.number().min(0).max(10_000), mah: z.number().positive().max(200_000) }))
		.max(500),
	cycles: z.number().min(0).max(10_000),
	reservePct: z.number().min(0).max(95),
	/** Power of this aircraft in the hover, W. */
	hoverW: z.number().positive().max(1e5),
	/** Levels at which the aircraft warns and acts, % of charge left. */
	warnPct: z.number().min(0).max(100),
	actPct: z.number().min(0).max(100),
});
export type PackRequest = z.infer<typeof packRequestSchema>;

export const packAnswerSchema = z.object({
	chargePct: maybe,
	chargeSigmaPct: maybe,
	spreadMv: z.number(),
	resistanceMohm: maybe,
	resistancePerCellMohm: maybe,
	capacityMah: z.number(),
	capacitySigmaMah: z.number(),
	healthPct: z.number(),
	usableWh: maybe,
	usableSigmaWh: maybe,
	flightTimeS: maybe,
	flightTimeSigmaS: maybe,
	/** When to set the radio's timer, s: flight time less one sigma. */
	timerS: maybe,
	warnAtS: maybe,
	actAtS: maybe,
	...judgedShape,
});
export type PackAnswer = z.infer<typeof packAnswerSchema>;

export const balanceRequestSchema = z.object({
	/** Parts with mass and place along the length, mm behind the datum; the pack among them by its index. */
	parts: z
		.array(
			z.object({
				name: z.string().min(1).max(60),
				massG: z.number().min(0).max(1e6),
				armMm: z.number().min(-1e4).max(1e4),
			}),
		)
		.min(1)
		.max(100),
	packIndex: z.int().min(0),
	/** Where it should balance, mm behind the datum, and how far forward of it is still good. */
	markMm: z.number().min(-1e4).max(1e4),
	noseHeavyMm: z.number().min(0).max(1000),
	/** How exactly an arm is measured, mm. */
	armSigmaMm: z.number().min(0).max(100),
});
export type BalanceRequest = z.infer<typeof balanceRequestSchema>;

export const balanceAnswerSchema = z.object({
	massG: z.number(),
	centreMm: z.number(),
	centreSigmaMm: z.number(),
	/** Positive: the centre lies behind the mark, tail-heavy. */
	errorMm: z.number(),
	/** How far to move the pack to meet the mark, mm; negative is forward. Null where it has no mass. */
	shiftPackMm: maybe,
	...judgedShape,
});
export type BalanceAnswer = z.infer<typeof balanceAnswerSchema>;
