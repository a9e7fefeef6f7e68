import { expect, test } from '@playwright/test';
import { enterAircraft, expectAccessible, openDemo, startSession } from './support';

/** What was entered by mistake can be taken back, what stands in the record stays. */
test('an aircraft is deleted while nothing is recorded of it, an empty session too; a demo is taken out again', async ({
	page,
}) => {
	test.setTimeout(180_000);
	await openDemo(page);
	await enterAircraft(page, 'Redshank', 'Camera drone');
	await page.getByRole('heading', { name: 'Out of use' }).click();
	await page.getByRole('button', { name: 'Delete Redshank' }).click();
	await expect(page).toHaveURL(/\/aircraft$/);
	await expect(page.getByRole('link', { name: /Redshank/ })).toHaveCount(0);

	// One that stands in the record goes out of use with a reason, and is offered no more; then again.
	await page.goto('/aircraft/demo-avocet#out-of-use');
	await page.getByRole('button', { name: 'Take it out of use' }).click();
	await expect(page.getByRole('alert')).toContainText('it needs a reason');
	await page.getByLabel('Why it goes out of use').fill('wing broken');
	await page.getByRole('button', { name: 'Take it out of use' }).click();
	await expect(page.getByText('Avocet is out of use')).toBeVisible();
	await expectAccessible(page, 'out of use');
	await page.goto('/session/new');
	await expect(page.getByRole('radio', { name: /^Dunlin/ })).toBeVisible();
	await expect(page.getByRole('radio', { name: /^Avocet/ })).toHaveCount(0);
	await page.goto('/aircraft/demo-avocet#out-of-use');
	await page.getByRole('button', { name: 'Use it again' }).click();
	await expect(page.getByText('Avocet is in use again')).toBeVisible();
	await page.goto('/session/new');
	await expect(page.getByRole('radio', { name: /^Avocet/ })).toBeVisible();

	await page.goto('/');
	await startSession(page, 'Swift');
	await page.goto('/logbook');
	await page.getByRole('button', { name: 'Delete: nothing is in it' }).first().click();
	await expect(page.getByText(/is deleted/)).toBeVisible();
	await expect(page.getByRole('button', { name: 'Delete: nothing is in it' })).toHaveCount(0);

	await page.goto('/data');
	await page.getByRole('button', { name: 'Take the demo out again' }).click();
	await expectAccessible(page, 'taking the demo out');
	await page.getByRole('button', { name: 'Take it out', exact: true }).click();
	await expect(page.getByText('The demo is off this device')).toBeVisible();
	const entries = page.getByRole('row', { name: /Entries/ });
	await expect(entries.getByRole('cell').last()).toHaveText('0');
	await page.getByRole('button', { name: 'Undo' }).last().click();
	await expect(entries.getByRole('cell').last()).not.toHaveText('0');
	await page.getByRole('button', { name: 'Take the demo out again' }).click();
	await page.getByRole('button', { name: 'Take it out', exact: true }).click();
	await expect(entries.getByRole('cell').last()).toHaveText('0');
	await page.goto('/');
	await expect(page.getByRole('link', { name: 'Enter your aircraft' })).toBeVisible();
});
