import { expect, test, type Page } from '@playwright/test';
import { DEMO_STATE, toStation } from './support';

/** A crew of three with three aircraft on two devices: the day on both, one record in the evening. */
test.use({ storageState: DEMO_STATE });

async function exportAll(page: Page): Promise<Buffer> {
	const { readFileSync } = await import('node:fs');
	await page.goto('/data');
	const saving = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Export everything (zip)' }).click();
	return readFileSync(await (await saving).path());
}
async function bringIn(page: Page, name: string, buffer: Buffer): Promise<void> {
	await page.goto('/data');
	await page.locator('main input[type=file]').setInputFiles({ name, mimeType: 'application/zip', buffer });
	await page.getByRole('button', { name: 'Bring it in' }).click();
	await expect(page.getByText(/^Imported:/)).toBeVisible();
}
/** A session with a second person, who confirms every answer of its plan. */
async function morning(page: Page, aircraft: string, pilot: string, second: string): Promise<void> {
	await page.goto('/session/new');
	await page.getByRole('radio', { name: new RegExp(`^${aircraft}`) }).click();
	await page.getByRole('button', { name: 'Add a person' }).click();
	await page.getByLabel('Name of person 1').fill(second);
	await page.getByLabel('What it is for').fill(`${aircraft} for the client`);
	await page.getByLabel('Pilot in command').fill(pilot);
	await page.getByRole('button', { name: 'Start the session' }).click();
	await expect(page).toHaveURL(/\/plan$/);
	// The address is there before the page is.
	await expect(page.getByText(/^Plan of /)).toBeVisible();
	await page.locator('body').press('Enter');
	await expect(page.getByText(/· 1 of \d+ answered/)).toBeVisible();
	await page.getByRole('button', { name: /as second person/ }).click();
	await page.getByRole('dialog').getByRole('button', { name: 'Confirm 1 answer' }).click();
	await expect(page.getByText(`1 answer confirmed by ${second}`)).toBeVisible();
}

test('three sessions side by side on two devices, each with its names, merged in the evening, a page for each client', async ({
	page,
	browser,
	baseURL,
}) => {
	test.setTimeout(240_000);
	// The second device begins with what the first knows.
	const second = await (
		await browser.newContext({ baseURL: baseURL ?? '', storageState: { cookies: [], origins: [] } })
	).newPage();
	await bringIn(second, 'evening-before.zip', await exportAll(page));

	await morning(page, 'Dunlin', 'Ines Marlowe', 'Tamsin Reed');
	const first = page.url();
	await morning(page, 'Curlew', 'Ines Marlowe', 'Tamsin Reed');
	await morning(second, 'Avocet', 'Jonas Wick', 'Tamsin Reed');
	// Side by side: the first goes on where it was left, nothing of the other in it.
	await page.goto(first);
	await expect(page.getByText(/Plan of Dunlin · 1 of \d+ answered/)).toBeVisible();
	await page.goto('/');
	for (const running of ['Dunlin for the client', 'Curlew for the client'])
		await expect(page.getByText(running).first()).toBeVisible();

	// Only what the other device has more comes in; what both have stays as it is.
	await bringIn(page, 'other-device.zip', await exportAll(second));
	await page.goto('/logbook');
	for (const title of ['Dunlin', 'Curlew', 'Avocet'])
		await expect(page.getByRole('link', { name: `${title} for the client` })).toBeVisible();
	const avocet = page.getByRole('listitem').filter({ hasText: 'Avocet for the client' });
	await expect(avocet).toContainText('Jonas Wick');
	await avocet.getByRole('button', { name: 'Verify' }).click();
	await expect(page.getByText(/The chain of \d+\s+entries\s+holds/)).toBeVisible();
	await avocet.getByRole('link', { name: 'Sheet' }).click();
	await expect(page.getByText(/confirmed by Tamsin Reed/).first()).toBeVisible();
	// It goes on here as it would have there.
	await toStation(page, 'plan');
	await expect(page.getByText(/Plan of Avocet · 1 of \d+ answered/)).toBeVisible();

	await page.goto('/logbook/proof');
	for (const title of ['Dunlin', 'Avocet']) {
		const box = page.getByRole('checkbox', { name: new RegExp(`^${title} for the client`) });
		await box.check();
		await expect(page.getByRole('region', { name: `${title} for the client` })).toBeVisible();
		await box.uncheck();
	}
	await second.context().close();
});
