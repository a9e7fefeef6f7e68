import { describe, expect, it } from 'vitest';
import { seededRng } from '../core/math/random';
import { TABLE } from '../core/symptoms/table';
import { answerOf } from './compute';
import { legalRequest, otherOrder } from './legalRequest';
import { ROUTES, routeOf, type RoutePath } from './routes';

/** `LEGAL=2000 npx vitest run legalRequest` tries more than every run of the tests does. */
const TRIES = Number(process.env.LEGAL ?? 100);
const PATHS = (Object.keys(ROUTES) as RoutePath[]).filter((path) => ROUTES[path].body.kind === 'json');

/** What a finder's request may name. */
const IDS = [TABLE.observations, TABLE.tests, TABLE.causes].flatMap((list) => list.slice(0, 12).map(({ id }) => id));

const ask = async (route: RoutePath, body: unknown) =>
	answerOf({ route, query: {}, bytes: new TextEncoder().encode(JSON.stringify(body)) });

describe.each(PATHS)('%s, asked what its schema allows', (path) => {
	const { body, answer } = routeOf(path);
	if (body.kind !== 'json') throw new Error('a route of JSON');

	it('answers by its schema or refuses by name, never breaks, and says the same in another order', async () => {
		const rng = seededRng(Number(process.env.SEED ?? 17));
		let answered = 0;
		for (let k = 0; k < TRIES; k++) {
			const request = legalRequest(body.schema, rng, path === 'symptoms/rank' ? IDS : undefined);
			const { status, json } = await ask(path, request).catch((error: Error) => {
				throw new Error(`${error.message}\n${JSON.stringify(request)}`, { cause: error });
			});
			expect([200, 400]).toContain(status);
			if (status === 400) {
				expect((JSON.parse(json) as { error: { path: string } }).error.path).toBeTruthy();
				continue;
			}
			answered++;
			expect(answer.safeParse(JSON.parse(json)).error?.issues, JSON.stringify(request)).toBeUndefined();
			expect((await ask(path, otherOrder(request, rng))).json).toBe(json);
		}
		expect(answered).toBeGreaterThan(0);
	});
});
