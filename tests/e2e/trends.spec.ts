import { expect, test } from '@playwright/test';
import { choose, DEMO_STATE, expectAccessible, startSession, toStation } from './support';

test.use({ storageState: DEMO_STATE });

test('figures stand flight by flight with what changed between, words are explained where they stand, hands are counted', async ({
	page,
}) => {
	await page.goto('/aircraft/demo-dunlin/trends');
	const h1 = page.getByRole('heading', { level: 1 });
	await expect(h1).toBeVisible();
	await expect(page.getByRole('region', { name: 'Hold radius in the hover' })).toBeVisible();
	const changes = page.getByRole('combobox', { name: 'Before and after' });
	await choose(changes, 1);
	await expect(
		page.getByText(/nothing to compare|than before|within the noise|cannot be compared/).first(),
	).toBeVisible();
	await page.locator('#accelerometer summary').click();
	await expect(
		page
			.getByRole('figure')
			.filter({ hasText: /since / })
			.last(),
	).toBeVisible();
	await expectAccessible(page, 'trends');

	await page.goto('/help/words#position-hold');
	await expect(page.getByText('Keeps its place against the wind.', { exact: false })).toBeVisible();
	await expectAccessible(page, 'words');

	await startSession(page, 'Dunlin', 'flight');
	await toStation(page, 'plan?item=lost-position');
	await expect(
		page.getByText(/Ines Marlowe last flew without position hold|No flight of Ines Marlowe without position hold/),
	).toBeVisible();
	await page.getByText('Position hold', { exact: true }).click();
	await expect(page.getByText('Needs satellites or downward vision', { exact: false })).toBeVisible();
});
