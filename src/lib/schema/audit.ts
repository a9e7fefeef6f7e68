import { z } from 'zod';
import { judgedShape } from './common';

const answer = z.enum(['yes', 'no', 'unknown']);

export const auditRequestSchema = z.object({
	venue: z.enum(['outdoors', 'indoors']),
	hasPosition: z.boolean(),
	/** What the aircraft does when the link is lost. */
	linkLoss: z.enum(['return', 'land', 'hover', 'cut-motors', 'unknown']),
	returnHeightM: z.number().min(0).max(1000),
	returnSpeedMps: z.number().positive().max(100),
	descentMps: z.number().positive().max(50),
	minDistanceM: z.number().min(0).max(10_000),
	minSatellites: z.int().min(0).max(100),
	armsWithoutFix: answer,
	/** When the aircraft checks that a return is plausible. */
	plausibility: z.enum(['always', 'link-loss-only', 'off', 'unknown']),
	battery: z.object({
		warnPct: z.number().min(0).max(100),
		actPct: z.number().min(0).max(100),
		act: z.enum(['return', 'land', 'hover', 'nothing']),
		timerS: z.number().min(0).max(36_000).nullable(),
	}),
	/** Throttle range in automatic flight, %, and what it hovers at; null where the aircraft keeps it to itself. */
	throttle: z
		.object({
			minPct: z.number().min(0).max(100),
			hoverPct: z.number().min(0).max(100),
			maxPct: z.number().min(0).max(100),
		})
		.nullable(),
	tallestM: z.number().min(0).max(1000),
	ceilingM: z.number().positive().max(1000).nullable(),
	legalHeightM: z.number().positive().max(10_000).nullable(),
	windMps: z.number().min(0).max(100),
	gustMps: z.number().min(0).max(150),
	/** Where the return is to be tested. */
	testDistanceM: z.number().min(0).max(1e5).nullable(),
	tests: z.object({
		benchArmed: answer,
		benchDisarmed: answer,
		radioOffInAir: answer,
		switchInAir: answer,
		sinceChange: answer,
	}),
});
export type AuditRequest = z.infer<typeof auditRequestSchema>;

export const auditAnswerSchema = z.object({ rules: z.int(), ...judgedShape });
export type AuditAnswer = z.infer<typeof auditAnswerSchema>;
