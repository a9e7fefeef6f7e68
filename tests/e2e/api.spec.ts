import { expect, test } from '@playwright/test';

const circle = (n: number) => {
	const t = Array.from({ length: n }, (_, k) => k / 20);
	return {
		t,
		x: t.map((s) => 20 * Math.cos(s)),
		y: t.map((s) => 20 * Math.sin(s)),
		z: t.map((s) => 40 + 0.3 * Math.sin(37 * s)),
	};
};

test.describe('the routes', () => {
	test('field: answer, and a fault for each field', async ({ request }) => {
		const ok = await request.get('/api/field?lat=54&lon=-3&altM=10&date=2026-05-14');
		expect(ok.status()).toBe(200);
		expect(await ok.json()).toMatchObject({ model: 'WMM2025', verdict: 'pass' });
		for (const [query, path] of [
			['lon=0&altM=0&date=2026-01-01', 'lat'],
			['lat=91&lon=0&altM=0&date=2026-01-01', 'lat'],
			['lat=0&lon=x&altM=0&date=2026-01-01', 'lon'],
			['lat=0&lon=0&altM=200000&date=2026-01-01', 'altM'],
			['lat=0&lon=0&altM=0&date=2026-13-01', 'date'],
			['lat=0&lon=0&altM=0&date=2030-01-01', 'date'],
		]) {
			const bad = await request.get(`/api/field?${query}`);
			expect(bad.status()).toBe(400);
			expect((await bad.json()).error.path).toBe(path);
		}
	});

	test('compass: refusal is an answer, bad input a fault with its path', async ({ request }) => {
		const refused = await request.post('/api/compass/fit', { data: { mag: circle(400) } });
		expect(refused.status()).toBe(200);
		const body = await refused.json();
		expect(body.verdict).toBe('fail');
		expect(body.reasons[0].code).toMatch(/^insufficient-/);
		for (const [data, path] of [
			[{ mag: { ...circle(3), x: [1, null, 2] } }, 'mag.x.1'],
			[{ mag: { ...circle(3), t: [0, 2, 1] } }, 'mag.t.2'],
			[{ mag: { ...circle(3), z: [1, 2] } }, 'mag.z'],
			[{ mag: { t: [], x: [], y: [], z: [] } }, 'mag.t'],
			[{}, 'mag'],
			[{ mag: circle(400), site: { latDeg: 0, lonDeg: 0, altM: 0, date: '2040-01-01' } }, 'site.date'],
		] as const) {
			const bad = await request.post('/api/compass/fit', { data });
			expect(bad.status()).toBe(400);
			expect((await bad.json()).error.path).toBe(path);
		}
	});

	test('content types, sizes, methods and foreign origins', async ({ request }) => {
		const type = { 'content-type': 'text/plain' };
		expect((await request.post('/api/compass/fit', { headers: type, data: '{}' })).status()).toBe(415);
		expect(
			(
				await request.post('/api/compass/fit', {
					headers: { 'content-type': 'application/json' },
					data: Buffer.from('{"mag":'),
				})
			).status(),
		).toBe(400);
		expect(
			(await request.post('/api/gnss/review', { headers: type, data: Buffer.alloc(33 * 1024 * 1024, 'x') })).status(),
		).toBe(413);
		expect((await request.post('/api/gnss/review', { headers: type, data: '' })).status()).toBe(400);
		expect(
			(
				await request.post('/api/gnss/review', { headers: { ...type, origin: 'http://other.test' }, data: 'x' })
			).status(),
		).toBe(403);
		expect((await request.get('/api/compass/fit')).status()).toBe(405);
	});

	test('receiver text and a hover are reviewed', async ({ request }) => {
		const text = await request.post('/api/gnss/review?minSatellites=6', {
			headers: { 'content-type': 'text/plain' },
			data: 'no sentence',
		});
		expect((await text.json()).reasons[0].code).toBe('insufficient-sentences');
		const t = Array.from({ length: 300 }, (_, k) => k / 5);
		const hover = await request.post('/api/hover/review', {
			data: { hold: 'height', track: { t, north: t.map((s) => 0.5 * s), east: t.map(() => 0), up: t.map(() => 2) } },
		});
		expect((await hover.json()).drift.speedMps).toBeCloseTo(0.5, 6);
		const bad = await request.post('/api/hover/review', {
			data: { hold: 'height', track: { t: [0, 1], lat: [0, 95], lon: [0, 0], alt: [0, 0] } },
		});
		expect((await bad.json()).error.path).toBe('track.lat.1');
	});

	test('the description lists every route with its schemas', async ({ request }) => {
		const description = await (await request.get('/api/openapi.json')).json();
		expect(Object.keys(description.paths)).toEqual([
			'/api/field',
			'/api/compass/fit',
			'/api/gnss/review',
			'/api/hover/review',
		]);
		expect(
			description.paths['/api/compass/fit'].post.requestBody.content['application/json'].schema.properties.mag
				.properties.x.type,
		).toBe('array');
	});
});
