import { expect, test } from '@playwright/test';
import { choose, DEMO_STATE, expectAccessible, startSession, stationUrl, toStation } from './support';

test.use({ storageState: DEMO_STATE });

/** A red square of four by four pixels. */
const PICTURE = {
	name: 'leads.png',
	mimeType: 'image/png',
	buffer: Buffer.from(
		'iVBORw0KGgoAAAANSUhEUgAAAAQAAAAECAIAAAAmkwkpAAAAEElEQVR4nGP4z8AARwzEcQCukw/x0F8jngAAAABJRU5ErkJggg==',
		'base64',
	),
};

test('the radio of an aircraft is entered once, and its switches are named where they are asked; a message is kept with what it meant', async ({
	page,
}) => {
	await page.goto('/aircraft/demo-swift#radio');
	const radio = page.getByRole('group', { name: 'Transmitter' });
	await radio.getByRole('button', { name: 'Add the position' }).click();
	await expect(radio.getByRole('alert')).toContainText('Which control is it');
	for (const [control, position, does] of [
		['right switch', 'down', 'arm'],
		['left switch', 'up', 'self-level'],
	]) {
		await radio.getByLabel('Control', { exact: true }).fill(control);
		await radio.getByLabel('Position', { exact: true }).fill(position);
		await choose(radio.getByLabel('Function'), does);
		await radio.getByRole('button', { name: 'Add the position' }).click();
	}
	await expect(radio.getByText('Fallen back to: Self-level, left switch up')).toBeVisible();
	await expectAccessible(page, 'the radio of an aircraft');
	await page.getByRole('button', { name: 'Save', exact: true }).click();
	await expect(page.getByText('Swift is saved')).toBeVisible();

	await page.goto('/');
	await startSession(page, 'Swift', 'flight');
	await page.goto(`${stationUrl(page, 'bench')}?item=switches`);
	await expect(page.getByText('left switch up: self-level')).toBeVisible();
	await page.getByRole('button', { name: 'It will not arm' }).click();
	const dialog = page.getByRole('dialog');
	await dialog.getByLabel('What does it say?').fill('THR 7');
	await expect(dialog.getByText('The throttle is not at its bottom')).toBeVisible();
	await expectAccessible(page, 'it will not arm');
	await dialog.getByLabel('It meant').fill('throttle trim was up');
	await dialog.getByRole('button', { name: 'Keep it with Swift' }).click();
	await expect(dialog.getByText('THR 7: throttle trim was up')).toBeVisible();
	await page.keyboard.press('Escape');
	await page.goto(`${stationUrl(page, 'return')}?item=abort`);
	await expect(page.getByText(/Self-level, left switch up, is under a finger/).first()).toBeVisible();
});

test('a photo stands beside the record, small and without where it was taken, and comes on the sheet', async ({
	page,
}) => {
	await page.goto('/');
	await startSession(page, 'Dunlin', 'flight');
	await page.goto(`${stationUrl(page, 'bench')}?item=leads`);
	await page.getByLabel('A photo').setInputFiles({ ...PICTURE, name: 'x.txt', buffer: Buffer.from('no picture') });
	await expect(page.getByText('x.txt is not a picture')).toBeVisible();
	await page.getByLabel('A photo').setInputFiles(PICTURE);
	await page.getByLabel('In a few words, if you like').fill('Rear straps');
	await page.getByRole('button', { name: 'Keep it', exact: true }).click();
	await page.getByRole('button', { name: 'Rear straps' }).click();
	await expect(page.getByRole('dialog').getByRole('img', { name: 'Rear straps' })).toBeVisible();
	await page.keyboard.press('Escape');
	await toStation(page, 'sheet');
	await expect(page.getByRole('figure')).toContainText('Rear straps');
	await expect(page.getByText(/Photo of Pack held by two straps.*Rear straps/)).toBeVisible();
	await expect(page.getByText(/entries holds; its head is/)).toBeVisible();
});
