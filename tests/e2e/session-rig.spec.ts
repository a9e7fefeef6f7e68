import { expect, test } from '@playwright/test';
import { answerByKeys, expectAccessible, listen, openDemo, startSession, watch } from './support';

test('a whole session on the practice aircraft, by keyboard', async ({ page }) => {
	test.setTimeout(400_000);
	const heard = await listen(page);
	const { complaints } = watch(page);
	await openDemo(page);
	await startSession(page, 'Dunlin');
	await expectAccessible(page, 'plan');
	const h1 = page.getByRole('heading', { level: 1 });
	const go = async (station: string) => page.goto(page.url().replace(/(session\/[^/]+)\/.*/, `$1/${station}`));

	await answerByKeys(page, 'Plan');
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/bench$/);
	await answerByKeys(page, 'Bench');
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/bench\/bench-due$/);
	await expect(h1).toContainText('Due on Dunlin');
	await go('site');
	await answerByKeys(page, 'Site');

	// The place first, then the turning.
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/site-field$/);
	await page.getByRole('radio', { name: '16 ×' }).click();
	await page.getByRole('button', { name: 'Stand still and measure' }).click();
	await expect(page.getByRole('button', { name: 'Record it' })).toBeVisible();
	await expectAccessible(page, 'site field');
	await page.locator('body').press('Enter');
	await expect(page).toHaveURL(/\/site(\/compass)?$/);
	await go('site/compass');
	await page.getByRole('radio', { name: '4 ×' }).click();
	await page.getByRole('button', { name: 'Start turning' }).click();
	await expect(page.getByText('Heading would be known to')).toBeVisible();
	await page.locator('body').press('b');
	await expect(page.getByRole('dialog', { name: 'Big cue' })).toBeVisible();
	await expectAccessible(page, 'big cue');
	await expect(page.getByRole('button', { name: 'Accept these values' })).toBeVisible({ timeout: 60_000 });
	await expect(h1).toContainText(/The heading is known to ±\d/);
	await expectAccessible(page, 'compass result');
	await page.locator('body').press('Enter');
	await expect(page).toHaveURL(/\/site$/);
	await expect(page.getByText(/The heading is known to ±/).first()).toBeVisible();
	const { words, tones } = await heard();
	expect(words.join(' ')).toMatch(/turn(ing)? right/i);
	expect(words.join(' ')).toMatch(/Hold still/);
	expect(tones).toContain('done');

	await go('power-up');
	await answerByKeys(page, 'Power-up');
	await go('position/position');
	await page.getByRole('radio', { name: '16 ×' }).click();
	await page.getByRole('button', { name: 'Watch the lock' }).click();
	await expect(h1).toContainText(/Locked: \d+ satellites/, { timeout: 60_000 });
	await expect(page.getByRole('button', { name: 'Record it' })).toBeVisible();
	await expectAccessible(page, 'position');
	await page.locator('body').press('Enter');
	await expect(page).toHaveURL(/\/position$/);

	await go('return');
	await page.getByLabel('Wind from').fill('240');
	await page.getByLabel('Mean').fill('2');
	await page.getByLabel('Gusts').fill('3,5');
	await page.getByLabel('Gusts').blur();
	await page.getByRole('button', { name: 'Record the wind' }).click();
	await expect(page.getByText('The return is faster than the gusts').first()).toBeVisible();
	await answerByKeys(page, 'Return');
	await go('response');
	await answerByKeys(page, 'Ground response');
	await go('hover');
	await answerByKeys(page, 'Hover');
	await go('hover/hover');
	await page.getByRole('button', { name: 'Fly the practice hover' }).click();
	await expect(page.getByText('Compass error from the track')).toBeVisible();
	await expectAccessible(page, 'hover');
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/hover$/);

	await go('fly');
	await expect(h1).toContainText(/Nothing here blocks the flight|stands? between|not been seen/);
	await expectAccessible(page, 'gate');
	await page.getByLabel('Reason').fill('First hover in a meadow, spotter present');
	await page.getByRole('button', { name: /^Fly/ }).click();
	await expect(page).toHaveURL(/\/close$/);
	await answerByKeys(page, 'Close');
	await go('sheet');
	await expect(page.getByText(/The chain of \d+ entries holds/)).toBeVisible();
	await expect(page.getByText(/Decision: to fly, signed Ines Marlowe/)).toBeVisible();
	await expectAccessible(page, 'sheet');
	expect(complaints).toEqual([]);
});

test('a hover with a wrong compass holds the flight, and says why and what to do', async ({ page }) => {
	await openDemo(page);
	await startSession(page, 'Dunlin');
	await page.goto(page.url().replace('/plan', '/hover/hover'));
	await page.getByLabel('Compass error').fill('50');
	await page.getByRole('button', { name: 'Fly the practice hover' }).click();
	const h1 = page.getByRole('heading', { level: 1 });
	await expect(h1).toContainText(/Circling to the right: the compass reads about \d+° too far round/);
	await page.getByRole('button', { name: 'Record it' }).click();
	await page.getByRole('link', { name: /^Fly/ }).first().click();
	await expect(h1).toContainText('One thing stands between you and take-off');
	await expect(page.getByText(/calibrate the compass again/).first()).toBeVisible();
	// Flying all the same needs a written reason.
	await page.getByRole('button', { name: 'Fly with a written reason' }).click();
	await expect(page.getByRole('alert')).toContainText('needs a written reason');
});

test('level turning only is refused and cannot be accepted', async ({ page }) => {
	await openDemo(page);
	await page.goto('/session/demo-open/site/compass');
	await page.getByLabel('Whose hands turn it').selectOption('Level only');
	await page.getByRole('radio', { name: '16 ×' }).click();
	await page.getByRole('button', { name: 'Start turning' }).click();
	await expect(page.getByText(/\d+ samples/)).toBeVisible();
	await page.waitForTimeout(2500);
	await page.getByRole('button', { name: 'Finish now' }).click();
	await expect(page.getByRole('button', { name: 'Turn it again' })).toBeVisible();
	await expect(page.getByRole('heading', { level: 1 })).toContainText(
		/one or two axes are not enough|does not fix the heading|lie in one plane/,
	);
	await expect(page.getByRole('button', { name: 'Accept these values' })).toHaveCount(0);
});

test("the pilot's own hands turn the practice aircraft by keys", async ({ page }) => {
	await page.goto('/practice');
	await page.getByRole('button', { name: 'Switch it on' }).click();
	const craft = page.getByRole('application');
	await expect(craft).toBeVisible();
	await craft.focus();
	const tilt = page.getByText('Tilt', { exact: true }).locator('..');
	await expect(tilt).toContainText(/^Tilt\s*[0-3]°/);
	for (let k = 0; k < 4; k++) await page.keyboard.press('ArrowUp');
	await expect(tilt).toContainText(/(4[0-9]|5[0-5])/);
});
