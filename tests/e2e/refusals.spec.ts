import { expect, test } from '@playwright/test';

/** What each refusal says, reached as a pilot reaches it: by an instrument and a log that is wrong. */
const REFUSALS: readonly [instrument: string, sample: string, says: RegExp, next: RegExp][] = [
	[
		'six-faces',
		'The back was forgotten',
		/^Not held still with back down/,
		/Hold it still for two seconds with back down/,
	],
	['six-faces', 'The left side was moved while it was held', /^Not held still with left down/, /with left down/],
	['gyro', 'Somebody leant on the table', /^The aircraft moved during the recording/, /hands off, and record again/],
	['level', 'Measured once only', /^Measured once\. The tilt of the surface/, /half a turn on the same spot/],
	['level-flight', 'Turns and climbs only', /^Too little of this flight is straight/, /Fly straight legs/],
	['mounting', 'The nose was hardly lifted', /^A gesture hardly differs from level/, /at least thirty degrees/],
	['mounting', 'Left side down instead of right', /an axis is mirrored, or a gesture/, /^Repeat the gestures/],
	['site-field', 'Beside the steel sluice', /^Field strength 63\.7 µT, model 49\.\d µT/, /./],
	[
		'pair',
		'The inner one sits beside the power board',
		/^The two compasses disagree/,
		/Calibrate both again, away from steel/,
	],
	['interference', 'The stand slipped', /^Readings changed for a reason other than motor load/, /stand|again/],
	['sticks', 'The yaw stick was left alone', /^Channel 4 was never moved/, /Move channel 4 to both ends/],
	['horizon', 'Fog: no horizon', /^No clear horizon was found/, /Take a picture of open sea/],
	['texture', 'Still water', /^Surface has almost no texture/, /Put down a patterned mat/],
	[
		'heading-check',
		'Curlew: the arrow points to the tail',
		/^Heading is off by half a turn/,
		/Check which way the arrow/,
	],
	[
		'compass-module',
		'Arrow to the tail, flipped; the setting is at zero',
		/^Change the setting/,
		/^Enter the orientation, restart/,
	],
];

test('every refusal is reached in the interface, says why, and says what to do next', async ({ page }) => {
	test.setTimeout(240_000);
	for (const [instrument, sample, says, next] of REFUSALS) {
		await page.goto(`/instruments/${instrument}`);
		await page.getByRole('button', { name: `Try it: ${sample}` }).click();
		const at = `${instrument}: ${sample}`;
		await expect(page.getByRole('button', { name: 'Keep it in the record' }), at).toBeVisible();
		await expect(page.getByRole('heading', { level: 1 }), at).toHaveText(says);
		await expect(
			page
				.locator('main')
				.getByText(/^(hold|caution|not seen yet)$/)
				.first(),
			at,
		).toBeVisible();
		await expect(page.locator('aside, main').getByText(next).first(), at).toBeVisible();
	}
});

test('focus is measured on the part of the picture that is chosen', async ({ page }) => {
	await page.goto('/instruments/focus');
	await page.getByRole('button', { name: 'Try it: Far roofs, sharp' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('Distant edges are sharp');
	// A corner too small to hold many edges knows less than the middle, or says that it knows nothing.
	await page.getByLabel('Part of the picture').fill('5');
	await page.getByRole('radio', { name: 'left' }).click();
	await page.getByRole('radio', { name: 'top' }).click();
	await page.getByRole('button', { name: 'Work it out again' }).click();
	await expect(page.getByRole('heading', { level: 1 })).not.toHaveText('Distant edges are sharp');
});
