import { expect, test } from '@playwright/test';

/** A receiver's log of so many bytes, good enough to be read to its end. */
const receiverLog = (bytes: number) =>
	'$GPGGA,101500.00,5412.0000,N,00306.0000,W,1,10,0.9,12.0,M,50.0,M,,*4C\r\n'.repeat(Math.ceil(bytes / 71));
/** A turning of so many samples: large enough to take a thread some seconds. */
function long(samples: number) {
	const t = Array.from({ length: samples }, (_, k) => k / 100);
	const axis = (of: (s: number) => number) => t.map((s) => Math.round(1000 * of(s)) / 1000);
	return {
		t,
		x: axis((s) => 20 * Math.cos(s) * Math.cos(s / 9)),
		y: axis((s) => 20 * Math.sin(s) + Math.sin(37 * s)),
		z: axis((s) => 40 * Math.sin(s / 9)),
	};
}
const MIB = 1024 * 1024;

/** Every field and fault of the routes is tried without a server, beside `src/lib/server`; here what only a server has. */
test.describe('the routes, served', () => {
	test('answer, refuse what is too large, and pages of another origin', async ({ request }) => {
		const ok = await request.get('/api/field?lat=54&lon=-3&altM=10&date=2026-05-14');
		expect(await ok.json()).toMatchObject({ model: 'WMM2025', verdict: 'pass' });
		expect(ok.headers()['x-content-type-options']).toBe('nosniff');
		const file = await request.get('/service-worker.js');
		expect(file.headers()['x-content-type-options']).toBe('nosniff');
		expect(file.headers()['content-security-policy']).toContain("connect-src 'self'");
		const type = { 'content-type': 'text/plain' };
		const large = await request.post('/api/gnss/review', { headers: type, data: Buffer.alloc(33 * MIB, 'x') });
		expect(large.status()).toBe(413);
		const foreign = { ...type, origin: 'http://other.test' };
		expect((await request.post('/api/gnss/review', { headers: foreign, data: 'x' })).status()).toBe(403);
		expect((await request.get('/api/openapi.json')).status()).toBe(200);
	});

	test('every answer carries the headers and a fault in one form, also to what cannot be read or met', async ({
		request,
	}) => {
		const field = '/api/field?lat=54&lon=-3&altM=10&date=2026-05-14';
		const expects = await request.get(field, { headers: { expect: 'the-unexpected' } });
		const malformed = await request.get('/api/%zz');
		const bulk = await request.post('/api/compass/fit', {
			headers: { 'content-type': 'application/json' },
			data: Buffer.from('['.repeat(15_000_000)),
		});
		for (const [answer, status, code] of [
			[expects, 417, 'unknown-expectation'],
			[malformed, 400, 'malformed-address'],
			[bulk, 400, 'too-much-structure'],
		] as const) {
			expect([answer.status(), ((await answer.json()) as { error: { code: string } }).error.code]).toEqual([
				status,
				code,
			]);
			expect(answer.headers()['x-content-type-options']).toBe('nosniff');
			expect(answer.headers()['content-security-policy']).toContain("default-src 'none'");
		}
	});

	test('a client that goes away frees its thread for the next', async ({ request, baseURL }) => {
		const body = Buffer.from(JSON.stringify({ mag: long(400_000) }));
		const headers = { 'content-type': 'application/json' };
		for (let i = 0; i < 6; i++) {
			const leaving = new AbortController();
			const gone = fetch(`${baseURL}/api/compass/fit`, { method: 'POST', headers, body, signal: leaving.signal });
			await new Promise((resolve) => setTimeout(resolve, 400));
			leaving.abort();
			await gone.catch(() => undefined);
		}
		const answer = await request.post('/api/compass/fit', { headers, data: body, timeout: 60_000 });
		expect(answer.status()).toBe(200);
	});

	test('a small request is answered while a large one is computed', async ({ request }) => {
		let done = false;
		const large = request
			.post('/api/gnss/review', { headers: { 'content-type': 'text/plain' }, data: receiverLog(22 * MIB) })
			.finally(() => (done = true));
		let small = 0;
		while (!done) {
			expect((await request.get('/api/field?lat=54&lon=-3&altM=10&date=2026-05-14')).status()).toBe(200);
			if (!done) small++;
		}
		expect((await large).status()).toBe(200);
		expect(small).toBeGreaterThan(3);
	});
});
