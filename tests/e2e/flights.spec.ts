import { expect, test, type Page } from '@playwright/test';
import { wholeFlightCsv } from './logs';
import { DEMO_STATE, expectAccessible, startSession, toStation } from './support';

test.use({ storageState: DEMO_STATE });

const h1 = (page: Page) => page.getByRole('heading', { level: 1 });
test('a log of two hours is cut and judged, and the page answers meanwhile', async ({ page }) => {
	await page.goto('/instruments/hover');
	await page.getByRole('radio', { name: 'A track of your aircraft' }).click();
	await page.locator('main input[type=file]').setInputFiles({
		name: 'two-hours.csv',
		mimeType: 'text/csv',
		buffer: Buffer.from(wholeFlightCsv(9, 53)),
	});
	// The work is done beside the page: its dialogs open and close as ever.
	await page.keyboard.press('?');
	await expect(page.getByRole('dialog')).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(h1(page)).toHaveText('Which hover of this flight is judged?', { timeout: 60_000 });
	await page
		.getByRole('button', { name: /^Judge these 4\d s/ })
		.first()
		.click();
	await expect(page.getByText('Hold radius (95 %)').first()).toBeVisible();
});

const file = { name: 'flight.csv', mimeType: 'text/csv', buffer: Buffer.from(wholeFlightCsv()) };

test('a whole flight is cut into what it was: a hover is judged, no leg is, and it is played back', async ({
	page,
}) => {
	await page.goto('/instruments/hover');
	await page.getByRole('radio', { name: 'A track of your aircraft' }).click();
	await page.locator('main input[type=file]').setInputFiles(file);
	await expect(h1(page)).toHaveText('Which hover of this flight is judged?');
	await expectAccessible(page, 'cut flight');
	const list = page.getByRole('listitem');
	await expect(list.filter({ hasText: 'Under way' }).filter({ hasText: /flown/ }).first()).toBeVisible();
	await expect(list.filter({ hasText: 'Climbing' }).first()).toBeVisible();
	await page.getByRole('button', { name: /^Judge these 4\d s/ }).click();
	await expect(page.getByText('Hold radius (95 %)').first()).toBeVisible();
	// The hands choose otherwise: eight seconds are too few to tell a circle.
	await page.getByRole('button', { name: 'Another piece of this flight' }).click();
	await page.getByLabel('From', { exact: true }).fill('20');
	await page.getByLabel('From', { exact: true }).blur();
	await page.getByLabel('to', { exact: true }).fill('28');
	await page.getByLabel('to', { exact: true }).blur();
	await page.getByRole('button', { name: 'Judge these 8 s' }).click();
	await expect(h1(page)).toHaveText('8 s of position hold is too short to show circling');
	// Under one cursor: place, height, speed, satellites, volts.
	await page.getByText('Play it back').click();
	const slider = page.getByRole('slider', { name: /^Time/ });
	await slider.fill('80');
	for (const label of ['Height', 'Speed', 'Satellites', 'Voltage'])
		await expect(page.getByText(label, { exact: true }).first()).toBeVisible();
	await page.getByRole('button', { name: '16 × as fast' }).click();
	await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible({ timeout: 20_000 });
	await expectAccessible(page, 'played back');
});

test('a return is read from its log: what set it off is said, the phases are taken', async ({ page }) => {
	test.setTimeout(180_000);
	await page.goto('/');
	await startSession(page, 'Dunlin', 'rehearsal');
	await toStation(page, 'hover/return-test');
	await page.locator('main input[type=file]').setInputFiles(file);
	await expect(h1(page)).toHaveText('What the log shows of its return');
	await expect(page.getByText(/Set off 100 m out, 12 m up; it came down 2 m east/)).toBeVisible();
	await expect(page.getByRole('listitem').filter({ hasText: 'It is overhead' })).toContainText(/\d+ s/);
	await page.getByRole('radio', { name: /^Its switch/ }).click();
	await page.getByRole('button', { name: 'Its motors went off by themselves' }).click();
	await expect(h1(page)).toContainText('Returned by switch from 100 m and landed by itself');
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/hover$/);
});
