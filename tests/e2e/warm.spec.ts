import { expect, test } from '@playwright/test';
import { DEMO_STATE, enterAircraft, expectAccessible, startSession, stationUrl, toStation } from './support';

test.use({ storageState: DEMO_STATE });

test('temperatures by part: one hotter than the others is named, and stands beside the next flight', async ({
	page,
}) => {
	const h1 = page.getByRole('heading', { level: 1 });
	await page.goto('/');
	await startSession(page, 'Swift', 'flight');
	await page.goto(`${stationUrl(page, 'close')}?item=warm-parts`);
	await page.getByRole('link', { name: 'By degrees' }).click();
	await expect(h1).toHaveText('How warm is each part, and the air?');
	for (const [part, celsius] of [
		['Air', '14'],
		['Motor 1, front left', '38'],
		['Motor 2, front right', '71'],
		['Motor 3, rear right', '37'],
		['Motor 4, rear left', '39'],
	])
		await page.getByLabel(part, { exact: true }).fill(celsius);
	await page.getByLabel('Battery', { exact: true }).fill('34');
	await page.getByLabel('Battery', { exact: true }).blur();
	await expect(h1).toHaveText('Motor 2, front right is hotter than the others of its kind');
	await expectAccessible(page, 'temperatures');
	await page.reload();
	await expect(h1).toHaveText('Motor 2, front right is hotter than the others of its kind');
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/close$/);
	await expect(page.getByText('Motor 2, front right is hotter than the others of its kind').first()).toBeVisible();
	await toStation(page, 'sheet');
	await expect(page.getByText(/Motor 2, front right 71 °C/).first()).toBeVisible();
});

test('a small drone that creeps is trimmed click by click by what is seen; far off, it is zeroed again', async ({
	page,
}) => {
	const h1 = page.getByRole('heading', { level: 1 });
	await enterAircraft(page, 'Wren', 'Small indoor drone');
	await startSession(page, 'Wren', 'rehearsal');
	await toStation(page, 'hover/trim');
	const tell = async (forward: RegExp, right: RegExp) => {
		await page
			.getByRole('radiogroup', { name: /back or forward/ })
			.getByRole('radio', { name: forward })
			.click();
		await page
			.getByRole('radiogroup', { name: /left or right/ })
			.getByRole('radio', { name: right })
			.click();
		await page.getByRole('button', { name: 'That is what it did' }).click();
	};
	await expectAccessible(page, 'trim');
	await tell(/^2 forward$/, /^still$/);
	await expect(h1).toHaveText(/^Trim: \d back, none clicks/);
	await tell(/^still$/, /^still$/);
	await expect(h1).toHaveText('It stands still: the trim is right');
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/hover$/);
	await expect(page.getByText('It stands still: the trim is right').first()).toBeVisible();
});
