import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { holdTime, listen, openDemo, passTimeUntil, startSession, endHold } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });

/** Measures one sensor at the bench on the practice aircraft, hands free, and keeps it in the session. */
async function measure(page: Page, name: string, says: RegExp) {
	await page.getByRole('link', { name: `Measure: ${name}` }).click();
	await page.getByRole('radio', { name: '16 ×' }).click();
	await page.getByRole('button', { name: 'Begin, hands free' }).click();
	await passTimeUntil(page, heading(page), says);
	await page.getByRole('button', { name: 'Keep it in the session' }).click();
	await expect(heading(page)).toContainText(/Due on Dunlin|What was due/);
}

test('a whole bench session, hands free: measured by the rig, guided by voice, the rest set aside with its reason', async ({
	page,
}) => {
	test.setTimeout(180_000);
	const heard = await listen(page);
	await holdTime(page);
	await openDemo(page);
	await startSession(page, 'Dunlin', 'rehearsal');
	const url = page.url().replace(/\/plan$/, '/bench/bench-due');
	await page.goto(url);
	await expect(heading(page)).toContainText('Due on Dunlin');
	await measure(page, 'Accelerometer', /^Raw level is off by/);
	await measure(page, 'Gyro', /^At rest it turns by/);
	await measure(page, 'Level', /^(At the wanted attitude the display reads|It reads level)/);
	await measure(page, 'Board mounting', /^Change the setting: yaw from 0°/);
	const { words, tones } = await heard();
	for (const cue of ['Belly down is in. Left side down.', 'Turn it half round', 'Lift the nose', 'leave it alone'])
		expect(words.join(' | ')).toContain(cue);
	expect(tones.filter((tone) => tone === 'done').length).toBeGreaterThanOrEqual(10);
	await expect(page.getByText(/ · practice aircraft\s+· rehearsed/)).toHaveCount(4);

	await page.getByRole('link', { name: 'Guided: Level' }).click();
	await expect(page.getByRole('checkbox').first()).toBeVisible();
	for (const box of await page.getByRole('checkbox').all()) await box.check();
	await page.getByRole('button', { name: 'Begin the routine' }).click();
	await expect(page.getByRole('dialog', { name: 'Big cue' })).toBeVisible();
	expect((await heard()).words.join(' ')).toContain('On its feet');
	await endHold(page);
	await page.keyboard.press('1');
	await page.keyboard.press('1');
	await expect(heading(page)).toContainText('done by the aircraft’s own routine');
	await page.getByLabel('Temperature, where known').fill('4');
	await page.getByRole('button', { name: 'Keep it in the session' }).click();
	await expect(page.getByText('Done in this session')).toBeVisible();

	// What is left is set aside at the task itself, each with its own reason.
	const row = page.getByRole('listitem').filter({ hasText: 'Speed controllers are due' }).last();
	await row.getByRole('button', { name: 'Set aside' }).click();
	await page.getByRole('dialog').getByRole('button', { name: 'Factory values, by the manual' }).click();
	await expect(row).toHaveCount(0);
	await page.goto(url.replace('/bench-due', ''));
	await expect(page.getByText('Speed controllers are due: set aside').first()).toBeVisible();
	await page.goto(url.replace('/bench/bench-due', '/hover'));
	await expect(page.getByText(/It verifies what was calibrated: .*level/)).toBeVisible();
});

test('a cold start is planned back from its hour, and goes into a calendar', async ({ page }) => {
	await openDemo(page);
	await page.goto('/aircraft/demo-dunlin/guide/accelerometer');
	await page.getByRole('radio', { name: /^Cold start/ }).click();
	await expect(page.getByRole('heading', { name: /^Put it out by \w+ 06:00/ })).toBeVisible();
	await page.getByLabel('In the cold for').fill('1');
	await page.keyboard.press('Tab');
	await expect(page.getByText('Board not cold yet')).toBeVisible();
	const download = page.waitForEvent('download');
	await page.getByRole('button', { name: /^Into the calendar/ }).click();
	expect(readFileSync(await (await download).path(), 'utf8')).toContain('SUMMARY:Put Dunlin out into the cold');
	await page.getByLabel('The routine begins', { exact: true }).fill('2026-01-01T08:00');
	await expect(page.getByText('The time to put the aircraft outside has passed.')).toBeVisible();
	await expect(page.getByRole('button', { name: /^Into the calendar/ })).toBeDisabled();
});
