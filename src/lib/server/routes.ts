import type { z } from 'zod';
import { compassAnswerSchema, compassRequestSchema } from '../schema/compass';
import { fieldAnswerSchema, fieldQuerySchema } from '../schema/field';
import { flightTimeAnswerSchema, flightTimeRequestSchema } from '../schema/flightTime';
import { gnssAnswerSchema, gnssQuerySchema } from '../schema/gnss';
import { horizonAnswerSchema } from '../schema/horizon';
import { hoverAnswerSchema, hoverRequestSchema } from '../schema/hover';
import { hoverSeenAnswerSchema, hoverSeenRequestSchema } from '../schema/hoverSeen';
import {
	accelAnswerSchema,
	accelRequestSchema,
	gyroAnswerSchema,
	gyroRequestSchema,
	mountingAnswerSchema,
	mountingRequestSchema,
	vibrationAnswerSchema,
	vibrationRequestSchema,
} from '../schema/inertial';
import { landingAnswerSchema, landingRequestSchema } from '../schema/landing';
import { responseAnswerSchema, responseRequestSchema } from '../schema/response';
import { returnAnswerSchema, returnRequestSchema } from '../schema/return';
import { symptomAnswerSchema, symptomRequestSchema } from '../schema/symptoms';

/** What a route takes beside its query: nothing (it is asked with GET), JSON of one schema, a text, a picture. */
export type Body =
	| { kind: 'none' }
	| { kind: 'json'; schema: z.ZodType; example: unknown }
	| { kind: 'text'; example: string }
	| { kind: 'picture' };

export interface Route {
	summary: string;
	query?: z.ZodObject;
	exampleQuery?: Record<string, string>;
	body: Body;
	answer: z.ZodType;
}

/** Content types that a body may be sent as. */
export const TYPES: Record<Body['kind'], readonly string[]> = {
	none: [],
	json: ['application/json'],
	text: ['text/plain'],
	picture: ['image/jpeg', 'image/png'],
};

/** The one method that a route takes. */
export const methodOf = ({ body }: Route): 'GET' | 'POST' => (body.kind === 'none' ? 'GET' : 'POST');

const json = <S extends z.ZodType>(schema: S, example: unknown) => ({ kind: 'json' as const, schema, example });
/** Four readings: enough to show the shape, too few to pass. */
const axes = (z: number) => ({
	t: [0, 0.02, 0.04, 0.06],
	x: [0.1, 0.2, 0.1, 0],
	y: [0, 0.1, 0, -0.1],
	z: [z, z, z, z],
});
const pose = (accel: readonly number[]) => ({ accel });

/** Every route of the computing core: handlers, checks, limits and the description are made from this. */
export const ROUTES = {
	field: {
		summary: "Earth's magnetic field and gravity at a place and date",
		query: fieldQuerySchema,
		exampleQuery: { lat: '54.2', lon: '-3.1', altM: '10', date: '2026-05-14' },
		body: { kind: 'none' },
		answer: fieldAnswerSchema,
	},
	'compass/fit': {
		summary: 'Fit of a compass to its turning',
		body: json(compassRequestSchema, { mag: axes(40) }),
		answer: compassAnswerSchema,
	},
	'gnss/review': {
		summary: 'Review of a receiver log (NMEA 0183)',
		query: gnssQuerySchema,
		exampleQuery: { minSatellites: '8', maxHdop: '2', holdS: '30' },
		body: {
			kind: 'text',
			example: '$GPGGA,101500.00,5412.0000,N,00306.0000,W,1,10,0.9,12.0,M,50.0,M,,*4C\r\n',
		},
		answer: gnssAnswerSchema,
	},
	'hover/review': {
		summary: 'Review of a test hover',
		body: json(hoverRequestSchema, {
			hold: 'position',
			track: { t: [0, 1, 2, 3], north: [0, 0.1, 0, -0.1], east: [0, 0, 0.1, 0], up: [1.5, 1.5, 1.6, 1.5] },
		}),
		answer: hoverAnswerSchema,
	},
	'horizon/tilt': {
		summary: 'Tilt of the horizon in a photo',
		body: { kind: 'picture' },
		answer: horizonAnswerSchema,
	},
	'accel/fit': {
		summary: 'Fit of an accelerometer to still poses',
		body: json(accelRequestSchema, { rawUnit: 'm/s2', accel: axes(-9.8) }),
		answer: accelAnswerSchema,
	},
	'gyro/still': {
		summary: 'Review of a gyro at rest',
		body: json(gyroRequestSchema, { gyro: axes(0.01) }),
		answer: gyroAnswerSchema,
	},
	'mounting/solve': {
		summary: 'Mounting from three gestures',
		body: json(mountingRequestSchema, {
			gestures: { level: pose([0, 0, -9.8]), noseUp: pose([6, 0, -7.7]), rightDown: pose([0, -6, -7.7]) },
		}),
		answer: mountingAnswerSchema,
	},
	'vibration/review': {
		summary: 'Review of vibration',
		body: json(vibrationRequestSchema, { rotorHz: 92, accel: axes(-9.8) }),
		answer: vibrationAnswerSchema,
	},
	'return/plan': {
		summary: 'The way home from a place',
		body: json(returnRequestSchema, {
			aircraft: {
				airspeedMaxMps: 16,
				returnSpeedMps: 10,
				speedKind: 'ground',
				climbMps: 3,
				descentMps: 1.5,
				hoverW: 180,
				cruiseW: 200,
				climbW: 260,
				descentW: 160,
			},
			pack: { usableWh: 60, reservePct: 25 },
			wind: { fromDeg: 250, speedMps: 4, gustMps: 6 },
			settings: { returnHeightM: 40, minDistanceM: 20, climbFirst: true, action: 'return' },
			position: { bearingDeg: 62, distanceM: 500, heightM: 25 },
			obstacles: [],
			usedWh: 10,
		}),
		answer: returnAnswerSchema,
	},
	'flighttime/estimate': {
		summary: 'How long an aircraft flies on a pack, its timer, and what fits into it',
		body: json(flightTimeRequestSchema, {
			pack: { id: 'D-3', nominalMah: 5200, cycles: 41 },
			levels: { alarmPct: 30, landPct: 20 },
			flights: [
				{ pack: 'D-3', minutes: 12.5, usedMah: 3300 },
				{ pack: 'D-3', minutes: 11, usedMah: 3050 },
				{ pack: 'D-1', minutes: 13, usedMah: 3500 },
			],
			rungs: [
				{ name: 'self-level', minutes: 1, factor: 1, required: true },
				{ name: 'return', minutes: 3, factor: 1.1, required: false },
			],
		}),
		answer: flightTimeAnswerSchema,
	},
	'hover/seen': {
		summary: 'A hover watched by eye',
		body: json(hoverSeenRequestSchema, {
			hold: 'position',
			aircraft: { lengthM: 0.4 },
			wind: { scale: 2, fromDeg: 250 },
			views: [
				{
					hover: 'first',
					person: 'pilot',
					durationS: 60,
					heightM: 2,
					farthest: { value: 2, unit: 'steps' },
					marks: [0, 15, 30, 45, 58].map((t) => ({ t, kind: 'still' })),
				},
			],
		}),
		answer: hoverSeenAnswerSchema,
	},
	'landing/review': {
		summary: 'Where it comes down against its mark',
		body: json(landingRequestSchema, {
			receiver: 'plain',
			points: [
				{ paces: 2, bearingDeg: 40, how: 'paces', powerUp: 'morning' },
				{ distanceM: 1.1, bearingDeg: 310, how: 'tape', powerUp: 'noon' },
				{ distanceM: 1.8, bearingDeg: 120, how: 'tape', powerUp: 'evening' },
			],
		}),
		answer: landingAnswerSchema,
	},
	'response/diagnose': {
		summary: 'Faults behind a ground response',
		body: json(responseRequestSchema, {
			layout: 'quad-x',
			spin: 'front-inward',
			observed: {
				rollRight: 'as-commanded',
				pitchForward: 'as-commanded',
				yawRight: 'as-commanded',
				throttle: 'flips',
			},
		}),
		answer: responseAnswerSchema,
	},
	'symptoms/rank': {
		summary: 'Causes behind what it does, and the next check',
		body: json(symptomRequestSchema, {
			kind: 'multirotor',
			recent: ['part'],
			observations: [{ id: 'circles', state: 'present' }],
			reached: 'hover',
		}),
		answer: symptomAnswerSchema,
	},
} as const satisfies Record<string, Route>;

export type RoutePath = keyof typeof ROUTES;

/** Whether a path is one of the table. */
export const isRoute = (path: string): path is RoutePath => Object.hasOwn(ROUTES, path);
/** The row of a path, its types widened. */
export const routeOf = (path: RoutePath): Route => ROUTES[path];
