import { expect, test } from '@playwright/test';

/** A receiver's log of so many bytes, good enough to be read to its end. */
const receiverLog = (bytes: number) =>
	'$GPGGA,101500.00,5412.0000,N,00306.0000,W,1,10,0.9,12.0,M,50.0,M,,*4C\r\n'.repeat(Math.ceil(bytes / 71));
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
