import { z } from 'zod';
import { judgedShape } from './common';
import { listOf } from './lists';

const above0 = (most: number) => z.number().gt(0).max(most);
const bearing = z.number().min(0).max(360);

export const returnRequestSchema = z.object({
	aircraft: z.object({
		airspeedMaxMps: above0(100),
		returnSpeedMps: above0(100),
		speedKind: z.enum(['ground', 'air']),
		climbMps: above0(50),
		descentMps: above0(50),
		hoverW: above0(1e5),
		cruiseW: above0(1e5),
		climbW: above0(1e5),
		descentW: above0(1e5),
		terminalMps: above0(100).default(20),
	}),
	pack: z.object({ usableWh: above0(1e5), reservePct: z.number().min(0).max(95) }),
	wind: z.object({
		fromDeg: bearing,
		speedMps: z.number().min(0).max(100),
		gustMps: z.number().min(0).max(150),
		heightM: above0(500).default(10),
		shearExponent: z.number().min(0).max(1).default(0.143),
	}),
	settings: z.object({
		returnHeightM: z.number().min(0).max(1000),
		minDistanceM: z.number().min(0).max(10_000),
		climbFirst: z.boolean(),
		action: z.enum(['return', 'land', 'hover', 'cut-motors']),
	}),
	position: z.object({
		bearingDeg: bearing,
		distanceM: z.number().min(0).max(1e5),
		heightM: z.number().min(0).max(5000),
		groundSpeedMps: z.number().min(0).max(100).default(0),
		courseDeg: bearing.optional(),
	}),
	obstacles: listOf(
		z.object({
			bearingDeg: bearing,
			distanceM: z.number().min(0).max(1e5),
			heightM: z.number().min(0).max(5000),
			widthM: z.number().min(0).max(10_000).default(10),
		}),
		1000,
	),
	usedWh: z.number().min(0).max(1e5),
});
export type ReturnRequest = z.infer<typeof returnRequestSchema>;

const maybe = z.number().nullable();

export const legSchema = z.object({
	name: z.enum(['climb', 'climb-return', 'cruise', 'descend', 'hover', 'fall']),
	timeS: z.number(),
	energyWh: z.number(),
	groundMps: z.number(),
});
export type Leg = z.infer<typeof legSchema>;

export const returnAnswerSchema = z.object({
	legs: z.array(legSchema),
	totalTimeS: maybe,
	totalWh: maybe,
	landWithWh: maybe,
	reachable: z.boolean(),
	reach: z.array(z.object({ bearingDeg: z.number(), maxDistanceM: z.number() })),
	clearance: z.object({ minM: maybe, obstacle: z.int().optional() }),
	touchdown: z
		.object({ bearingDeg: z.number(), distanceM: z.number(), driftM: z.number(), impactMps: z.number().optional() })
		.nullable(),
	/** Where a hover that cannot hold its place against the wind is carried to by the time it is down. */
	carried: z.object({ bearingDeg: z.number(), distanceM: z.number() }).optional(),
	turnBackAtS: z.number(),
	...judgedShape,
});
export type ReturnAnswer = z.infer<typeof returnAnswerSchema>;
