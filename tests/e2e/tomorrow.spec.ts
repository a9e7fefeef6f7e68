import { expect, test } from '@playwright/test';
import { DEMO_STATE, expectAccessible } from './support';

test.use({ storageState: DEMO_STATE });

test('the day before: who goes, what is due there, when to begin, what goes into the bag, and a calendar of it', async ({
	page,
}) => {
	await page.goto('/');
	await page.getByRole('link', { name: 'Plan tomorrow' }).click();
	const h1 = page.getByRole('heading', { level: 1 });
	await expect(h1).toContainText('leave at');
	await page.getByLabel('Ready to take off at').fill('10:00');
	for (const name of ['Avocet', 'Curlew', 'Plover', 'Swift']) await page.getByRole('checkbox', { name }).uncheck();
	await expect(h1).toHaveText(/^Ready at 10:00: leave at \d\d:\d\d$/);
	await expect(page.getByRole('heading', { name: 'Only there' })).toBeVisible();
	await expect(page.getByText('Checklist, power-up, GPS lock and home point')).toBeVisible();
	await expect(page.getByText('Spare propellers and the tool for them')).toBeVisible();
	const before = await h1.innerText();
	await page.getByLabel('On the way').fill('90');
	await page.getByLabel('On the way').blur();
	await expect(h1).not.toHaveText(before);
	// Two people share the work: each step names who does it.
	await page.getByLabel('Crew, separated by commas').fill('Ada, Ben');
	await page.getByRole('checkbox', { name: 'Curlew' }).check();
	await page.getByRole('checkbox', { name: 'Dunlin' }).check();
	await expect(page.getByText('· Ben').first()).toBeVisible();
	await page.getByLabel('Crew, separated by commas').fill('Ada');
	await expect(page.getByText('· Ben')).toHaveCount(0);
	await page.getByRole('checkbox', { name: 'on the day itself' }).check();
	await expect(h1).toContainText('Too little time at home');
	await expectAccessible(page, 'tomorrow');
	const [file] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name: 'Into a calendar' }).click(),
	]);
	expect(file.suggestedFilename()).toMatch(/^day-\d{4}-\d\d-\d\d\.ics$/);
});

test('what stands at a place is entered, drawn and read from a file; what was not said is asked for, never zero', async ({
	page,
}) => {
	await page.goto('/sites');
	await page.getByRole('button', { name: 'Change' }).first().click();
	const had = await page.getByLabel(/: what$/).count();
	await page.getByRole('heading', { name: 'Obstacles' }).first().click();
	await page.getByRole('button', { name: 'Add a tree, mast, wire or building' }).click();
	await page.getByLabel(`${had + 1}: what`).fill('Barn');
	await page.getByRole('button', { name: 'Save' }).click();
	await expect(page.getByRole('alert')).toHaveText('Obstacles: Barn needs a direction and a distance and a height.');
	await page.getByRole('button', { name: 'Draw it' }).click();
	const sheet = page.getByRole('img', { name: /^Sheet about the home mark/ });
	const box = await sheet.boundingBox();
	await sheet.click({ position: { x: (box?.width ?? 0) * 0.5, y: (box?.height ?? 0) * 0.25 } });
	await expect(page.getByLabel(`${had + 2}: what`)).toBeVisible();
	await page.getByRole('button', { name: 'Take out Barn' }).click();
	await page.getByLabel('Obstacles from a file').setInputFiles({
		name: 'wood.csv',
		mimeType: 'text/csv',
		buffer: Buffer.from('name,bearing,distance,height\nWood,45,120,18\n'),
	});
	await expect(page.getByLabel(`${had + 2}: what`)).toHaveValue('Wood');
	await page.getByLabel(`${had + 1}: what`).fill('Post');
	await page.getByLabel('Height', { exact: true }).nth(had).fill('3');
	await page.getByRole('button', { name: 'Save' }).click();
	await expect(page.getByText(/is saved$/)).toBeVisible();
});
