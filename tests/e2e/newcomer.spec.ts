import { expect, test, type Locator } from '@playwright/test';

/** The first minutes of somebody who has nothing on this device yet, on a phone. */
test.use({
	viewport: { width: 390, height: 844 },
	permissions: ['geolocation'],
	geolocation: { latitude: 54.2, longitude: -3.1, accuracy: 8 },
});

test('a newcomer’s first tick takes at most ten taps and three typed fields, and the notice leaves the Line free', async ({
	page,
}) => {
	let [taps, fields] = [0, 0];
	const tap = async (on: Locator) => {
		taps++;
		await on.click();
	};
	const type = async (into: Locator, text: string) => {
		fields++;
		await into.fill(text);
		await into.blur();
	};
	await page.goto('/');
	await tap(page.getByRole('link', { name: 'Enter your aircraft' }));
	await type(page.getByLabel('Name'), 'Redshank');
	await tap(page.getByRole('button', { name: 'Save', exact: true }));
	await tap(page.getByRole('link', { name: 'Enter a site' }));
	await type(page.getByLabel('Name'), 'Meadow');
	await tap(page.getByRole('button', { name: 'Here' }));
	await expect(page.getByLabel('Latitude')).toHaveValue('54.2');
	// Its height nobody knows: that hinders nothing.
	await tap(page.getByRole('button', { name: 'Save', exact: true }));
	await tap(page.getByRole('link', { name: 'Start a session' }));
	await expect(page.getByPlaceholder(/Meadow$/)).toBeVisible();
	await type(page.getByLabel('Pilot in command'), 'Ines Marlowe');
	await tap(page.getByRole('button', { name: 'Start the session' }));
	await tap(page.getByRole('button', { name: 'Seen, it is right' }));
	await expect(page.getByText(/1 of \d+ answered/)).toBeVisible();
	expect(taps).toBeLessThanOrEqual(10);
	expect(fields).toBeLessThanOrEqual(3);

	const notice = page.locator('[data-sonner-toast]').filter({ hasText: 'Recorded' });
	await expect(notice).toBeVisible();
	const line = await page.getByRole('navigation', { name: 'The line' }).boundingBox();
	await expect
		.poll(async () => {
			const box = await notice.boundingBox();
			return box && line ? box.y + box.height <= line.y : false;
		})
		.toBe(true);

	// A height that nobody told is not made up, and stays unknown when the site is changed.
	await page.goto('/sites');
	for (const turn of [1, 2]) {
		await expect(page.getByRole('row', { name: /Meadow/ }), `turn ${turn}`).toContainText('not known');
		await page.getByRole('button', { name: 'Change' }).click();
		await expect(page.getByLabel('Height above sea')).toHaveValue('');
		await page.getByRole('button', { name: 'Save', exact: true }).click();
		await expect(page.getByRole('dialog')).toHaveCount(0);
	}
});
