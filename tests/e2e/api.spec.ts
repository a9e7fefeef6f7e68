import { expect, test } from '@playwright/test';
import sharp from 'sharp';
import { WAY_HOME } from '../../src/lib/rig/wayHome';

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

	test('the other routes of the core: an answer each, and a fault with its path each', async ({ request }) => {
		const still = {
			t: Array.from({ length: 200 }, (_, k) => k / 50),
			x: Array(200).fill(0.1),
			y: Array(200).fill(0),
			z: Array(200).fill(-9.8),
		};
		const g = (x: number, y: number, z: number) => ({ accel: [x, y, z] });
		const plan = { ...WAY_HOME, obstacles: [{ bearingDeg: 62, distanceM: 200, heightM: 12 }] };
		const observed = {
			rollRight: 'as-commanded',
			pitchForward: 'as-commanded',
			yawRight: 'as-commanded',
			throttle: 'flips',
		};
		const cases: [string, object, Record<string, unknown>, object, string][] = [
			[
				'accel/fit',
				{ accel: still, rawUnit: 'm/s2' },
				{ missingFaces: ['back', 'left', 'right', 'nose', 'tail'] },
				{ accel: still, rawUnit: 'ft' },
				'rawUnit',
			],
			['gyro/still', { gyro: still }, { verdict: 'fail' }, { gyro: { ...still, y: [1] } }, 'gyro.y'],
			[
				'mounting/solve',
				{ gestures: { level: g(0, 0, -9.8), noseUp: g(6, 0, -7.7), rightDown: g(0, -6, -7.7) } },
				{ yawDeg: 0, verdict: 'pass' },
				{ gestures: { level: g(0, 0, -9.8), noseUp: g(6, 0, -7.7), rightDown: { accel: [0, 'x', 1] } } },
				'gestures.rightDown.accel.1',
			],
			[
				'vibration/review',
				{ accel: still, rotorHz: 90 },
				{ verdict: 'fail' },
				{ accel: still, rotorHz: -1 },
				'rotorHz',
			],
			[
				'return/plan',
				plan,
				{ verdict: 'pass', reachable: true },
				{ ...plan, obstacles: [{ bearingDeg: 1, distanceM: 1, heightM: -1 }] },
				'obstacles.0.heightM',
			],
			[
				'response/diagnose',
				{ layout: 'quad-x', spin: 'front-inward', observed },
				{ safeToContinue: false, nextTest: { code: 'spin-check' } },
				{ layout: 'quad-x', spin: 'front-inward', observed: { ...observed, throttle: 'up' } },
				'observed.throttle',
			],
		];
		for (const [route, good, expected, bad, path] of cases) {
			const ok = await request.post(`/api/${route}`, { data: good });
			expect(ok.status(), route).toBe(200);
			expect(await ok.json()).toMatchObject(expected);
			const refused = await request.post(`/api/${route}`, { data: bad });
			expect(refused.status(), route).toBe(400);
			expect((await refused.json()).error.path).toBe(path);
		}
	});

	test('a photo: tilt of its horizon, refusals, and sizes', async ({ request }) => {
		const drawing = (width: number, height: number, tiltDeg: number) => {
			const drop = (width / 2) * Math.tan((tiltDeg * Math.PI) / 180);
			return Buffer.from(
				`<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="100%" height="100%" fill="#bcd"/><path d="M0 ${height / 2 - drop}L${width} ${height / 2 + drop}V${height}H0z" fill="#354"/></svg>`,
			);
		};
		const post = (data: Buffer, type = 'image/jpeg') =>
			request.post('/api/horizon/tilt', { headers: { 'content-type': type }, data });
		const photo = await sharp(drawing(1600, 1000, 3))
			.jpeg()
			.toBuffer();
		const answer = await (await post(photo)).json();
		expect(answer.tiltDeg).toBeCloseTo(3, 1);
		expect(answer.line[2]).toBe(1600);
		// Held on its side, told by EXIF: the answer is for the picture as it is meant to be seen.
		const turned = await sharp(photo).rotate(270).withMetadata({ orientation: 6 }).jpeg().toBuffer();
		expect((await (await post(turned)).json()).tiltDeg).toBeCloseTo(3, 1);
		const blank = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#777' } })
			.png()
			.toBuffer();
		expect((await (await post(blank, 'image/png')).json()).reasons[0].code).toBe('insufficient-horizon');
		const empty = await post(Buffer.alloc(0), 'image/png');
		expect([empty.status(), (await empty.json()).error.path]).toEqual([400, 'body']);
		expect((await post(photo.subarray(0, 700))).status()).toBe(400);
		expect((await post(Buffer.from('no picture'))).status()).toBe(400);
		expect((await post(photo, 'image/gif')).status()).toBe(415);
		const huge = await sharp({
			create: { width: 8000, height: 7000, channels: 3, background: '#777' },
			limitInputPixels: false,
		})
			.png()
			.toBuffer();
		expect((await post(huge, 'image/png')).status()).toBe(413);
	});

	test('the description lists every route with its schemas', async ({ request }) => {
		const description = await (await request.get('/api/openapi.json')).json();
		expect(Object.keys(description.paths)).toHaveLength(11);
		expect(
			description.paths['/api/compass/fit'].post.requestBody.content['application/json'].schema.properties.mag
				.properties.x.type,
		).toBe('array');
	});
});
