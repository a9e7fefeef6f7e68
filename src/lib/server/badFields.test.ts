import { describe, expect, it } from 'vitest';
import { handleRoute } from './handle';
import { methodOf, ROUTES, routeOf, TYPES, type RoutePath } from './routes';

const CALLER = { client: 'here', left: new AbortController().signal };

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };
type Path = readonly (string | number)[];

const isNode = (value: Json): value is Json[] | { [key: string]: Json } => value !== null && typeof value === 'object';

/** Every place of a body, those of long lists by their first, middle and last. */
function placesOf(value: Json, path: Path = []): Path[] {
	if (!isNode(value)) return [path];
	const keys = Array.isArray(value)
		? [...new Set([0, value.length >> 1, value.length - 1])].filter((k) => k >= 0 && k < value.length)
		: Object.keys(value);
	const inside = keys.flatMap((key) => placesOf((value as Record<string | number, Json>)[key], [...path, key]));
	return path.length === 0 ? inside : [path, ...inside];
}

/** The body with what stands at a place exchanged; left out where it is undefined. */
function changed(value: Json, path: Path, to: Json | undefined): Json {
	if (path.length === 0) return to ?? null;
	const [key, ...rest] = path;
	if (Array.isArray(value)) {
		const list = [...value];
		if (rest.length === 0 && to === undefined) list.splice(Number(key), 1);
		else list[Number(key)] = changed(list[Number(key)], rest, to);
		return list;
	}
	const node = { ...(value as Record<string, Json>) };
	if (rest.length === 0 && to === undefined) delete node[key];
	else node[key] = changed(node[key] ?? null, rest, to);
	return node;
}

const BAD: [string, Json | undefined][] = [
	['left out', undefined],
	['null', null],
	['a word', 'x'],
	['a word of four kilobytes', 'x'.repeat(4096)],
	['a number', 7],
	['less than anything', -1e300],
	['more than anything', 1e300],
	['an empty list', []],
	['an empty object', {}],
	['yes', true],
];

async function ask(path: RoutePath, body: string) {
	const { exampleQuery = {}, body: kind } = routeOf(path);
	const url = new URL(`http://localhost/api/${path}?${new URLSearchParams(exampleQuery)}`);
	const request = new Request(url, {
		method: 'POST',
		body,
		headers: { 'content-type': TYPES[kind.kind][0] ?? 'application/json' },
	});
	const response = await handleRoute(path, request, url, CALLER);
	return { status: response.status, body: (await response.json()) as Record<string, Json> };
}

const PATHS = (Object.keys(ROUTES) as RoutePath[]).filter((path) => ROUTES[path].body.kind === 'json');

describe.each(PATHS)('%s with one thing wrong', (path) => {
	const { body, answer } = routeOf(path);
	const example = body.kind === 'json' ? (JSON.parse(JSON.stringify(body.example)) as Json) : null;

	it.each(BAD)('anywhere %s: it is answered, or refused by its name, and never breaks', async (_what, to) => {
		for (const place of placesOf(example)) {
			const where = place.join('.');
			const told = await ask(path, JSON.stringify(changed(example, place, to)));
			expect([200, 400], `${where}: ${JSON.stringify(told.body).slice(0, 200)}`).toContain(told.status);
			if (told.status === 200) {
				expect(answer.safeParse(told.body).error?.issues, where).toBeUndefined();
				continue;
			}
			const error = told.body.error as { code: string; path: string; message: string };
			expect(error.path, where).toBeTruthy();
			expect(error.message, where).toMatch(/\S{2,}/);
			expect(error.message, where).not.toMatch(/undefined|\[object|ZodError|NaN| at .*\.ts:/);
			// What is named belongs to the same part of the body as what was changed.
			expect(error.path.split('.')[0], where).toBe(String(place[0]));
		}
	});

	it('a word where a number belongs is told by its own place', async () => {
		for (const place of placesOf(example)) {
			const now = place.reduce<Json>((value, key) => (value as Record<string | number, Json>)[key], example);
			if (typeof now !== 'number') continue;
			const told = await ask(path, JSON.stringify(changed(example, place, 'x')));
			expect(told.status, place.join('.')).toBe(400);
			const told400 = told.body.error as { path: string };
			const where = place.join('.');
			// Of alternatives the whole is named.
			expect(where.startsWith(told400.path), `${where} is told as ${told400.path}`).toBe(true);
		}
	});

	it('a list or a lone value instead of the body is refused', async () => {
		for (const whole of ['[]', '3', '"x"', 'null', 'true', '{}']) {
			const told = await ask(path, whole);
			expect([whole, told.status]).toEqual([whole, 400]);
			expect((told.body.error as { message: string }).message.length).toBeGreaterThan(5);
		}
	});

	it('a body that is nested without end, or cut anywhere, is refused', async () => {
		const deep = `${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}`;
		expect((await ask(path, deep)).status).toBe(400);
		const text = JSON.stringify(example);
		for (const share of [0.1, 0.5, 0.9, 0.99]) {
			const told = await ask(path, text.slice(0, Math.floor(share * text.length)));
			expect([told.status, (told.body.error as { code: string }).code]).toEqual([400, 'unreadable-json']);
		}
	});
});

it('every route with a body is asked', () => {
	expect(PATHS.length).toBeGreaterThan(8);
	for (const path of PATHS) expect(methodOf(ROUTES[path])).toBe('POST');
});
