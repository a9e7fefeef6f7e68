import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { DEMO_STATE, expectAccessible, startSession, toStation } from './support';

test.use({ storageState: DEMO_STATE });

/**
 * Twenty-three seconds of a hover before the sky, drawn by a browser: 0.35 m from motor to motor over 57.4 of 1280, its middle at
 * 640 + 70 sin 0.7t + 25 sin 1.9t across, 360 + 18 sin 0.9t down.
 */
const FILM = {
	name: 'hover.webm',
	mimeType: 'video/webm',
	// Written in hexadecimal, so that the repository holds text alone.
	buffer: Buffer.from(readFileSync('tests/e2e/fixtures/hover.webm.hex', 'utf8').replaceAll('\n', ''), 'hex'),
};

test('a hover is judged from a film: opened, marked once, followed, looked at, judged, recorded; nothing leaves the device', async ({
	page,
}) => {
	test.setTimeout(240_000);
	await page.goto('/');
	await startSession(page, 'Plover', 'rehearsal');
	await toStation(page, 'hover/hover');
	await page.getByRole('radio', { name: /^By a film/ }).click();
	const h1 = page.getByRole('heading', { level: 1 });
	await expect(h1).toHaveText('Film the hover for a minute, the phone propped');
	await expectAccessible(page, 'film');
	await page.getByLabel('film of the hover').setInputFiles(FILM);
	await expect(h1).toHaveText('Mark the aircraft, from its left motor to its right one');
	await page.getByRole('slider', { name: /begins to count/ }).fill('0.5');
	const picture = page.getByRole('application');
	await expect(picture).toBeVisible();
	// The picture of that moment is sought in the film.
	await page.waitForTimeout(1000);
	await expect(page.getByRole('button', { name: 'Follow it' })).toBeDisabled();
	const box = await picture.boundingBox();
	if (!box) throw new Error('the film is not shown');
	// Where it is half a second in: on the curve that was drawn.
	const [x, y] = [640 + 70 * Math.sin(0.35) + 25 * Math.sin(0.95), 360 + 18 * Math.sin(0.45)];
	for (const side of [-28.7, 28.7])
		await picture.click({ position: { x: ((x + side) * box.width) / 1280, y: ((y - 5) * box.height) / 720 } });
	await page.getByLabel('Between these two, in truth').fill('0.35');
	await page.getByLabel('Between these two, in truth').blur();
	await expectAccessible(page, 'film marked');
	await page.getByRole('button', { name: 'Follow it' }).click();
	await expect(h1).toHaveText('Is the circle on the aircraft in all six?', { timeout: 120_000 });
	await expect(page.getByRole('list', { name: 'Six pictures of the film' }).getByRole('img')).toHaveCount(6);
	await expectAccessible(page, 'six pictures');
	await page.getByRole('button', { name: 'Not in every one' }).click();
	await expect(h1).toHaveText('The tracked circle was not confirmed on the aircraft', { timeout: 60_000 });
	await page.getByRole('button', { name: 'Mark it again' }).click();
	for (const side of [-28.7, 28.7])
		await picture.click({ position: { x: ((x + side) * box.width) / 1280, y: ((y - 5) * box.height) / 720 } });
	await page.getByRole('button', { name: 'Follow it' }).click();
	await page.getByRole('button', { name: 'On the aircraft in all six' }).click({ timeout: 120_000 });
	await expect(page.getByText('Hold radius (95 %), about')).toBeVisible({ timeout: 60_000 });
	// Drawn: 1.1 m across between nineteen in twenty places, half of it as a radius.
	await expect(page.getByText(/at least 0\.5/)).toBeVisible();
	await expect(page.getByText(/Errors excluded above/)).toBeVisible();
	await expectAccessible(page, 'film judged');
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/hover$/);
	await expect(page.getByText(/a film: hover\.webm/).first()).toBeVisible();
});

test('a film that was cut off in copying is refused by name, with where its pictures end', async ({ page }) => {
	// Its length stands in the place of the name of what wrote it, and half of the rest is missing.
	const app = FILM.buffer.indexOf(Buffer.from([0x4d, 0x80, 0x86]));
	const seconds = Buffer.from([0x44, 0x89, 0x84, 0, 0, 0, 0, 0xec, 0x80]);
	seconds.writeFloatBE(22_940, 3);
	const buffer = Buffer.concat([FILM.buffer.subarray(0, app), seconds, FILM.buffer.subarray(app + 9)]);
	await page.goto('/instruments/hover');
	await page.getByRole('radio', { name: /^By a film/ }).click();
	const film = page.getByLabel('film of the hover');
	await film.setInputFiles({ ...FILM, buffer: buffer.subarray(0, buffer.length / 2) });
	await expect(
		page.getByText(/hover\.webm is cut off: it lasts 23 s, and its pictures end after 1[12] s/),
	).toBeVisible();
	await film.setInputFiles({ ...FILM, buffer });
	await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Mark the aircraft/);
});

test('the practice aircraft is filmed among the instruments: marked, followed, judged, and no evidence', async ({
	page,
}) => {
	test.setTimeout(240_000);
	await page.goto('/instruments/hover');
	await page.getByRole('radio', { name: /^By a film/ }).click();
	await page.getByRole('button', { name: 'Film the practice hover' }).click();
	const h1 = page.getByRole('heading', { level: 1 });
	await expect(h1).toHaveText('The practice aircraft is filmed, half a minute');
	await expect(h1).toHaveText('Mark the aircraft, from its left motor to its right one', { timeout: 120_000 });
	// How it was filmed is known: only the two motors are asked for.
	await expect(page.getByLabel('Between these two, in truth')).toHaveValue('0.5');
	const picture = page.getByRole('application');
	const box = await picture.boundingBox();
	if (!box) throw new Error('the film is not shown');
	for (const side of [-12.5, 12.5])
		await picture.click({ position: { x: ((213 + side) * box.width) / 426, y: (119 * box.height) / 240 } });
	await page.getByRole('button', { name: 'Follow it' }).click();
	await page.getByRole('button', { name: 'On the aircraft in all six' }).click({ timeout: 120_000 });
	// A loaded machine leaves gaps in what it films, which are rightly refused: judged or refused, it is a finding, and no evidence.
	await expect(page.getByText('Nothing of it is evidence')).toBeVisible({ timeout: 60_000 });
	await expect(page.getByRole('button', { name: 'Keep it in the record' })).toBeVisible();
});
