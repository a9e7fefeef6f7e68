// Makes docs/screenshots again from the demo data: one current picture of each main view.
import { execSync, spawn } from 'node:child_process';
import { existsSync, mkdirSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { wholeOptions } from './chromium.mjs';

const PORT = 4197;
const BASE = `http://localhost:${PORT}`;
const OUT = 'docs/screenshots';
mkdirSync(OUT, { recursive: true });
if (!existsSync('build/index.js')) execSync('npm run build', { stdio: 'inherit' });
const server = spawn('node', ['scripts/serve.mjs'], {
	env: { ...process.env, PORT: String(PORT), ORIGIN: BASE },
	stdio: 'ignore',
});
const browser = await chromium.launch(wholeOptions);

const WIDE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

let rehearsal = '';

async function open(viewport) {
	const page = await (await browser.newContext({ viewport })).newPage();
	for (let tries = 0; ; tries++) {
		try {
			await page.goto(`${BASE}/?demo`);
			break;
		} catch (error) {
			if (tries > 40) throw error;
			await new Promise((resolve) => setTimeout(resolve, 250));
		}
	}
	await page.getByText('Go on with').waitFor({ timeout: 60_000 });
	// A rehearsal beside the demo's sessions: there the practice aircraft is at hand.
	await page.goto(`${BASE}/session/new`);
	await page.getByRole('radio', { name: /^A rehearsal/ }).click();
	await page.getByRole('radio', { name: /^Dunlin/ }).click();
	await page.getByLabel('What it is for').fill('Practice before the season');
	await page.getByLabel('Pilot in command').fill('Ines Marlowe');
	await page.getByRole('button', { name: 'Start the rehearsal' }).click();
	await page.waitForURL(/\/plan$/);
	rehearsal = page.url().replace(/\/plan$/, '');
	await page.waitForTimeout(5000); // the word that the demo has come fades away
	return page;
}

const shots = {
	home: async (page) => page.goto(`${BASE}/`),
	checklist: async (page) => page.goto(`${BASE}/session/demo-open/bench`),
	compass: async (page) => {
		await page.goto(`${rehearsal}/compass/compass`);
		await page.getByRole('button', { name: 'Start turning' }).click();
		await page.waitForTimeout(15_000);
	},
	'compass-result': async (page) => {
		await page.goto(`${rehearsal}/compass/compass`);
		// The turning of the picture before waits here.
		await page.getByRole('button', { name: 'Turn it again' }).click();
		await page.getByRole('radio', { name: '16 ×' }).click();
		await page.getByRole('button', { name: 'Start turning' }).click();
		await page.getByRole('button', { name: 'Accept these values' }).waitFor({ timeout: 60_000 });
	},
	position: async (page) => {
		await page.goto(`${rehearsal}/position/position`);
		await page.getByRole('radio', { name: '16 ×' }).click();
		await page.getByRole('button', { name: 'Watch the lock' }).click();
		await page.getByRole('button', { name: 'Record it' }).waitFor({ timeout: 60_000 });
	},
	hover: async (page) => {
		await page.goto(`${rehearsal}/hover/hover`);
		await page.getByLabel('Compass error').fill('48');
		await page.getByRole('button', { name: 'Fly the practice hover' }).click();
		await page.getByText('Hold radius (50 %)').waitFor();
	},
	gate: async (page) => page.goto(`${BASE}/session/demo-stopped/fly`),
	arm: async (page) => page.goto(`${BASE}/session/demo-open/arm`),
	sheet: async (page) => page.goto(`${BASE}/session/demo-clean/sheet`),
	aircraft: async (page) => page.goto(`${BASE}/aircraft/demo-dunlin`),
	logbook: async (page) => page.goto(`${BASE}/logbook`),
	instruments: async (page) => page.goto(`${BASE}/instruments`),
	finder: async (page) => {
		await page.goto(`${BASE}/finder?aircraft=demo-dunlin&sign=circles`);
		await page.getByRole('heading', { name: 'What it could be' }).waitFor();
	},
	holds: async (page) => {
		await page.goto(`${rehearsal}/bench/measure-six-faces`);
		await page.getByRole('radio', { name: '4 ×' }).click();
		await page.getByRole('button', { name: 'Begin, hands free' }).click();
		await page.getByText('Wanted: Right side down').waitFor({ timeout: 30_000 });
		await page.waitForTimeout(900);
	},
	'way-home': async (page) => {
		await page.goto(`${BASE}/session/demo-open/return/way-home`);
		await page.getByLabel('Wind from').fill('250');
		await page.getByLabel('Mean').fill('3');
		await page.getByLabel('Gusts').fill('4.5');
		await page.getByLabel('Gusts').blur();
		await page.getByRole('button', { name: 'Record the wind' }).click();
		await page.getByText(/comes home; turn back/).waitFor();
		await page.getByText('Wind recorded').waitFor({ state: 'hidden' });
	},
	bench: async (page) => {
		await page.goto(`${BASE}/session/demo-open/bench/bench-due`);
		await page.getByText('Due on Dunlin').first().waitFor();
	},
	practice: async (page) => {
		await page.goto(`${BASE}/practice`);
		await page.getByRole('button', { name: 'Switch it on' }).click();
		await page.getByRole('application').focus();
		for (const key of ['ArrowUp', 'ArrowUp', 'ArrowRight', 'e', 'e']) await page.keyboard.press(key);
		await page.waitForTimeout(2500);
	},
};
const phoneShots = {
	'phone-cue': async (page) => {
		await page.goto(`${rehearsal}/compass/compass`);
		await page.getByRole('button', { name: 'Start turning' }).click();
		await page.waitForTimeout(14_000);
	},
	'phone-gate': async (page) => page.goto(`${BASE}/session/demo-stopped/fly`),
};

try {
	for (const [viewport, group] of [
		[WIDE, shots],
		[PHONE, phoneShots],
	]) {
		const page = await open(viewport);
		for (const [name, go] of Object.entries(group)) {
			await go(page);
			await page.getByRole('heading', { level: 1 }).first().waitFor();
			await page.waitForTimeout(700);
			await page.screenshot({ path: `${OUT}/${name}.png` });
			console.log(`${OUT}/${name}.png`);
		}
	}
} finally {
	await browser.close();
	server.kill();
}
