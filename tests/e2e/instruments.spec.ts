import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { choose, expectAccessible, openDemo, watch } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const tries = (page: Page) => page.getByRole('button', { name: /^Try it/ });
const finished = (page: Page) => expect(page.getByRole('button', { name: 'Keep it in the record' })).toBeVisible();

async function saved(page: Page, button: string) {
	const download = page.waitForEvent('download');
	await page.getByRole('button', { name: button, exact: true }).first().click();
	const file = await download;
	return { name: file.suggestedFilename(), body: readFileSync(await file.path()) };
}

test('every instrument on the shelf finds what is wrong in its bad sample, with the network cut', async ({
	page,
	context,
}) => {
	test.setTimeout(300_000);
	const { complaints } = watch(page);
	await page.goto('/instruments');
	await page.evaluate(() => navigator.serviceWorker.ready);
	await page.reload();
	await context.setOffline(true);
	await expect(heading(page)).toContainText('Measure one thing');
	const links = await page
		.locator('main a[href^="/instruments/"]')
		.evaluateAll((a) => a.map((e) => e.getAttribute('href')));
	expect(links.length).toBeGreaterThanOrEqual(16);
	for (const href of links.filter((link) => !/\/(compass|position|hover)$/.test(link ?? ''))) {
		await page.goto(String(href));
		const opening = (await heading(page).textContent()) ?? '';
		await tries(page).last().click();
		await finished(page);
		expect(await heading(page).textContent(), String(href)).not.toBe(opening);
		await expect(
			page
				.locator('main')
				.getByText(/^(hold|caution|not seen yet)$/)
				.first(),
			`${href} bad`,
		).toBeVisible();
	}
	expect(complaints).toEqual([]);
});

test('the shelf is searched from anywhere by what a pilot would call things', async ({ page }) => {
	await page.goto('/sites');
	await expect(heading(page)).toBeVisible();
	await page.keyboard.press('/');
	await expect(page.getByLabel('Search instruments')).toBeFocused();
	await page.keyboard.type('battery');
	await expect(page.getByRole('link', { name: /Pack and flight time/ })).toBeVisible();
	await page.keyboard.press('Enter');
	await expect(heading(page)).toContainText('Measure the cells at rest');
	await page.goto('/instruments?search');
	await page.getByLabel('Search instruments').fill('quasar');
	await expect(page.getByText('Nothing here is called')).toBeVisible();
	await page.getByLabel('Search instruments').fill('');
	await expect(page.getByRole('heading', { name: 'Used last' })).toBeVisible();
	await page.getByRole('link', { name: 'Pack and flight time', exact: true }).click();
	await expect(heading(page)).toContainText('Measure the cells at rest');
});

test('a finding is exported as JSON, CSV and PNG, and kept in an aircraft’s bench book', async ({ page }) => {
	await openDemo(page);
	await page.goto('/instruments/six-faces');
	await tries(page).first().click();
	await finished(page);
	await expectAccessible(page, 'six faces');
	const json = JSON.parse(String((await saved(page, 'JSON')).body));
	expect(json.instrument).toBe('six-faces');
	expect(json.answer.poses.length).toBeGreaterThanOrEqual(6);
	const csv = String((await saved(page, 'CSV')).body);
	expect(csv).toContain('# figures');
	expect(csv).toContain('Uncalibrated level off by');
	const png = await saved(page, 'PNG');
	expect(png.body.subarray(1, 4).toString()).toBe('PNG');
	await page.getByRole('button', { name: 'Keep it in the record' }).click();
	await choose(page.getByRole('dialog').getByLabel('Aircraft'), 'Curlew');
	await page.getByRole('dialog').getByLabel('Measured by').fill('Jonas Ferrow');
	await page.getByRole('dialog').getByLabel('Temperature').fill('12');
	await page.getByRole('button', { name: 'Keep it', exact: true }).click();
	await expect(page.getByText('Saved in the bench book of Curlew')).toBeVisible();
	await page.goto('/aircraft/demo-curlew/due');
	await expect(page.getByText('rehearsed · 12 °C')).toBeVisible();
	await page.goto('/logbook');
	await expect(page.getByText('Bench book of Curlew')).toBeHidden();
});

test('a sample saved as a file is read back as the same finding, its columns recognised', async ({ page }) => {
	// The field of the place is needed: without a site it says so.
	await openDemo(page);
	await page.goto('/instruments/interference');
	await tries(page).nth(1).click();
	await finished(page);
	const found = (await heading(page).textContent()) ?? '';
	const download = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save as a file' }).nth(1).click();
	const path = await (await download).path();
	await page.getByRole('button', { name: 'Start over' }).click();
	await page
		.locator('input[type=file]')
		.setInputFiles({ name: 'log.csv', mimeType: 'text/csv', buffer: readFileSync(path) });
	// The example's figures are gone: the real form asks for its own, and the log need not be read again.
	await expect(page.getByRole('alert').first()).toContainText('Load in the hover: needs a number');
	for (const [label, value] of [
		['Load in the hover', '15'],
		['Full load', '40'],
	]) {
		await page.getByLabel(label).fill(value);
		await page.getByLabel(label).blur();
	}
	await page.getByRole('button', { name: 'Work it out' }).click();
	await finished(page);
	expect(await heading(page).textContent()).toBe(found);
	await expect(page.getByText('Practice data')).toBeHidden();
});

test('a log whose columns say nothing is asked about once; a broken line is named', async ({ page }) => {
	await page.goto('/instruments/pressure');
	const rows = Array.from({ length: 300 }, (_, k) => `${(k / 10).toFixed(1)};${(12 + 0.02 * Math.sin(k)).toFixed(3)}`);
	const file = (text: string) => ({ name: 'alt.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
	await page.locator('input[type=file]').setInputFiles(file(`a;b\n${rows.join('\n')}`));
	const dialog = page.getByRole('dialog');
	await expect(dialog.getByText('What are these columns?')).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(tries(page).first()).toBeVisible();
	await page
		.locator('input[type=file]')
		.setInputFiles(file(`t [s];height [m]\n${rows.slice(0, 200).join('\n')}\n20.0;up\n`));
	await expect(page.getByRole('alert').first()).toContainText('alt.csv, line 202');
	await page.locator('input[type=file]').setInputFiles(file(`t [s];height [m]\n${rows.join('\n')}`));
	await expect(heading(page)).toContainText('The pressure height is quiet');
});

test('typed figures are kept over a reload, a missing one is named, units are the pilot’s', async ({ page }) => {
	await page.goto('/instruments/ceiling');
	await page.getByLabel('Ceiling', { exact: true }).fill('3');
	await page.getByLabel('Ceiling', { exact: true }).blur();
	await page.reload();
	await expect(page.getByLabel('Ceiling', { exact: true })).toHaveValue('3');
	// A real form opens empty: what is missing is named and focused, and nothing is worked out with invented figures.
	await page.getByRole('button', { name: 'Work it out' }).click();
	await expect(page.getByRole('alert').first()).toContainText('It holds: needs a number');
	await expect(page.getByLabel('It holds')).toBeFocused();
	await page.getByLabel('It holds').fill('1.2');
	await page.getByLabel('It holds').blur();
	await page.getByRole('button', { name: 'Work it out' }).click();
	await expect(page.getByRole('alert').first()).toContainText('Its downward sensor: choose one');
	await page.getByRole('radio', { name: 'follows what lies below' }).click();
	await page.getByLabel('Height').fill('0.8');
	await page.getByLabel('Height').blur();
	await page.getByRole('button', { name: 'Work it out' }).click();
	await finished(page);
	await page.getByRole('button', { name: 'Settings' }).click();
	await page.getByRole('radio', { name: 'ft, mph, °F' }).click();
	await page.keyboard.press('Escape');
	await expect(page.getByText('ft', { exact: true }).first()).toBeVisible();
	await page.goto('/instruments/balance');
	await tries(page).first().click();
	await finished(page);
	await page.getByRole('button', { name: 'Take out part 3' }).click();
	await page.getByRole('button', { name: 'Work it out again' }).click();
	await expect(page.getByRole('alert').first()).toContainText('which part is the pack');
});

test('the horizon found can be moved by its handles, by keys too', async ({ page }) => {
	await page.goto('/instruments/horizon');
	await tries(page).nth(1).click();
	await expect(heading(page)).toContainText('Horizon 2.3° lower on the right');
	await page.getByRole('slider', { name: 'right end of the line' }).focus();
	for (let k = 0; k < 4; k++) await page.keyboard.press('Shift+ArrowUp');
	await expect(page.getByText('Your line:')).toBeVisible();
	await page.getByRole('button', { name: 'Back to the line found' }).click();
	await expect(page.getByText('Your line:')).toBeHidden();
});

test('what is due is told under three schools; a sensor may have a school of its own; dates are exported', async ({
	page,
}) => {
	await openDemo(page);
	await page.goto('/aircraft/demo-dunlin/due');
	await expect(heading(page)).toContainText('Due on Dunlin: compass');
	await expectAccessible(page, 'due');
	await page.getByRole('button', { name: 'Accelerometer' }).click();
	await expect(page.getByText('Part replaced or refitted').first()).toBeVisible();
	await choose(page.getByLabel('Rule for accelerometer'), 'As told');
	await expect(page.getByText('Rule saved')).toBeVisible();
	await page.getByLabel('Old is more than').fill('30');
	await page.getByLabel('Old is more than').blur();
	await expect(page.getByText('Threshold saved').first()).toBeVisible();
	const { name, body } = await saved(page, 'Export the dates (iCalendar)');
	expect(name).toContain('Dunlin');
	expect(String(body)).toContain('SUMMARY:Dunlin: Accelerometer is due');
});

test('a guided step that showed otherwise stops, and says so in the pilot’s words', async ({ page }) => {
	await openDemo(page);
	await page.goto('/aircraft/demo-avocet/guide/speed-controllers');
	await expect(page.getByText('PROPELLERS OFF. There is no other way')).toBeVisible();
	await page.getByRole('button', { name: 'Begin the routine' }).click();
	await expect(page.getByText('With a propeller on, this routine starts the motor')).toBeVisible();
	await page.getByLabel('What it showed, in your words').fill('one is still on');
	await page.getByRole('button', { name: 'Otherwise' }).click();
	await expect(page.getByText(/Problem at a step.*one is still on/).first()).toBeVisible();
	await expect(heading(page)).toContainText('Are the propellers off');
});

test('live: the motion sensors of the device, a radio as a game controller, a serial line; absence and loss are told', async ({
	page,
}) => {
	await page.addInitScript(() => {
		const pad = { axes: [0, 0, -1, 0], buttons: [{ pressed: false }, { pressed: false }] };
		const lines = Array.from(
			{ length: 400 },
			(_, k) => `${(k / 10).toFixed(1)},${(12 + 0.02 * Math.sin(k)).toFixed(3)}\n`,
		).join('');
		Object.assign(window, { pad });
		// The pilot allows it.
		Object.assign(DeviceMotionEvent, { requestPermission: async () => 'granted' });
		Object.defineProperty(navigator, 'getGamepads', { value: () => [(window as unknown as { pad: unknown }).pad] });
		Object.defineProperty(navigator, 'serial', {
			value: {
				requestPort: async () => ({
					open: async () => undefined,
					close: async () => undefined,
					readable: new ReadableStream({
						start(controller) {
							controller.enqueue(new TextEncoder().encode(`cut\nt [s],height [m]\n${lines}`));
							controller.close();
						},
					}),
				}),
			},
		});
	});
	// A still device, screen up: the belly alone is seen, and the rest is asked for.
	await page.goto('/instruments/six-faces');
	await page.getByRole('radio', { name: 'This device' }).click();
	await page.getByRole('button', { name: 'Begin, hands free' }).click();
	await page.evaluate(async () => {
		for (let k = 0; k < 220; k++) {
			const event = new DeviceMotionEvent('devicemotion', {
				accelerationIncludingGravity: { x: 0.01, y: 0.02, z: 9.81 },
				rotationRate: { alpha: 0, beta: 0, gamma: 0 },
			});
			// A sensor keeps its own time, however busy the page is.
			Object.defineProperty(event, 'timeStamp', { value: 1000 + 20 * k });
			window.dispatchEvent(event);
			await new Promise((resolve) => setTimeout(resolve, 20));
		}
	});
	await expect(heading(page)).toHaveText(/Left side down$/);
	await page.getByRole('button', { name: 'Finish now' }).click();
	await expect(heading(page)).toContainText('Not held still with left, right, nose, tail, back down');

	await page.goto('/instruments/sticks');
	await page.getByRole('radio', { name: /^Radio/ }).click();
	await page.getByRole('button', { name: 'Record', exact: true }).click();
	await page.evaluate(async () => {
		const { pad } = window as unknown as { pad: { axes: number[]; buttons: { pressed: boolean }[] } };
		const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
		for (const to of [1, 0, -1, 0]) {
			pad.axes[0] = to;
			await wait(600);
		}
		pad.buttons[1].pressed = true;
		await wait(100);
	});
	await expect(page.getByText('1 of 2 buttons pressed: 2')).toBeVisible();
	await page.evaluate(() => Object.assign(window, { pad: null }));
	await expect(page.getByRole('alert')).toContainText('The radio is gone');
	await page.getByRole('button', { name: 'Stop and read it' }).click();
	await expect(page.getByText('channel 1 reaches both ends.')).toBeVisible();

	await page.goto('/instruments/pressure');
	await page.getByRole('radio', { name: 'Serial line' }).click();
	await page.getByRole('button', { name: 'Record', exact: true }).click();
	await expect(page.getByRole('alert')).toContainText('The line ended');
	await page.getByRole('button', { name: 'Stop and read it' }).click();
	await expect(heading(page)).toContainText('The pressure height is quiet');
	// A page that is left while it records keeps what there is.
	await page.getByRole('button', { name: 'Start over' }).click();
	await page.getByRole('button', { name: 'Record', exact: true }).click();
	await expect(page.getByRole('alert')).toContainText('The line ended');
	await page.getByRole('link', { name: 'Instruments', exact: true }).click();
	await expect(page).toHaveURL(/instruments$/);
	await page.goBack();
	await page.getByRole('button', { name: 'Work it out' }).click();
	await expect(heading(page)).toContainText('The pressure height is quiet');
});

test('without a serial line in the browser, the way round is told', async ({ page }) => {
	await page.addInitScript(() => Object.defineProperty(navigator, 'serial', { value: undefined }));
	await page.goto('/instruments/serial-line');
	await page.getByRole('radio', { name: 'Serial line' }).click();
	await page.getByRole('button', { name: 'Record', exact: true }).click();
	await expect(page.getByRole('alert')).toContainText('opens no serial lines');
});
