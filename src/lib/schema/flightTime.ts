import { z } from 'zod';
import { judgedShape } from './common';
import { listOf } from './lists';

const percent = z.number().min(0).max(100);
const tempC = z.number().min(-40).max(70);
const cycles = z.number().min(0).max(5000);
const packId = z.string().min(1).max(80);

export const flightSchema = z
	.object({
		pack: packId,
		minutes: z.number().min(0).max(600),
		usedMah: z.number().min(0).max(1e6).optional(),
		usedWh: z.number().min(0).max(1e5).optional(),
		/** Charge at rest before and after, by its volts. */
		rest: z.object({ beforePct: percent, afterPct: percent }).optional(),
		tempC: tempC.optional(),
		cycles: cycles.optional(),
		at: z.iso.datetime().optional(),
	})
	.refine(({ usedMah, usedWh, rest }) => usedMah !== undefined || usedWh !== undefined || rest !== undefined, {
		message: 'needs usedMah, usedWh or rest',
	});

export const flightTimeRequestSchema = z
	.object({
		pack: z.object({
			id: packId,
			nominalMah: z.number().positive().max(1e6).optional(),
			nominalWh: z.number().positive().max(1e5).optional(),
			cells: z.int().min(1).max(48).optional(),
			chemistry: z.string().max(40).optional(),
			cycles: cycles.optional(),
		}),
		levels: z.object({ alarmPct: percent, landPct: percent }),
		startPct: percent.default(100),
		tempC: tempC.optional(),
		hoverW: z.number().positive().max(1e5).optional(),
		landMin: z.number().min(0).max(60).default(1.5),
		flights: listOf(flightSchema, 500),
		rungs: listOf(
			z.object({
				name: z.string().min(1).max(120),
				minutes: z.number().min(0).max(600),
				factor: z.number().min(0.2).max(4).default(1),
				required: z.boolean().default(false),
			}),
			40,
		).optional(),
	})
	.superRefine(({ levels: { alarmPct, landPct }, startPct }, ctx) => {
		const fail = (path: string[], message: string) => ctx.addIssue({ code: 'custom', path, message });
		if (landPct > alarmPct) fail(['levels', 'landPct'], 'must not lie above alarmPct');
		if (alarmPct >= startPct) fail(['levels', 'alarmPct'], 'must lie below startPct');
	});
export type FlightTimeRequest = z.output<typeof flightTimeRequestSchema>;

const maybe = z.number().nullable();
const slope = { sigma: z.number(), known: z.boolean() };
const until = z.object({ medianMin: maybe, q10Min: maybe });

export const flightTimeAnswerSchema = z.object({
	ratePctPerMin: maybe,
	rateSigmaLn: maybe,
	source: z.enum(['flights', 'hover-power', 'both']).nullable(),
	flightSpread: maybe,
	capacity: z.object({
		factor: z.number(),
		sigmaLn: z.number(),
		temperature: z.object({ per10C: z.number(), ...slope }),
		age: z.object({ per100: z.number(), ...slope }),
	}),
	toAlarm: until,
	toLand: until,
	timerMin: maybe,
	budget: z
		.object({
			kept: z.array(z.string()),
			dropped: z.array(z.string()),
			usedPct: z.number(),
			usedQ90Pct: z.number(),
			leftMin: z.number(),
			enoughProbability: z.number(),
		})
		.optional(),
	used: z.int(),
	leftOut: z.array(z.object({ index: z.int(), why: z.enum(['too-short', 'implausible', 'rest-order', 'outlier']) })),
	...judgedShape,
});
export type FlightTimeAnswer = z.infer<typeof flightTimeAnswerSchema>;
