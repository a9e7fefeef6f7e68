import { expect, test } from '@playwright/test';
import { choose, DEMO_STATE, startSession, toStation } from './support';

test.use({ storageState: DEMO_STATE });

test('what is left undone comes back: on the start page, in the next session at its station, until it is seen', async ({
	page,
}) => {
	await page.goto('/');
	await startSession(page, 'Plover', 'flight');
	await toStation(page, 'close');
	await page.getByLabel('Leave something for the next session').fill('Fit the new rear foam');
	await choose(page.getByLabel('It comes back at'), 'Bench');
	await page.getByRole('button', { name: 'Leave it' }).click();
	await expect(page.getByText('Left; it comes back in the next session')).toBeVisible();
	await page.getByRole('button', { name: 'End the session' }).click();
	await expect(page.getByText(/Left for next time: Fit the new rear foam/).first()).toBeVisible();

	await page.goto('/');
	await expect(page.getByText(/Left on .*: Fit the new rear foam/)).toBeVisible();
	await startSession(page, 'Plover', 'flight');
	await toStation(page, 'bench');
	const row = page.getByRole('button', { name: /Fit the new rear foam/ });
	await row.click();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('Fit the new rear foam');
	await page.getByRole('button', { name: /^Seen/ }).click();
	await expect(page.getByText('Recorded')).toBeVisible();
	await page.goto('/');
	await expect(page.getByText(/Fit the new rear foam/)).toHaveCount(0);
});
