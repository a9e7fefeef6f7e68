import { InputError } from '$lib/core/finding/inputError';
import type { RequestHandler } from '@sveltejs/kit';
import type { z } from 'zod';

/** The largest body that is read. */
export const MAX_BODY_BYTES = 32 * 1024 * 1024;

class HttpError extends Error {
	constructor(
		readonly status: number,
		readonly code: string,
		readonly path: string,
		message: string,
	) {
		super(message);
	}
}

const fault = (status: number, code: string, path: string, message: string) =>
	Response.json({ error: { code, message, path } }, { status });

type Issue = z.core.$ZodIssue;

/** Of the branches of a union the one that fits best: its issues say what the caller meant. */
function firstIssue(issues: readonly Issue[], before: PropertyKey[] = []): { path: PropertyKey[]; message: string } {
	const [issue] = issues;
	const path = [...before, ...issue.path];
	if (issue.code === 'invalid_union' && issue.errors.length > 0) {
		const best = issue.errors.reduce((a, b) => (b.length < a.length ? b : a));
		if (best.length > 0) return firstIssue(best, path);
	}
	return { path, message: issue.message };
}

/** Checks a value with its schema; a fault is a 400 with the dotted path of the first field that is wrong. */
export function checked<T extends z.ZodType>(schema: T, value: unknown): z.output<T> {
	const parsed = schema.safeParse(value);
	if (parsed.success) return parsed.data;
	const { path, message } = firstIssue(parsed.error.issues);
	const dotted = path.length > 0 ? path.map(String).join('.') : 'body';
	throw new HttpError(400, 'invalid-input', dotted, `${dotted}: ${message}`);
}

export const tooLarge = (message: string) => new HttpError(413, 'too-large', 'body', message);

/** The body as bytes, never more than the limit, whatever the headers say. */
export async function readBytes(request: Request): Promise<Uint8Array> {
	const large = tooLarge('The body is larger than 32 MiB.');
	if (Number(request.headers.get('content-length') ?? 0) > MAX_BODY_BYTES) throw large;
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
		if (size > MAX_BODY_BYTES) throw large;
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

export function requireType(request: Request, ...types: string[]): void {
	const sent = (request.headers.get('content-type') ?? '').split(';')[0].trim().toLowerCase();
	if (!types.includes(sent))
		throw new HttpError(
			415,
			'wrong-content-type',
			'content-type',
			`Send this body as ${types.join(' or ')}, not ${sent || 'without a type'}.`,
		);
}

/** A JSON body checked with its schema. */
async function readJson<T extends z.ZodType>(request: Request, schema: T): Promise<z.output<T>> {
	requireType(request, 'application/json');
	const bytes = await readBytes(request);
	let value: unknown;
	try {
		value = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
	} catch {
		throw new HttpError(400, 'unreadable-json', 'body', 'The body is not readable JSON.');
	}
	return checked(schema, value);
}

/** Answers with JSON; faults of the input become 400, 413 or 415 with code, message and path. */
export async function answer(compute: () => unknown): Promise<Response> {
	try {
		return Response.json(await compute());
	} catch (error) {
		if (error instanceof HttpError) return fault(error.status, error.code, error.path, error.message);
		if (error instanceof InputError) return fault(400, error.code, error.path, error.message);
		throw error;
	}
}

/** Every other method of a route. */
export const notAllowed = (allow: string) => () =>
	new Response(
		JSON.stringify({ error: { code: 'method-not-allowed', message: `This route takes ${allow}.`, path: 'method' } }),
		{ status: 405, headers: { allow, 'content-type': 'application/json' } },
	);

/** A route that takes JSON of one schema and answers with what is computed from it. */
export const jsonRoute = <T extends z.ZodType>(schema: T, compute: (input: z.output<T>) => unknown) => ({
	POST: (({ request }) => answer(async () => compute(await readJson(request, schema)))) satisfies RequestHandler,
	fallback: notAllowed('POST'),
});
