import { writeFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { expectAccessible, openDemo, startSession, stationUrl, watch } from './support';
import { compassCsv, hoverCsv, hoverGpx, receiverText } from './logs';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

const log = (page: Page) => page.getByRole('radio', { name: 'A log' }).click();
const give = (page: Page, name: string, content: string) =>
	page.locator('main input[type=file]').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(content) });

test('a session on files, by touch, on a phone', async ({ page }) => {
	test.setTimeout(300_000);
	const { complaints } = watch(page);
	await openDemo(page);
	await expectAccessible(page, 'start on a phone');
	await startSession(page, 'Dunlin');
	const h1 = page.getByRole('heading', { level: 1 });
	const at = (station: string) => stationUrl(page, station);

	await page.getByRole('button', { name: 'Seen, it is right' }).tap();
	await expect(page.getByText(/· 1 of \d+ answered/)).toBeVisible();
	// Set aside needs a reason, and stays visible with it.
	await page.getByRole('button', { name: 'Set aside' }).tap();
	await page.getByRole('dialog').getByRole('button', { name: 'Set aside' }).tap();
	await expect(page.getByRole('alert')).toContainText('needs a reason');
	await expect(page.getByRole('dialog').getByRole('button', { name: 'Not possible here today' })).toBeVisible();
	await page.getByRole('dialog').getByRole('textbox').fill('Summer evening, two hours of light');
	await page.getByRole('dialog').getByRole('button', { name: 'Set aside' }).tap();
	await expect(page.getByText('Summer evening, two hours of light')).toBeVisible();
	await expectAccessible(page, 'checklist on a phone');

	// In a real session the practice aircraft is not offered.
	await page.goto(at('compass/compass'));
	await expect(h1).toBeVisible();
	await expect(page.getByText('The practice aircraft')).toHaveCount(0);
	await give(page, 'turning.csv', compassCsv());
	await expect(h1).toContainText(/The heading is known to ±\d/, { timeout: 30_000 });
	await expectAccessible(page, 'compass result on a phone');
	await page.getByRole('button', { name: 'Accept these values' }).tap();
	await expect(page).toHaveURL(/session\/[^/]+\/compass$/);

	await page.goto(at('position/position'));
	await give(page, 'receiver.nmea', receiverText());
	await expect(h1).toContainText(/Locked: 15 satellites/);
	await page.getByRole('button', { name: 'Record it' }).tap();
	await expect(page).toHaveURL(/session\/[^/]+\/position$/);

	await page.goto(at('hover/hover'));
	await give(page, 'hover.gpx', hoverGpx());
	await expect(page.getByText('Hold radius (50 %)')).toBeVisible({ timeout: 30_000 });
	await page.getByRole('button', { name: 'Review another' }).tap();
	await give(page, 'hover.csv', hoverCsv(48));
	await expect(h1).toContainText(/Circling to the right/, { timeout: 30_000 });
	await page.getByRole('button', { name: 'Record it' }).tap();
	await expect(page).toHaveURL(/session\/[^/]+\/hover$/);

	await page.goto(at('fly'));
	await expect(h1).toContainText('One thing stands between you and take-off');
	await page.getByRole('button', { name: 'Why' }).tap();
	await expect(page.getByRole('dialog')).toContainText('Who decides');
	await page.keyboard.press('Escape');
	await expectAccessible(page, 'gate on a phone');
	// Nothing is wider than the phone.
	expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
	await page.reload();
	await expect(h1).toContainText('One thing stands between you and take-off');
	expect(complaints).toEqual([]);
});

test('columns without names are asked for once, and remembered', async ({ page }) => {
	await openDemo(page);
	await page.goto('/instruments/compass');
	await log(page);
	const bare = compassCsv().split('\n').slice(1).join('\n');
	await give(page, 'bare.csv', bare);
	const dialog = page.getByRole('dialog', { name: 'What are these columns?' });
	await expect(dialog).toBeVisible();
	await expect(dialog.getByRole('button', { name: 'Use these columns' })).toBeDisabled();
	for (const [label, column] of [
		['Time', 0],
		['Magnetometer x', 1],
		['Magnetometer y', 2],
		['Magnetometer z', 3],
	] as const)
		await dialog.getByLabel(label).selectOption(String(column));
	await dialog.getByRole('button', { name: 'Use these columns' }).tap();
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/The heading is known to/, { timeout: 30_000 });
	await page.getByRole('button', { name: 'Turn it again' }).tap();
	await give(page, 'again.csv', bare);
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/The heading is known to/, { timeout: 30_000 });
});

test('bad files are refused by name and line, and nothing is half taken', async ({ page }) => {
	await openDemo(page);
	await page.goto('/instruments/compass');
	await log(page);
	const cases: [string, string, RegExp][] = [
		['empty.csv', '', /empty\.csv is empty/],
		['words.csv', 'name,colour\nred,blue', /words\.csv has no column of numbers/],
		[
			'nan.csv',
			compassCsv().replace(/\n1\.000,[^,]+/, '\n1.000,NaN'),
			/nan\.csv, line \d+, mag_x \[uT\]: "NaN" is not a number/,
		],
		['cut.csv', compassCsv().slice(0, -40), /cut\.csv, line \d+.*(cut short|is not a number)/],
	];
	for (const [name, content, message] of cases) {
		await give(page, name, content);
		await expect(page.getByText(message).first()).toBeVisible();
	}
	const huge = test.info().outputPath('huge.csv');
	writeFileSync(huge, Buffer.alloc(50 * 1024 * 1024, '1,2,3,4\n'));
	await page.locator('main input[type=file]').setInputFiles(huge);
	await expect(page.getByText(/huge\.csv has 50 MB/).first()).toBeVisible();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('Turn the compass through the field');
	await page.goto('/instruments/position');
	await log(page);
	await give(page, 'noise.nmea', 'hello\nworld');
	await expect(page.getByRole('heading', { level: 1 })).toContainText('No complete sentence received');
});
