import { expect, test } from '@playwright/test';
import { expectAccessible, openDemo } from './support';

test('settings for a room wait on a list, and hold every session until they are back', async ({ page }) => {
	await openDemo(page);
	await page.goto('/aircraft/demo-dunlin/indoor');
	const begin = page.getByRole('button', { name: 'It is set for indoors now' });
	await expect(begin).toBeDisabled();
	await expectAccessible(page, 'indoor settings');
	await expect(page.getByRole('checkbox').first()).toBeVisible();
	for (const box of await page.getByRole('checkbox').all()) await box.uncheck();
	await page.getByRole('checkbox', { name: /When the link is lost/ }).check();
	await page.getByLabel('When the link is lost: outdoors, as it is now').fill('return home at 40 m');
	await begin.click();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('Dunlin is set for indoors: 1 setting to put back');

	await page.goto('/session/demo-open/fly');
	await expect(page.getByText('Dunlin is still set for indoors').first()).toBeVisible();
	await page.getByRole('link', { name: 'Put them back' }).first().click();
	await page.getByRole('checkbox', { name: /back to return home at 40 m/ }).check();
	await page.getByRole('button', { name: 'Outdoors again' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('before it goes under a roof');
	await page.reload();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('before it goes under a roof');
	await page.goto('/session/demo-open/fly');
	await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
	await expect(page.getByText('Dunlin is still set for indoors')).toHaveCount(0);
});
