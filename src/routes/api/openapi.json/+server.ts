import { z } from 'zod';
import { compassAnswerSchema, compassRequestSchema } from '$lib/schema/compass';
import { fieldAnswerSchema, fieldQuerySchema } from '$lib/schema/field';
import { gnssAnswerSchema, gnssQuerySchema } from '$lib/schema/gnss';
import { hoverAnswerSchema, hoverRequestSchema } from '$lib/schema/hover';
import {
	accelAnswerSchema,
	accelRequestSchema,
	gyroAnswerSchema,
	gyroRequestSchema,
	mountingAnswerSchema,
	mountingRequestSchema,
	vibrationAnswerSchema,
	vibrationRequestSchema,
} from '$lib/schema/inertial';
import { horizonAnswerSchema } from '$lib/schema/horizon';
import { responseAnswerSchema, responseRequestSchema } from '$lib/schema/response';
import { returnAnswerSchema, returnRequestSchema } from '$lib/schema/return';
import { answer, notAllowed } from '../respond';
import type { RequestHandler } from './$types';

const jsonSchema = (schema: z.ZodType, io: 'input' | 'output') =>
	z.toJSONSchema(schema, { io, unrepresentable: 'any', target: 'draft-2020-12' });

const errorSchema = z.object({ error: z.object({ code: z.string(), message: z.string(), path: z.string() }) });
const faults = (...statuses: number[]) =>
	Object.fromEntries(
		statuses.map((status) => [
			String(status),
			{
				description: 'The input cannot be computed with',
				content: { 'application/json': { schema: jsonSchema(errorSchema, 'output') } },
			},
		]),
	);

const ok = (schema: z.ZodType) => ({
	'200': { description: 'The finding', content: { 'application/json': { schema: jsonSchema(schema, 'output') } } },
});

function queryParameters(schema: z.ZodObject) {
	const { properties = {}, required = [] } = jsonSchema(schema, 'input') as {
		properties?: Record<string, unknown>;
		required?: string[];
	};
	return Object.entries(properties).map(([name, of]) => ({
		name,
		in: 'query',
		required: required.includes(name),
		schema: of,
	}));
}

const post = (summary: string, request: z.ZodType, response: z.ZodType) => ({
	post: {
		summary,
		requestBody: { required: true, content: { 'application/json': { schema: jsonSchema(request, 'input') } } },
		responses: { ...ok(response), ...faults(400, 413, 415) },
	},
});

/** Generated from the schemas that the routes themselves check with. */
const document = () => ({
	openapi: '3.1.0',
	info: {
		title: 'Winglogos computing core',
		version: '1',
		description: 'Angles in degrees, SI units with the unit in the name.',
	},
	paths: {
		'/api/field': {
			get: {
				summary: "Earth's magnetic field and gravity at a place and date",
				parameters: queryParameters(fieldQuerySchema),
				responses: { ...ok(fieldAnswerSchema), ...faults(400) },
			},
		},
		'/api/compass/fit': post('Fit of a compass to its turning', compassRequestSchema, compassAnswerSchema),
		'/api/gnss/review': {
			post: {
				summary: 'Review of a receiver log (NMEA 0183)',
				parameters: queryParameters(gnssQuerySchema),
				requestBody: { required: true, content: { 'text/plain': { schema: { type: 'string' } } } },
				responses: { ...ok(gnssAnswerSchema), ...faults(400, 413, 415) },
			},
		},
		'/api/hover/review': post('Review of a test hover', hoverRequestSchema, hoverAnswerSchema),
		'/api/horizon/tilt': {
			post: {
				summary: 'Tilt of the horizon in a photo',
				requestBody: {
					required: true,
					content: {
						'image/jpeg': { schema: { type: 'string', format: 'binary' } },
						'image/png': { schema: { type: 'string', format: 'binary' } },
					},
				},
				responses: { ...ok(horizonAnswerSchema), ...faults(400, 413, 415) },
			},
		},
		'/api/accel/fit': post('Fit of an accelerometer to still poses', accelRequestSchema, accelAnswerSchema),
		'/api/gyro/still': post('Review of a gyro at rest', gyroRequestSchema, gyroAnswerSchema),
		'/api/mounting/solve': post('Mounting from three gestures', mountingRequestSchema, mountingAnswerSchema),
		'/api/vibration/review': post('Review of vibration', vibrationRequestSchema, vibrationAnswerSchema),
		'/api/return/plan': post('The way home from a place', returnRequestSchema, returnAnswerSchema),
		'/api/response/diagnose': post('Faults behind a ground response', responseRequestSchema, responseAnswerSchema),
	},
});

export const GET: RequestHandler = () => answer(document);

export const fallback = notAllowed('GET');
