import { expect, test } from '@playwright/test';
import { arm, begin, endIt, go, h1 } from './days';
import { DEMO_STATE, setAsideAt } from './support';

test.use({ storageState: DEMO_STATE });

const HOUR_MS = 3_600_000;

test('a clock that is set back or ahead in flight neither adds nor takes minutes, and is said in the report', async ({
	page,
}) => {
	test.setTimeout(240_000);
	await page.clock.install();
	await begin(page, 'Swift');
	await setAsideAt(page, 'arm');
	await arm(page);
	await setAsideAt(page, 'fly');
	await page.getByRole('button', { name: 'Fly', exact: true }).click();
	await page.getByLabel('Land by').fill('12');
	await page.getByLabel('Land by').blur();
	await page.getByRole('button', { name: /^Off the ground/ }).click();
	await expect(h1(page)).toHaveText('Flying');
	const flight = page.getByRole('region', { name: 'The flight' });
	const air = flight.getByRole('timer');
	await expect(air).toHaveText(/^0:0\d$/);
	for (const shift of [-1, 1]) {
		await page.clock.setSystemTime((await page.evaluate(() => Date.now())) + shift * HOUR_MS);
		await expect(flight.getByText(shift < 0 ? /was set back by (59|60) min/ : /Land by/).first()).toBeVisible();
		await expect(air).toHaveText(/^[0-2]:\d\d$/);
		await expect(flight.getByText(/^(9|1[0-2]):\d\d$/)).toBeVisible();
	}
	// A step while the page is loaded again: an hour back bridges nothing, and nothing is counted below what was counted.
	await page.clock.setSystemTime((await page.evaluate(() => Date.now())) - HOUR_MS);
	await page.reload();
	await expect(air).toHaveText(/^[0-2]:\d\d$/);
	await page.getByRole('button', { name: 'Landed' }).click();
	await expect(flight.getByText(/In the air for [0-2]:\d\d, landed at/)).toBeVisible();
	await endIt(page);
	await expect(page.getByText(/Landed, [0-2]\.\d min in the air/).first()).toBeVisible();
	await go(page, 'fly');
});
