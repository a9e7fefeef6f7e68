import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { WAY_HOME } from '../rig/wayHome';
import { handleRoute } from './handle';
import { describeRoutes } from './openapi';
import { methodOf, ROUTES, routeOf, TYPES, type RoutePath } from './routes';

const CALLER = { client: 'here', left: new AbortController().signal };

/** A request to a route, answered without a server. */
async function ask(route: string, init: { body?: BodyInit; type?: string; method?: string } = {}) {
	const url = new URL(`http://localhost/api/${route}`);
	const request = new Request(url, {
		method: init.method ?? (init.body === undefined ? 'GET' : 'POST'),
		...(init.body === undefined ? {} : { body: init.body }),
		headers: { 'content-type': init.type ?? 'application/json' },
	});
	const response = await handleRoute(url.pathname.slice('/api/'.length), request, url, CALLER);
	return { status: response.status, headers: response.headers, body: await response.json() };
}
const post = (route: string, data: unknown) => ask(route, { body: JSON.stringify(data) });

const circle = (n: number) => {
	const t = Array.from({ length: n }, (_, k) => k / 20);
	return {
		t,
		x: t.map((s) => 20 * Math.cos(s)),
		y: t.map((s) => 20 * Math.sin(s)),
		z: t.map((s) => 40 + 0.3 * Math.sin(37 * s)),
	};
};

describe('every route of the table', () => {
	const paths = Object.keys(ROUTES) as RoutePath[];

	it.each(paths)('%s: its example is answered, and the answer is of its schema', async (path) => {
		const { body, answer, exampleQuery = {} } = routeOf(path);
		if (body.kind === 'picture') return;
		const query = new URLSearchParams(exampleQuery);
		const sent = body.kind === 'json' ? JSON.stringify(body.example) : body.kind === 'text' ? body.example : undefined;
		const told = await ask(`${path}?${query}`, {
			...(sent === undefined ? {} : { body: sent }),
			type: TYPES[body.kind][0] ?? 'application/json',
		});
		expect(told.status).toBe(200);
		expect(answer.safeParse(told.body).error?.issues).toBeUndefined();
	});

	it.each(paths)('%s: refuses another method and another content type', async (path) => {
		const wrong = await ask(path, { method: methodOf(ROUTES[path]) === 'GET' ? 'POST' : 'GET' });
		expect([wrong.status, wrong.headers.get('allow')]).toEqual([405, methodOf(ROUTES[path])]);
		if (ROUTES[path].body.kind !== 'none')
			expect((await ask(path, { body: 'x', type: 'image/gif' })).body.error.code).toBe('wrong-content-type');
	});

	it('stands in the description with its schemas and examples', () => {
		const description = describeRoutes();
		expect(Object.keys(description.paths)).toEqual(paths.map((path) => `/api/${path}`));
		expect(JSON.stringify(description)).toContain('"rightDown":{"accel":[0,-6,-7.7]}');
	});

	it('a path that is none is 404', async () => {
		expect(await ask('compass/bend')).toMatchObject({ status: 404, body: { error: { path: 'path' } } });
	});
});

describe('bad input', () => {
	it.each([
		['lon=0&altM=0&date=2026-01-01', 'lat'],
		['lat=91&lon=0&altM=0&date=2026-01-01', 'lat'],
		['lat=0&lon=x&altM=0&date=2026-01-01', 'lon'],
		['lat=0&lon=0&altM=200000&date=2026-01-01', 'altM'],
		['lat=0&lon=0&altM=0&date=2026-13-01', 'date'],
		['lat=0&lon=0&altM=0&date=2030-01-01', 'date'],
	])('field?%s names %s', async (query, path) => {
		expect(await ask(`field?${query}`)).toMatchObject({ status: 400, body: { error: { path } } });
	});

	it.each([
		[{ mag: { ...circle(3), x: [1, null, 2] } }, 'mag.x.1'],
		[{ mag: { ...circle(3), t: [0, 2, 1] } }, 'mag.t.2'],
		[{ mag: { ...circle(3), z: [1, 2] } }, 'mag.z'],
		[{ mag: { t: [], x: [], y: [], z: [] } }, 'mag.t'],
		[{}, 'mag'],
		[{ mag: circle(400), site: { latDeg: 0, lonDeg: 0, altM: 0, date: '2040-01-01' } }, 'site.date'],
	] as const)('a compass fit of %j names %s', async (data, path) => {
		expect(await post('compass/fit', data)).toMatchObject({ status: 400, body: { error: { path } } });
	});

	it('that is no JSON, or empty, is told of the body', async () => {
		expect((await ask('compass/fit', { body: '{"mag":' })).body.error.code).toBe('unreadable-json');
		expect((await ask('gnss/review', { body: '', type: 'text/plain' })).status).toBe(400);
	});

	it('over the limit is 413 before it is read', async () => {
		const url = new URL('http://localhost/api/gnss/review');
		const headers = { 'content-type': 'text/plain', 'content-length': String(33 * 1024 * 1024) };
		const request = new Request(url, { method: 'POST', body: 'x', headers });
		expect((await handleRoute('gnss/review', request, url, CALLER)).status).toBe(413);
	});
});

describe('the routes of the core', () => {
	it('refuse what is too little as an answer, not as a fault', async () => {
		const { status, body } = await post('compass/fit', { mag: circle(400) });
		expect(status).toBe(200);
		expect(body.verdict).toBe('fail');
		expect(body.reasons[0].code).toMatch(/^insufficient-/);
		const text = await ask('gnss/review?minSatellites=6', { body: 'no sentence', type: 'text/plain' });
		expect(text.body.reasons[0].code).toBe('insufficient-sentences');
	});

	it('review a hover', async () => {
		const t = Array.from({ length: 300 }, (_, k) => k / 5);
		const track = { t, north: t.map((s) => 0.5 * s), east: t.map(() => 0), up: t.map(() => 2) };
		expect((await post('hover/review', { hold: 'height', track })).body.drift.speedMps).toBeCloseTo(0.5, 6);
		const off = { hold: 'height', track: { t: [0, 1], lat: [0, 95], lon: [0, 0], alt: [0, 0] } };
		expect((await post('hover/review', off)).body.error.path).toBe('track.lat.1');
	});

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
		['vibration/review', { accel: still, rotorHz: 90 }, { verdict: 'fail' }, { accel: still, rotorHz: -1 }, 'rotorHz'],
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

	it.each(cases)('%s: an answer, and a fault with its path', async (route, good, expected, bad, path) => {
		expect(await post(route, good)).toMatchObject({ status: 200, body: expected });
		expect(await post(route, bad)).toMatchObject({ status: 400, body: { error: { path } } });
	});

	it('a photo: tilt of its horizon, refusals, and sizes', async () => {
		const drawing = (width: number, height: number, tiltDeg: number) => {
			const drop = (width / 2) * Math.tan((tiltDeg * Math.PI) / 180);
			return Buffer.from(
				`<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="100%" height="100%" fill="#bcd"/><path d="M0 ${height / 2 - drop}L${width} ${height / 2 + drop}V${height}H0z" fill="#354"/></svg>`,
			);
		};
		const post = (data: Buffer, type = 'image/jpeg') => ask('horizon/tilt', { body: new Uint8Array(data), type });
		const photo = await sharp(drawing(1600, 1000, 3))
			.jpeg()
			.toBuffer();
		const answer = (await post(photo)).body;
		expect(answer.tiltDeg).toBeCloseTo(3, 1);
		expect(answer.line[2]).toBe(1600);
		// Held on its side, told by EXIF: the answer is for the picture as it is meant to be seen.
		const turned = await sharp(photo).rotate(270).withMetadata({ orientation: 6 }).jpeg().toBuffer();
		expect((await post(turned)).body.tiltDeg).toBeCloseTo(3, 1);
		const blank = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#777' } })
			.png()
			.toBuffer();
		expect((await post(blank, 'image/png')).body.reasons[0].code).toBe('insufficient-horizon');
		const empty = await post(Buffer.alloc(0), 'image/png');
		expect([empty.status, empty.body.error.path]).toEqual([400, 'body']);
		expect((await post(photo.subarray(0, 700))).status).toBe(400);
		expect((await post(Buffer.from('no picture'))).status).toBe(400);
		expect((await post(photo, 'image/gif')).status).toBe(415);
		const huge = await sharp({
			create: { width: 8000, height: 7000, channels: 3, background: '#777' },
			limitInputPixels: false,
		})
			.png()
			.toBuffer();
		expect((await post(huge, 'image/png')).status).toBe(413);
	});
});
