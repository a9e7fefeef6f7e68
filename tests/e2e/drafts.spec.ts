import { expect, test, type Page } from '@playwright/test';
import { openDemo, startSession, toStation, endHold } from './support';

test('what is half filled comes back after a reload, and is gone once it is kept', async ({ page }) => {
	await openDemo(page);
	await page.goto('/session/new');
	await page.getByLabel('What it is for').fill('Half a title');
	await page.reload();
	await expect(page.getByLabel('What it is for')).toHaveValue('Half a title');
	await startSession(page, 'Dunlin');
	await page.goto('/session/new');
	await expect(page.getByLabel('What it is for')).toHaveValue('');

	await page.goto('/sites');
	await page.getByRole('button', { name: 'Enter a site' }).click();
	await page.getByLabel('Name').fill('Far meadow');
	await page.reload();
	await expect(page.getByRole('dialog').getByLabel('Name')).toHaveValue('Far meadow');
	await page.keyboard.press('Escape');
	await page.reload();
	await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
	await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('a guided routine goes on at the same step, with what was answered', async ({ page }) => {
	await openDemo(page);
	await page.goto('/aircraft/demo-dunlin/guide/level');
	await expect(page.getByRole('checkbox').first()).toBeVisible();
	for (const box of await page.getByRole('checkbox').all()) await box.check();
	await page.getByRole('button', { name: 'Begin the routine' }).click();
	await endHold(page);
	const heading = page.getByRole('heading', { level: 1 });
	await page.keyboard.press('1');
	const step = (await heading.textContent()) ?? '';
	await page.reload();
	await expect(heading).toHaveText(step);
	await page.keyboard.press('1');
	await expect(heading).toContainText('done by the aircraft’s own routine');
});

test('a killed tab brings back what was being measured: a turning, faces held, a hover watched', async ({
	page,
	context,
}) => {
	await openDemo(page);
	await startSession(page, 'Dunlin', 'rehearsal');
	const h1 = (of: Page) => of.getByRole('heading', { level: 1 });
	/** The page goes without a word, as when a phone needs its memory for something else. */
	const killed = async (old: Page) => {
		const url = old.url();
		await old.close();
		const next = await context.newPage();
		await next.goto(url);
		return next;
	};
	await toStation(page, 'compass/compass');
	await page.getByRole('radio', { name: '4 ×' }).click();
	await page.getByRole('button', { name: 'Start turning' }).click();
	await expect(page.getByText(/[1-9]\d{3,} samples/)).toBeVisible();
	let now = await killed(page);
	await expect(h1(now)).toHaveText('What was recorded is not worked out yet');
	await now.getByRole('button', { name: 'Work it out' }).click();
	await expect(h1(now)).toContainText(/^Ended early.* Turn it again$/, { timeout: 60_000 });
	await expect(now.getByRole('button', { name: 'Go on turning' })).toHaveCount(0);
	await now.locator('body').press('Enter');
	await expect(h1(now)).toHaveText('Turn the compass through the field');
	now = await killed(now);
	await expect(h1(now)).toHaveText('Turn the compass through the field');

	await toStation(now, 'bench/measure-six-faces');
	await now.getByRole('button', { name: 'Begin, hands free' }).click();
	// What comes is written down about once a second: of two holds one is in by then.
	await expect(now.getByText('Wanted: Left side down')).toBeVisible({ timeout: 60_000 });
	now = await killed(now);
	await now.getByRole('button', { name: 'Work it out' }).click();
	await expect(h1(now)).toContainText('Not held still with');
	now = await killed(now);
	await now.getByRole('button', { name: 'Throw it away' }).click();
	await expect(now.getByRole('button', { name: 'Begin, hands free' })).toBeVisible();
	now = await killed(now);
	await expect(now.getByRole('button', { name: 'Begin, hands free' })).toBeVisible();
	await expect(now.getByText('A recording was left here')).toHaveCount(0);

	await toStation(now, 'hover/hover');
	await now.getByRole('radio', { name: /By eye/ }).click();
	await now.getByRole('button', { name: 'It hovers: begin' }).click();
	await now.getByRole('button', { name: 'Still', exact: true }).click();
	now = await killed(now);
	await expect(h1(now)).toHaveText('Watch it for a minute, and tap what it does');
	await expect(now.getByText(/· 1/).filter({ hasText: 'a minute' })).toBeVisible();
});

test('the first page needs less than 140 kB of script', async ({ page }) => {
	const sizes: Promise<number>[] = [];
	page.on('requestfinished', (request) => {
		if (/\.js$/.test(new URL(request.url()).pathname) && !request.url().includes('service-worker'))
			sizes.push(request.sizes().then(({ responseBodySize }) => responseBodySize));
	});
	await page.goto('/');
	await expect(page.getByRole('button', { name: 'Load the demo data' })).toBeVisible();
	const total = (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0);
	expect(total).toBeGreaterThan(50_000);
	expect(total).toBeLessThan(140_000);
});
