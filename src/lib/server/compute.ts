import type { z } from 'zod';
import { fitCompass } from '../core/compass/review';
import { fieldAt } from '../core/earth/field';
import { checked } from '../core/finding/checked';
import { InputError } from '../core/finding/inputError';
import { reviewHover } from '../core/hover/review';
import { reviewSeenHover } from '../core/hover/seen';
import { fitAccelerometer } from '../core/inertial/accelFit';
import { reviewStillGyro } from '../core/inertial/gyro';
import { solveMounting } from '../core/inertial/mounting';
import { reviewVibration } from '../core/inertial/vibration';
import { findHorizon } from '../core/payload/horizon';
import { pictureLimits } from '../core/payload/limits';
import { reviewGnss } from '../core/position/review';
import { estimateFlightTime } from '../core/propulsion/flightTime';
import { diagnoseResponse } from '../core/propulsion/diagnose';
import { reviewLandings } from '../core/return/landing';
import { planReturn } from '../core/return/plan';
import { rankSymptoms } from '../core/symptoms/rank';
import { decodePicture } from './decodePicture';
import { faultBody, HttpError } from './fault';
import { refuseBulk } from './structure';
import { ROUTES, routeOf, type RoutePath } from './routes';

type Routes = typeof ROUTES;
type QueryOf<P extends RoutePath> = Routes[P] extends { query: infer Q extends z.ZodType } ? z.output<Q> : null;
type BodyOf<P extends RoutePath> = Routes[P]['body'] extends { schema: infer S extends z.ZodType }
	? z.output<S>
	: Uint8Array;

const COMPUTES: { [P in RoutePath]: (body: BodyOf<P>, query: QueryOf<P>) => unknown } = {
	field: (_, { lat, lon, altM, date }) => fieldAt(lat, lon, altM, date),
	'compass/fit': (body) => fitCompass(body),
	// Receivers send bytes, not UTF-8: one byte, one character keeps the checksums what they were.
	'gnss/review': (body, rule) => reviewGnss(new TextDecoder('latin1').decode(body), rule),
	'hover/review': (body) => reviewHover(body),
	'horizon/tilt': async (body) => findHorizon(await decodePicture(body, pictureLimits.horizonWide.value)),
	'accel/fit': (body) => fitAccelerometer(body),
	'gyro/still': (body) => reviewStillGyro(body),
	'mounting/solve': (body) => solveMounting(body),
	'vibration/review': (body) => reviewVibration(body),
	'return/plan': (body) => planReturn(body),
	'response/diagnose': (body) => diagnoseResponse(body),
	'hover/seen': (body) => reviewSeenHover(body),
	'landing/review': (body) => reviewLandings(body),
	'symptoms/rank': (body) => rankSymptoms(body),
	'flighttime/estimate': (body) => estimateFlightTime(body),
};

function parsedJson(bytes: Uint8Array): unknown {
	refuseBulk(bytes);
	try {
		return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
	} catch {
		throw new HttpError(400, 'unreadable-json', 'body', 'The body is not readable JSON.');
	}
}

export interface RouteCall {
	route: RoutePath;
	query: Record<string, string>;
	/** Empty where the route takes none. */
	bytes: Uint8Array;
}

export interface RouteAnswer {
	status: number;
	json: string;
}

/** Answers keep their shape: codes and text in SI units. What words a reason again in other units stays within the application. */
const asAgreed = (key: string, value: unknown): unknown => (key === 'wording' ? undefined : value);

/**
 * What a route answers to a query and a body: reading, checking, computing and writing all at once, so that a thread can do
 * it beside the server. Faults of the input are answers too: 400 or 413 with code, message and path.
 */
export async function answerOf({ route, query, bytes }: RouteCall): Promise<RouteAnswer> {
	try {
		const { query: querySchema, body } = routeOf(route);
		const asked = querySchema ? checked(querySchema, query, 'query') : null;
		const given = body.kind === 'json' ? checked(body.schema, parsedJson(bytes), 'body') : bytes;
		// The table checks each route's own schema; the compiler cannot follow that through the lookup.
		const compute = COMPUTES[route] as (body: unknown, query: unknown) => unknown;
		return { status: 200, json: JSON.stringify(await compute(given, asked), asAgreed) };
	} catch (error) {
		if (error instanceof HttpError)
			return { status: error.status, json: JSON.stringify(faultBody(error.code, error.path, error.message)) };
		if (error instanceof InputError)
			return { status: 400, json: JSON.stringify(faultBody(error.code, error.path, error.message)) };
		throw error;
	}
}
