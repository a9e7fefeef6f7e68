import { expect, test } from '@playwright/test';
import { openDemo, startSession } from './support';

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
	await page.getByRole('button', { name: 'Stop', exact: true }).click();
	const heading = page.getByRole('heading', { level: 1 });
	await page.keyboard.press('1');
	const step = (await heading.textContent()) ?? '';
	await page.reload();
	await expect(heading).toHaveText(step);
	await page.keyboard.press('1');
	await expect(heading).toContainText('done by the aircraft’s own routine');
});

test('the first page needs less than 150 kB of script', async ({ page }) => {
	const sizes: Promise<number>[] = [];
	page.on('requestfinished', (request) => {
		if (/\.js$/.test(new URL(request.url()).pathname) && !request.url().includes('service-worker'))
			sizes.push(request.sizes().then(({ responseBodySize }) => responseBodySize));
	});
	await page.goto('/');
	await expect(page.getByRole('button', { name: 'Load the demo data' })).toBeVisible();
	const total = (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0);
	expect(total).toBeGreaterThan(50_000);
	expect(total).toBeLessThan(150_000);
});
