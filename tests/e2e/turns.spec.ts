import { expect, test, type Page } from '@playwright/test';
import { holdTime, listen, passTimeUntil } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
async function turn(page: Page, plan: RegExp, hands: string) {
	await holdTime(page);
	await page.goto('/instruments/compass');
	await page.getByRole('radio', { name: plan }).click();
	await page.getByLabel('Whose hands turn it').selectOption(hands);
	await page.getByRole('button', { name: 'Start turning' }).click();
}

test('a recipe of three turns is counted, held to the end of its window, and judged by its data', async ({ page }) => {
	const heard = await listen(page);
	await turn(page, /^Three turns about/, 'Three turns');
	await passTimeUntil(page, page.getByText(/turn 2 of 3/));
	await passTimeUntil(page, heading(page), /^Keep holding it/);
	await passTimeUntil(page, heading(page), /^The heading is known to ±/);
	expect((await heard()).words).toContain('All turns are in. Put it down.');
});

test('a second turn that is tilted too little is told by how much, until it is enough', async ({ page }) => {
	await turn(page, /^Second turn tilted/, 'Tilted too little first');
	await passTimeUntil(page, heading(page), /^Tilt it more: \d\d°, beyond 45° is wanted/);
	await passTimeUntil(page, heading(page), /^The heading is known to ±/);
});
