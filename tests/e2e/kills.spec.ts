import { execSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, test, type BrowserContext, type Page } from '@playwright/test';
import { openDemo, startSession } from './support';

/** `KILLS=70 npx playwright test kills` tries longer than every run of the tests does. */
const KILLS = Number(process.env.KILLS ?? 6);

const counted = (page: Page) => page.getByText(/^Plan of .* · \d+ of \d+ answered$/);
const answered = async (page: Page) => Number(/(\d+) of/.exec((await counted(page).textContent()) ?? '')?.[1]);

/** Ends the browser as a dead battery would: no handler runs, nothing is written any more. */
async function kill(context: BrowserContext, folder: string): Promise<void> {
	const gone = new Promise((resolve) => context.once('close', resolve));
	// The folder in brackets, so that the shell that looks for it does not find itself.
	execSync(`pkill -KILL -f -- "[u]ser-data-dir=${folder}"`);
	await gone;
	await context.close().catch(() => undefined);
}

test('what the screen said is recorded outlives the browser being killed, and the chain holds', async ({
	baseURL,
	launchOptions,
	viewport,
}) => {
	test.setTimeout(60_000 + KILLS * 20_000);
	const folder = mkdtempSync(join(tmpdir(), 'winglogos-kills-'));
	const open = async () => {
		const context = await chromium.launchPersistentContext(folder, { ...launchOptions, baseURL, viewport });
		return { context, page: context.pages()[0] ?? (await context.newPage()) };
	};
	let said = 0;
	try {
		let { context, page } = await open();
		await openDemo(page);
		for (let round = 0; round < KILLS; round++) {
			await startSession(page, 'Dunlin');
			await expect(counted(page)).toBeVisible();
			const address = page.url();
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
			await kill(context, folder);
			({ context, page } = await open());
			await page.goto(address);
			await expect(counted(page)).toBeVisible();
			expect(await answered(page), `round ${round}`).toBeGreaterThanOrEqual(shown);
			await page.goto(address.replace(/plan$/, 'sheet'));
			await expect(page.getByText(/The chain of \d+\s+entries\s+holds/)).toBeVisible();
		}
		await context.close();
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
	expect(said).toBeGreaterThanOrEqual(KILLS);
});
