import { answerInPool, type Caller } from './pool';
import { faultBody, HttpError, tooLarge } from './fault';
import { poolLimits } from './limits';
import { isRoute, methodOf, routeOf, TYPES } from './routes';

/** The body as bytes, never more than the limit, whatever the headers say. */
async function readBytes(request: Request): Promise<Uint8Array> {
	const most = poolLimits.bodyBytes.value;
	const large = tooLarge(`The body is larger than ${most / 1024 / 1024} MiB.`);
	if (Number(request.headers.get('content-length') ?? 0) > most) throw large;
	const reader = request.body?.getReader();
	const parts: Uint8Array[] = [];
	let size = 0;
	while (reader) {
		let step;
		try {
			step = await reader.read();
		} catch (error) {
			// The adapter cuts off bodies over its own limit with an error that carries the status.
			if (error instanceof Error && 'status' in error && error.status === 413) throw large;
			throw new HttpError(400, 'unreadable-body', 'body', 'The body could not be read.');
		}
		if (step.done) break;
		size += step.value.length;
		if (size > most) throw large;
		parts.push(step.value);
	}
	const whole = new Uint8Array(size);
	let at = 0;
	for (const part of parts) {
		whole.set(part, at);
		at += part.length;
	}
	return whole;
}

function requireType(request: Request, types: readonly string[]): void {
	const sent = (request.headers.get('content-type') ?? '').split(';')[0].trim().toLowerCase();
	if (types.includes(sent)) return;
	const message = `Send this body as ${types.join(' or ')}, not ${sent || 'without a type'}.`;
	throw new HttpError(415, 'wrong-content-type', 'content-type', message);
}

async function answered(path: string, request: Request, url: URL, caller: Caller): Promise<Response> {
	if (!isRoute(path)) throw new HttpError(404, 'no-such-route', 'path', `There is no route /api/${path}.`);
	const route = routeOf(path);
	const method = methodOf(route);
	if (request.method !== method)
		return Response.json(faultBody('method-not-allowed', 'method', `This route takes ${method}.`), {
			status: 405,
			headers: { allow: method },
		});
	const { kind } = route.body;
	if (kind !== 'none') requireType(request, TYPES[kind]);
	const bytes = kind === 'none' ? new Uint8Array() : await readBytes(request);
	const query = route.query ? Object.fromEntries(url.searchParams) : {};
	const { status, json } = await answerInPool({ route: path, query, bytes }, caller);
	return new Response(json, { status, headers: { 'content-type': 'application/json' } });
}

/** Any request to a route of the core: its answer, or its fault with code, message and path. */
export async function handleRoute(path: string, request: Request, url: URL, caller: Caller): Promise<Response> {
	try {
		return await answered(path, request, url, caller);
	} catch (error) {
		if (!(error instanceof HttpError)) throw error;
		const headers: HeadersInit = error.retryAfterS === null ? {} : { 'retry-after': String(error.retryAfterS) };
		return Response.json(faultBody(error.code, error.path, error.message), { status: error.status, headers });
	}
}
