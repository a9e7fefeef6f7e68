import { expect, test } from '@playwright/test';
import { begin, enterWind, go, h1 } from './days';
import { DEMO_STATE } from './support';

/** One value for one thing: two values are one choice, and a plan does not outlive the values it was made with. */
test.use({ storageState: DEMO_STATE });

test('two return altitudes are settled by one press; a plan whose wind moved is to do again', async ({ page }) => {
	test.setTimeout(120_000);
	await begin(page, 'Dunlin', /sea wall/, /^D-3/);
	await enterWind(page);
	await go(page, 'return?item=return-height');
	await page.getByLabel(/^Measured/).fill('55');
	await page.keyboard.press('Enter');
	await expect(page.getByText('Return altitude: 55.0 m or 40.0 m?').first()).toBeVisible();
	await page.getByRole('button', { name: 'Use 55.0 m, update profile' }).click();
	await expect(page.getByText('Return altitude: 55.0 m or 40.0 m?')).toHaveCount(0);

	await go(page, 'plan?item=pack-voltage');
	await page.getByLabel(/^Measured/).fill('4.17');
	await page.keyboard.press('Enter');
	await go(page, 'return/way-home');
	await expect(h1(page)).toContainText(/Dunlin comes home; turn back/);
	await expect(page.getByText('profile of Dunlin').first()).toBeVisible();
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/return$/);
	await expect(page.getByText(/^Out of date/)).toHaveCount(0);
	await enterWind(page, '5', '5.5');
	await expect(page.getByText(/^Out of date: /).first()).toBeVisible();
	await expect(page.getByText(/Wind: 3.0 m\/s then, 5.0 m\/s now/).first()).toBeVisible();
});

test('a battery that was flown is measured before it is planned with', async ({ page }) => {
	test.setTimeout(120_000);
	await page.goto('/aircraft/demo-dunlin');
	await page.getByRole('group', { name: 'Charge of D-3' }).getByRole('button', { name: /^used/i }).click();
	await begin(page, 'Dunlin', /sea wall/, /^D-3/);
	await enterWind(page);
	await go(page, 'return/way-home');
	await expect(page.getByText(/taken as full/)).toHaveCount(0);
	await expect(page.getByText(/100 %/)).toHaveCount(0);
});
