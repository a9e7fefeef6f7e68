import { expect, test } from '@playwright/test';
import { DEMO_STATE } from './support';

test.use({ storageState: DEMO_STATE });

test('a dialog has the cursor where one types, keeps the keys, and gives the focus back however it is closed', async ({
	page,
}) => {
	await page.goto('/sites');
	const enter = page.getByRole('button', { name: 'Enter a site' });
	const dialog = page.getByRole('dialog', { name: 'A new site' });
	await enter.click();
	await expect(dialog.getByLabel('Name')).toBeFocused();
	for (let k = 0; k < 40; k++) {
		await page.keyboard.press('Tab');
		expect(await page.evaluate(() => document.activeElement?.closest('main, header'))).toBeNull();
	}
	await page.keyboard.press('Escape');
	// Out of the page, not only out of sight.
	await expect(page.locator('dialog')).toHaveCount(0);
	await expect(enter).toBeFocused();

	await enter.press('Enter');
	await expect(dialog.getByLabel('Name')).toBeFocused();
	await page.mouse.click(5, 400);
	await expect(dialog).toHaveCount(0);
	await expect(enter).toBeFocused();
});

test('what a dialog could not do is told in front of it, can be closed there, and outlives it', async ({ page }) => {
	await page.goto('/sites');
	await page.getByRole('button', { name: 'Enter a site' }).click();
	const dialog = page.getByRole('dialog', { name: 'A new site' });
	await dialog.getByLabel('Name').fill('Far meadow');
	await dialog.getByLabel('Latitude').fill('54.2');
	await dialog.getByLabel('Longitude').fill('-3.1');
	await page.evaluate(() => {
		IDBObjectStore.prototype.put = () => {
			throw new Error('The device refused to write.');
		};
	});
	await dialog.getByRole('button', { name: 'Save' }).click();
	const notice = page.locator('[data-sonner-toast]').first();
	await expect(dialog.locator(notice)).toContainText('refused');
	await page.keyboard.press('Escape');
	await expect(dialog).toHaveCount(0);
	await expect(notice).toBeVisible();
	await page.getByRole('button', { name: 'Enter a site' }).click();
	await dialog.getByRole('button', { name: 'Close toast' }).click();
	await expect(notice).toHaveCount(0);
	await expect(dialog).toBeVisible();
});
