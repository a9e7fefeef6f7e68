import { execSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
	chromium,
	expect,
	test,
	type BrowserContext,
	type LaunchOptions,
	type Page,
	type PlaywrightTestOptions,
} from '@playwright/test';
import { openDemo, startSession, toStation } from './support';

/** `KILLS=70 npx playwright test kills` tries longer than every run of the tests does. */
const KILLS = Number(process.env.KILLS ?? 6);

/** What is typed or tapped is on the device this soon; the very moment before the end may be lost. */
const WRITTEN_MS = 400;

const counted = (page: Page) => page.getByText(/^Plan of .* · \d+ of \d+ answered$/);
const answered = async (page: Page) => Number(/(\d+) of/.exec((await counted(page).textContent()) ?? '')?.[1]);

/** A browser with a folder of its own, that is killed as a dead battery would: no handler runs, nothing is written any more. */
async function mortal(use: Pick<PlaywrightTestOptions, 'baseURL' | 'viewport'> & { launchOptions: LaunchOptions }) {
	const folder = mkdtempSync(join(tmpdir(), 'winglogos-kills-'));
	let context: BrowserContext;
	const open = async (): Promise<Page> => {
		context = await chromium.launchPersistentContext(folder, {
			...use.launchOptions,
			baseURL: use.baseURL ?? '',
			viewport: use.viewport ?? null,
		});
		return context.pages()[0] ?? context.newPage();
	};
	return {
		page: await open(),
		/** Killed, opened again, at the same address. */
		async killed(page: Page): Promise<Page> {
			const address = page.url();
			const gone = new Promise((resolve) => context.once('close', resolve));
			// The folder in brackets, so that the shell that looks for it does not find itself.
			execSync(`pkill -KILL -f -- "[u]ser-data-dir=${folder}"`);
			await gone;
			await context.close().catch(() => undefined);
			const next = await open();
			await next.goto(address);
			return next;
		},
		async end() {
			await context.close();
			rmSync(folder, { recursive: true, force: true });
		},
	};
}

test('what the screen said is recorded outlives the browser being killed, and the chain holds', async ({
	baseURL,
	launchOptions,
	viewport,
}) => {
	test.setTimeout(60_000 + KILLS * 20_000);
	const browser = await mortal({ baseURL, launchOptions, viewport });
	let said = 0;
	try {
		let { page } = browser;
		await openDemo(page);
		for (let round = 0; round < KILLS; round++) {
			await startSession(page, 'Dunlin');
			await expect(counted(page)).toBeVisible();
			for (let k = 0; k <= round % 4; k++) {
				await page.keyboard.press('Enter');
				await expect(counted(page)).toContainText(`${k + 1} of`);
			}
			// One more that may or may not be written: the blow falls somewhere in it.
			if (round % 2 === 1) {
				await page.keyboard.press('Enter');
				await page.waitForTimeout((round * 13) % 60);
			}
			const shown = await answered(page);
			said += shown;
			page = await browser.killed(page);
			await expect(counted(page)).toBeVisible();
			expect(await answered(page), `round ${round}`).toBeGreaterThanOrEqual(shown);
			await page.goto(page.url().replace(/plan$/, 'sheet'));
			await expect(page.getByText(/The chain of \d+\s+entries\s+holds/)).toBeVisible();
		}
	} finally {
		await browser.end();
	}
	expect(said).toBeGreaterThanOrEqual(KILLS);
});

test('what was typed and what was watched come back after the browser was killed', async ({
	baseURL,
	launchOptions,
	viewport,
}) => {
	test.setTimeout(60_000 + KILLS * 30_000);
	const browser = await mortal({ baseURL, launchOptions, viewport });
	try {
		let { page } = browser;
		await openDemo(page);
		for (let round = 0; round < Math.ceil(KILLS / 3); round++) {
			const title = `Half a title, ${round}`;
			await page.goto('/session/new');
			await page.getByLabel('What it is for').fill(title);
			await page.waitForTimeout(WRITTEN_MS + 300 * (round % 4));
			page = await browser.killed(page);
			await expect(page.getByLabel('What it is for')).toHaveValue(title);

			await startSession(page, 'Dunlin', 'rehearsal');
			await toStation(page, 'hover/hover');
			await page.getByRole('radio', { name: /By eye/ }).click();
			await page.getByRole('button', { name: 'It hovers: begin' }).click();
			await page.getByRole('button', { name: 'Still', exact: true }).click();
			await page.waitForTimeout(WRITTEN_MS + 300 * (round % 4));
			page = await browser.killed(page);
			await expect(page.getByRole('heading', { level: 1 })).toHaveText('Watch it for a minute, and tap what it does');
			await expect(page.getByText(/· 1/).filter({ hasText: 'a minute' })).toBeVisible();
			await page.getByRole('button', { name: 'The hover is over' }).click();
		}
	} finally {
		await browser.end();
	}
});
