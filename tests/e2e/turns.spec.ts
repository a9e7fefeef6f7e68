import { expect, test, type Page } from '@playwright/test';
import { choose, listen } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
async function turn(page: Page, plan: RegExp, hands: string) {
	await page.goto('/instruments/compass');
	await page.getByRole('radio', { name: plan }).click();
	await choose(page.getByLabel('Turned by'), hands);
	await page.getByRole('radio', { name: '4 ×' }).click();
	await page.getByRole('button', { name: 'Start turning' }).click();
}

test('a recipe of three turns is counted, held to the end of its window, and judged by its data', async ({ page }) => {
	const heard = await listen(page);
	await turn(page, /^Three turns about/, 'Three turns');
	await expect(page.getByText(/turn 2 of 3/)).toBeVisible({ timeout: 20_000 });
	await expect(heading(page)).toHaveText(/^Keep holding it/, { timeout: 20_000 });
	await expect(heading(page)).toHaveText(/^The heading is known to ±/, { timeout: 30_000 });
	expect((await heard()).words).toContain('All turns are in. Put it down.');
});

test('a second turn that is tilted too little is told by how much, until it is enough', async ({ page }) => {
	await turn(page, /^Second turn tilted/, 'Tilted too little first');
	await expect(heading(page)).toHaveText(/^Tilt it more: \d\d°, beyond 45° is wanted/, { timeout: 20_000 });
	await expect(heading(page)).toHaveText(/^The heading is known to ±/, { timeout: 40_000 });
});
