import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import { chromium, type Browser, type CDPSession, type Locator, type Page } from '@playwright/test';
import { build } from 'vite';
import { wholeOptions } from '../chromium.mjs';
import sharp from 'sharp';
import { seededRng } from '../../src/lib/core/math/random';
import { findHorizon } from '../../src/lib/core/payload/horizon';
import { pictureLimits } from '../../src/lib/core/payload/limits';
import { horizonPicture } from '../../src/lib/rig/pictures';
import { sentence } from '../../src/lib/rig/receiver';
import { decodePicture } from '../../src/lib/server/decodePicture';
import { report, timeMs } from './report';

const PORT = 4195;
const BASE = `http://localhost:${PORT}`;
const SLOWED = 4;
const STREAM_HZ = 200;
const PLAIN = '.svelte-kit/bench-plain';
const KB = 1024;

/** A page of the same stack with next to nothing on it: a text, a field, a button that adds a line. */
const PLAIN_PAGE: Record<string, string> = {
	'index.html':
		'<!doctype html><title>Plain</title><div id="app"></div><script type="module" src="./main.ts"></script>',
	'main.ts': `import { mount } from 'svelte'; import Plain from './Plain.svelte'; mount(Plain, { target: document.getElementById('app') });`,
	'Plain.svelte': `<script>let lines = $state([]); let text = $state('');</script>
<h1>Plain</h1><label>Text <input bind:value={text} /></label>
<button onclick={() => lines.push(text)}>Add</button><ul>{#each lines as line, k (k)}<li>{line}</li>{/each}</ul>`,
};

/** What the observers in the page have seen since they were last asked. */
interface Seen {
	/** Milliseconds from each input to the picture that answers it. */
	answers: number[];
	/** Milliseconds of each task over 50. */
	long: number[];
}

async function buildPlain(): Promise<string> {
	mkdirSync(PLAIN, { recursive: true });
	for (const [name, text] of Object.entries(PLAIN_PAGE)) writeFileSync(join(PLAIN, name), text);
	await build({
		root: PLAIN,
		configFile: false,
		logLevel: 'silent',
		plugins: [svelte({ configFile: false })],
		build: { outDir: 'dist', emptyOutDir: true, modulePreload: false },
		base: './',
	});
	return join(PLAIN, 'dist');
}

/** Kilobytes of script that a page has loaded, as they came over the line. */
const scriptKb = (page: Page): Promise<number> =>
	page.evaluate(() => {
		const scripts = (performance.getEntriesByType('resource') as PerformanceResourceTiming[]).filter(({ name }) =>
			new URL(name).pathname.endsWith('.js'),
		);
		return scripts.reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0) / 1024;
	});

async function open(browser: Browser): Promise<{ page: Page; cdp: CDPSession }> {
	const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
	// The loader of these scripts names inner functions by a helper of its own, which a page does not have.
	await page.addInitScript('globalThis.__name = (f) => f');
	await page.addInitScript(() => {
		const seen = { answers: [] as number[], long: [] as number[] };
		Object.assign(window, { seen });
		new PerformanceObserver((list) => {
			for (const entry of list.getEntries() as PerformanceEventTiming[])
				if (entry.interactionId > 0) seen.answers.push(entry.duration);
		}).observe({ type: 'event', durationThreshold: 16, buffered: true } as PerformanceObserverInit);
		new PerformanceObserver((list) => seen.long.push(...list.getEntries().map(({ duration }) => duration))).observe({
			type: 'longtask',
			buffered: true,
		});
	});
	return { page, cdp: await page.context().newCDPSession(page) };
}

/** What was seen since it was last asked; the list begins again. */
const take = (page: Page): Promise<Seen> =>
	page.evaluate(() => {
		const { seen } = window as unknown as { seen: Seen };
		const out = { answers: [...seen.answers], long: [...seen.long] };
		seen.answers.length = seen.long.length = 0;
		return out;
	});

const settled = (page: Page) => page.waitForTimeout(700);
const most = (values: number[]) => (values.length === 0 ? 0 : Math.max(...values));

/** What a pilot does on a phone, each by itself: what it is called, how one gets there, what is tapped, or what keys are pressed. */
const ACTIONS: [string, string, ((page: Page) => Locator) | string[]][] = [
	['answer an item with a key', '/session/demo-open/bench', ['Enter']],
	['go to the next station', '/session/demo-open/bench', ['ArrowRight']],
	['look at another item', '/session/demo-open/plan', (page) => page.getByRole('listitem').getByRole('button').last()],
	['ask what is flown', '/session/demo-open/plan', (page) => page.getByRole('button', { name: 'What is flown today' })],
	['open the places', '/', (page) => page.getByRole('button', { name: 'Places' })],
	['open a folded part', '/aircraft/demo-dunlin', (page) => page.locator('summary').last()],
	['begin a new site', '/sites', (page) => page.getByRole('button', { name: 'Enter a site' })],
	['ask the finder', '/finder', ['d', 'r', 'i', 'f', 't', 's']],
	['ask why the gate holds', '/session/demo-stopped/fly', (page) => page.getByRole('button', { name: 'Why' }).first()],
	['open the settings', '/', (page) => page.getByRole('button', { name: 'Settings' })],
];

async function answers(page: Page, cdp: CDPSession): Promise<Record<string, string | number>[]> {
	const rows: Record<string, string | number>[] = [];
	for (const [what, path, act] of ACTIONS) {
		await page.goto(`${BASE}${path}`);
		if (path === '/finder') await page.getByRole('searchbox').focus();
		// A page that is still being opened answers later than one that stands.
		await settled(page);
		await settled(page);
		rows.push({ what, ...(await timed(page, cdp, act)) });
	}
	return rows;
}

/** Does something with the processor slowed. What is tapped is found before: looking for it would count too. */
async function timed(page: Page, cdp: CDPSession, act: ((page: Page) => Locator) | string[]) {
	const target = typeof act === 'function' ? act(page) : null;
	await target?.scrollIntoViewIfNeeded();
	const box = await target?.boundingBox();
	await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
	await take(page);
	if (box) await page.mouse.click(box.x + box.width / 2, box.y + Math.min(22, box.height / 2));
	else
		for (const key of act as string[]) {
			await page.keyboard.press(key);
			await page.waitForTimeout(120);
		}
	await settled(page);
	const seen = await take(page);
	await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
	return { 'slowest answer, ms': most(seen.answers), 'longest task, ms': most(seen.long).toFixed(0) };
}

/** A serial line that sends one piece of text after the other, so many a second. */
const feedLine = ({ pieces, perSecond }: { pieces: string[]; perSecond: number }) => {
	const port = () => {
		let k = 0;
		let timer = 0;
		const from = performance.now();
		return {
			open: async () => undefined,
			close: async () => clearInterval(timer),
			readable: new ReadableStream({
				start(controller) {
					timer = window.setInterval(() => {
						const due = Math.min(pieces.length, Math.ceil((perSecond * (performance.now() - from)) / 1000));
						if (due > k) controller.enqueue(new TextEncoder().encode(pieces.slice(k, due).join('')));
						k = due;
					}, 20);
				},
			}),
		};
	};
	Object.defineProperty(navigator, 'serial', { value: { requestPort: async () => port() } });
};

/** Rows of a board that is turned and tilted: time, field, acceleration and turning. */
function boardRows(rateHz: number, seconds: number): string[] {
	const header = 't [s],mx [uT],my [uT],mz [uT],ax [m/s2],ay [m/s2],az [m/s2],gx [rad/s],gy [rad/s],gz [rad/s]\n';
	const rows = Array.from({ length: rateHz * seconds }, (_, k) => {
		const turn = (2 * Math.PI * k) / rateHz / 10;
		const tilt = 0.4 * Math.sin(turn / 7);
		const mag = [18 * Math.cos(turn), -18 * Math.sin(turn) * Math.cos(tilt), 45 * Math.cos(tilt)];
		const accel = [9.81 * Math.sin(tilt), 0.01, -9.81 * Math.cos(tilt)];
		return `${[k / rateHz, ...mag, ...accel, 0.02, 0.01, 0.63].map((v) => v.toFixed(4)).join(',')}\n`;
	});
	return [header, ...rows];
}

/** What a receiver says in each second that finds few satellites: its lock is waited for all the while. */
function receiverSeconds(seconds: number): string[] {
	return Array.from({ length: seconds }, (_, k) => {
		const clock = `${new Date(k * 1000).toISOString().slice(11, 19).replaceAll(':', '')}.00`;
		return SECOND.map((body) => `${sentence(body.replace('CLOCK', clock))}\r\n`).join('');
	});
}

const SECOND = [
	'GNGGA,CLOCK,5412.6780,N,00303.8520,W,1,05,3.4,12.0,M,47.0,M,,',
	'GNRMC,CLOCK,A,5412.6780,N,00303.8520,W,0.02,,140526,,,A',
	'GPGSA,A,3,01,02,03,04,05,,,,,,,,5.1,3.4,3.8',
	'GPGSV,2,1,06,01,40,083,46,02,17,308,41,03,07,344,39,04,60,120,44',
	'GPGSV,2,2,06,05,22,200,35,06,11,020,30',
];

async function streaming(browser: Browser): Promise<void> {
	const { page, cdp } = await open(browser);
	await page.addInitScript(feedLine, { pieces: boardRows(STREAM_HZ, 120), perSecond: STREAM_HZ });
	await page.goto(`${BASE}/instruments/compass`);
	await page.getByRole('radio', { name: 'Serial line' }).click();
	await page.getByRole('button', { name: 'Listen to the line' }).click();
	await page.getByText(/^±/).first().waitFor();
	const rows: Record<string, string | number>[] = [];
	for (const rate of [1, SLOWED]) {
		await cdp.send('Emulation.setCPUThrottlingRate', { rate });
		await page.waitForTimeout(2000);
		await take(page);
		await page.waitForTimeout(20_000);
		const { long } = await take(page);
		rows.push({
			'processor slowed': `${rate} ×`,
			'tasks over 50 ms in 20 s': long.length,
			'longest, ms': most(long).toFixed(0),
		});
	}
	report('Streaming nine columns, 200 rows a second, into the compass’s turning', rows);
	await page.context().close();
}

async function anHour(browser: Browser): Promise<void> {
	const { page, cdp } = await open(browser);
	const quick = 20;
	await page.addInitScript(feedLine, { pieces: receiverSeconds(3700), perSecond: quick });
	await page.goto(`${BASE}/instruments/position`);
	await page.getByRole('radio', { name: 'Serial line' }).click();
	await page.getByRole('button', { name: 'Listen to the line' }).click();
	await page.getByText(/Watched for 0:0[2-9]/).waitFor();
	await cdp.send('Performance.enable');
	const heapMb = async () => {
		await cdp.send('HeapProfiler.collectGarbage');
		const { metrics } = await cdp.send('Performance.getMetrics');
		return (metrics.find(({ name }) => name === 'JSHeapUsedSize')?.value ?? 0) / KB / KB;
	};
	const row: Record<string, string> = {};
	for (const minutes of [2, 15, 30, 45, 60]) {
		const before = Object.keys(row).length === 0 ? 0 : Number.parseInt(Object.keys(row).at(-1) ?? '0', 10);
		await page.waitForTimeout(((minutes - before) * 60_000) / quick);
		row[`${minutes} min`] = (await heapMb()).toFixed(1);
	}
	await page.getByText(/Watched for [1-9]:/).waitFor();
	report(`Memory in MB while a lock is waited for, an hour in ${60 / quick} minutes`, [row]);
	await page.context().close();
}

/** Pixels of a photo as an aircraft's camera takes it, and the grain of its sensor. */
const PHOTO = { width: 4000, height: 3000, grain: 6 };

/** A view with a horizon, as a photo of full size with the detail of one. */
async function photo(): Promise<Buffer> {
	const { width, height, grain } = PHOTO;
	const rng = seededRng(5);
	const view = horizonPicture(3, rng, false, width / 4, height / 4);
	const rgb = await sharp(view.rgb, { raw: { width: view.width, height: view.height, channels: 3 } })
		.resize(width, height)
		.raw()
		.toBuffer();
	for (let i = 0; i < rgb.length; i++) rgb[i] = Math.max(0, Math.min(255, rgb[i] + grain * (rng.uniform() - 0.5)));
	return sharp(rgb, { raw: { width, height, channels: 3 } })
		.jpeg({ quality: 92 })
		.toBuffer();
}

/** A photo's horizon beside its decoding: by the browser, as the instrument has it decoded. */
async function horizonBesideDecoding(page: Page): Promise<void> {
	const bytes = await photo();
	const wide = pictureLimits.horizonWide.value;
	const decoding = await page.evaluate(
		async ({ base64, most }) => {
			const blob = new Blob([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], { type: 'image/jpeg' });
			let best = Infinity;
			for (let k = 0; k < 5; k++) {
				const from = performance.now();
				const whole = await createImageBitmap(blob);
				const canvas = new OffscreenCanvas(most, Math.round((most * whole.height) / whole.width));
				const context = canvas.getContext('2d', { willReadFrequently: true });
				context?.drawImage(whole, 0, 0, canvas.width, canvas.height);
				context?.getImageData(0, 0, canvas.width, canvas.height);
				best = Math.min(best, performance.now() - from);
			}
			return best;
		},
		{ base64: bytes.toString('base64'), most: wide },
	);
	const picture = await decodePicture(bytes, wide);
	const searching = timeMs(() => findHorizon(picture), 5);
	report('The horizon of a photo of 12 megapixels beside its decoding in the browser (bar: 3 ×)', [
		{
			'decoded, ms': decoding.toFixed(0),
			'horizon, ms': searching.toFixed(0),
			times: (searching / decoding).toFixed(1),
		},
	]);
}

/** What only a browser shows: weight, answers on a slow device, streaming, memory; beside a plain page of the same stack. */
export async function benchBrowser(): Promise<void> {
	if (!existsSync('build/index.js')) throw new Error('Build the application first: npm run build.');
	const plain = await buildPlain();
	const server = spawn('node', ['scripts/serve.mjs'], {
		env: { ...process.env, PORT: String(PORT), ORIGIN: BASE },
		stdio: 'ignore',
	});
	const browser = await chromium.launch(wholeOptions);
	try {
		const { page, cdp } = await open(browser);
		for (let tries = 0; ; tries++) {
			const up = await page.goto(`${BASE}/?demo`).catch(() => null);
			if (up) break;
			if (tries > 60) throw new Error('The server did not start.');
			await page.waitForTimeout(250);
		}
		await page.getByText('Go on with').waitFor({ timeout: 60_000 });
		const fresh = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
		await fresh.goto(`${BASE}/`);
		await settled(fresh);
		const assets = join(plain, 'assets');
		const plainKb = readdirSync(assets)
			.filter((name) => name.endsWith('.js'))
			.reduce((sum, name) => sum + brotliCompressSync(readFileSync(join(assets, name))).length / KB, 0);
		report('Home’s script, compressed (bar: 150 kB), beside a plain page of the same stack', [
			{ 'home, kB': (await scriptKb(fresh)).toFixed(0), 'plain page, kB': plainKb.toFixed(0) },
		]);
		const rows = await answers(page, cdp);
		rows.push(...(await plainAnswers(browser, plain)));
		report(`Answers on a phone’s screen, the processor slowed ${SLOWED} × (bar: 100 ms)`, rows);
		await horizonBesideDecoding(page);
		await streaming(browser);
		await anHour(browser);
	} finally {
		await browser.close();
		server.kill();
		rmSync(PLAIN, { recursive: true, force: true });
	}
}

/** The plain page’s own answer to a key and to a click. */
async function plainAnswers(browser: Browser, dist: string) {
	const { page, cdp } = await open(browser);
	await page.route('http://plain.test/**', (route) => {
		const path = new URL(route.request().url()).pathname;
		return route.fulfill({ path: join(dist, path === '/' ? 'index.html' : path) });
	});
	const rows = [];
	for (const [what, act] of [
		['the plain page: type', ['d', 'r', 'i', 'f', 't', 's']],
		['the plain page: add a line', (on: Page) => on.getByRole('button')],
	] as const) {
		await page.goto('http://plain.test/');
		await page.getByRole('textbox').focus();
		await settled(page);
		rows.push({ what, ...(await timed(page, cdp, typeof act === 'function' ? act : [...act])) });
	}
	await page.context().close();
	return rows;
}
