import { z } from 'zod';
import { methodOf, ROUTES, TYPES, type Route } from './routes';

const jsonSchema = (schema: z.ZodType, io: 'input' | 'output') =>
	z.toJSONSchema(schema, { io, unrepresentable: 'any', target: 'draft-2020-12' });

const errorSchema = z.object({ error: z.object({ code: z.string(), message: z.string(), path: z.string() }) });
const FAULTS: Record<number, string> = {
	400: 'The input cannot be computed with',
	413: 'The body is too large',
	415: 'The body has another content type',
	503: 'The server is busy or it took too long: try again after the seconds told',
};

function responsesOf({ answer, body }: Route) {
	const content = (schema: z.ZodType) => ({ 'application/json': { schema: jsonSchema(schema, 'output') } });
	const faults = body.kind === 'none' ? [400, 503] : [400, 413, 415, 503];
	return {
		'200': { description: 'The finding', content: content(answer) },
		...Object.fromEntries(
			faults.map((status) => [
				String(status),
				{
					description: FAULTS[status],
					content: content(errorSchema),
					...(status === 503 ? { headers: { 'Retry-After': { schema: { type: 'integer' } } } } : {}),
				},
			]),
		),
	};
}

function parametersOf({ query, exampleQuery = {} }: Route) {
	if (!query) return [];
	const { properties = {}, required = [] } = jsonSchema(query, 'input') as {
		properties?: Record<string, unknown>;
		required?: string[];
	};
	return Object.entries(properties).map(([name, schema]) => ({
		name,
		in: 'query',
		required: required.includes(name),
		schema,
		...(name in exampleQuery ? { example: exampleQuery[name] } : {}),
	}));
}

function mediaOf({ body }: Route) {
	if (body.kind === 'json') return { schema: jsonSchema(body.schema, 'input'), example: body.example };
	if (body.kind === 'text') return { schema: { type: 'string' }, example: body.example };
	return { schema: { type: 'string', format: 'binary' } };
}

function operationOf(route: Route) {
	const parameters = parametersOf(route);
	const types = TYPES[route.body.kind];
	return {
		summary: route.summary,
		...(parameters.length > 0 ? { parameters } : {}),
		...(types.length > 0
			? { requestBody: { required: true, content: Object.fromEntries(types.map((type) => [type, mediaOf(route)])) } }
			: {}),
		responses: responsesOf(route),
	};
}

/** The description of every route, made from the table that the routes themselves are made from. */
export const describeRoutes = () => ({
	openapi: '3.1.0',
	info: {
		title: 'Winglogos computing core',
		version: '1',
		description: 'Angles in degrees, SI units with the unit in the name.',
	},
	paths: Object.fromEntries(
		Object.entries(ROUTES).map(([path, route]) => [
			`/api/${path}`,
			{ [methodOf(route).toLowerCase()]: operationOf(route) },
		]),
	),
});
