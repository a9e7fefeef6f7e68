import { expect, test, type Page } from '@playwright/test';
import { choose, DEMO_STATE, expectAccessible, holdTime, pauseTime, startSession, toStation } from './support';

test.use({ storageState: DEMO_STATE });

const heading = (page: Page) => page.getByRole('heading', { level: 1 });

/** Watches a hover for so many seconds of the page's own clock, tapping what it does every twelve. */
async function watchHover(page: Page, seconds: number, taps: string) {
	await pauseTime(page);
	await page.getByRole('button', { name: 'It hovers: begin' }).click();
	for (let passed = 0; passed < seconds; passed += 12) {
		await page.getByRole('button', { name: taps, exact: true }).click();
		await page.clock.runFor(12_000);
	}
	await page.getByRole('button', { name: 'The hover is over' }).click();
	await page.clock.resume();
}

test('a hover watched by eye: what is excluded, what is not, and circling leads to the finder', async ({ page }) => {
	await holdTime(page);
	await page.goto('/');
	await startSession(page, 'Plover', 'flight');
	await toStation(page, 'hover/hover');
	await expect(page.getByRole('radio', { name: /By eye/ })).toBeChecked();
	await watchHover(page, 60, 'Still');
	await page.getByLabel('Farthest from where it began').fill('2');
	await page.getByRole('button', { name: 'Judge it' }).click();
	await expect(heading(page)).toHaveText('Held position by eye, farthest 1.5 m');
	await expect(page.getByText('Compass errors excluded above')).toBeVisible();
	await expect(page.getByText('A hover by eye excludes large compass errors only.')).toBeVisible();
	await expectAccessible(page, 'a hover by eye');

	// A second hover of the same aircraft circles: the two are judged together.
	await page.getByRole('button', { name: 'Add another hover' }).click();
	await watchHover(page, 60, 'Circles to its left');
	await page.getByLabel('Farthest from where it began').fill('12');
	await page.getByLabel('One circle took about').fill('8');
	await page.getByRole('button', { name: 'Judge it' }).click();
	await expect(heading(page)).toHaveText(/^Circling is (likely|possible), \d+ %$/);
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/session\/[^/]+\/hover$/);
	await expect(page.getByText(/^Circling is (likely|possible)/).first()).toBeVisible();
});

test('what does it do: found by what pilots say, asked, checked, mended, and kept', async ({ page }) => {
	await page.goto('/instruments');
	await page.getByRole('searchbox').fill('circles');
	await page.getByRole('link', { name: /it circles/ }).click();
	await choose(page.getByLabel('Aircraft'), 'Dunlin');
	const could = page.getByRole('list').filter({ has: page.getByRole('button', { name: /The compass/ }) });
	await expect(could.getByRole('button', { name: /compass calibration is poor/ })).toBeVisible();
	await expect(page.getByText(/propellers off until it is mended/)).toBeVisible();
	await expectAccessible(page, 'the finder');

	// A reload loses nothing of what was told.
	await page.reload();
	await expect(could.getByRole('button', { name: /compass calibration is poor/ })).toBeVisible();
	await page.getByRole('button', { name: 'No', exact: true }).first().click();
	await expect(page.getByText('Not seen:')).toBeVisible();
	await expect(could).toHaveAttribute('aria-busy', 'false');

	await expect(page.getByText(/^Next check, about/)).toBeVisible();
	const check = page.locator('section').filter({ hasText: 'Next check' });
	const first = await check.getByRole('heading').innerText();
	await check.getByRole('group', { name: 'What it showed' }).getByRole('button').nth(1).click();
	await expect(page.getByRole('heading', { name: 'Checked' })).toBeVisible();
	await expect(page.getByText(`${first}:`)).toBeVisible();

	await could.getByRole('button').first().click();
	await page.getByRole('button', { name: 'Mended, and it is gone' }).click();
	await page.getByRole('button', { name: 'A setting was changed' }).click();
	await expect(page.getByText('Noted; what it may have undone is asked again')).toBeVisible();
	await page.getByRole('button', { name: 'Keep it in the record' }).click();
	await page.getByLabel('Measured by').fill('Wren Halloran');
	await page.getByRole('button', { name: 'Keep it', exact: true }).click();
	await expect(page.getByText('Saved in the bench book of Dunlin')).toBeVisible();
});

test('a sign that locks keeps the propellers off, and nothing that spins them is offered', async ({ page }) => {
	await page.goto('/finder');
	await choose(page.getByLabel('Aircraft'), 'A self-built multirotor');
	await page.getByRole('searchbox').fill('quasar crossing');
	await expect(page.getByText(/Nothing here is called/)).toBeVisible();
	await page.getByRole('searchbox').fill('grinds');
	await page.getByRole('button', { name: /A motor grinds/ }).click();
	await expect(heading(page)).toHaveText('Propellers off: nothing more is tried with them on');
	await expect(page.getByText(/Nothing with propellers on until it is mended/)).toBeVisible();
	await page.getByRole('button', { name: 'Take it back' }).click();
	await expect(heading(page)).toHaveText('What does it do?');
});
