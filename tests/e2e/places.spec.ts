import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { STATIONS } from '../../src/lib/core/session/stations';
import { answerByKeys, expectAccessible, openDemo, startSession, toStation, watch } from './support';

test('every place opens without a request to another host, in every theme, and axe finds nothing serious', async ({
	page,
}) => {
	test.setTimeout(300_000);
	const { complaints } = watch(page);
	await openDemo(page);
	for (const path of [
		'/',
		'/aircraft',
		'/aircraft/demo-dunlin',
		'/aircraft/new',
		'/sites',
		'/instruments',
		'/practice',
		'/logbook',
		'/data',
		'/session/new',
		'/help/methods',
		'/session/demo-clean/sheet',
		'/nothing-here',
	]) {
		await page.goto(path);
		await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
		await expectAccessible(page, path);
	}
	for (const theme of ['dusk', 'sun']) {
		await page.goto('/session/demo-stopped/fly');
		await page.evaluate((name) => (document.documentElement.dataset.theme = name), theme);
		await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
		await expectAccessible(page, `gate in ${theme}`);
	}
	expect(complaints).toEqual([]);
});

test('no page scrolls sideways on a phone', async ({ page }) => {
	await openDemo(page);
	await page.setViewportSize({ width: 390, height: 844 });
	for (const path of [
		'/',
		'/aircraft/demo-dunlin',
		'/aircraft/demo-dunlin/due',
		'/aircraft/demo-dunlin/history/accelerometer',
		'/aircraft/demo-dunlin/indoor',
		'/aircraft/demo-dunlin/guide/accelerometer',
		'/aircraft/demo-dunlin/checklist',
		'/finder',
		'/tomorrow',
		'/session/demo-open/hover/hover',
		'/session/demo-open/plan',
		'/sites',
		'/instruments/six-faces',
		'/instruments/heading-check',
		'/logbook',
		'/help/methods',
		'/session/demo-open/bench/bench-due',
		'/session/demo-open/compass/compass',
	]) {
		await page.goto(path);
		await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
		await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth), { message: path }).toBe(390);
	}
	// In a session its name and its place are in sight.
	await expect(page.getByText('First flight after a repair').filter({ visible: true })).toBeVisible();
	await expect(page.getByText('Hollin Saltings, sea wall')).toBeVisible();
});

test('a table too wide for a phone stands as blocks, a cell beside the name of its column, and is a table again when turned', async ({
	page,
}) => {
	await openDemo(page);
	await page.goto('/sites');
	const region = page.getByRole('region', { name: 'Sites' });
	const change = page.getByRole('row', { name: /sea wall/ }).getByRole('button', { name: 'Change' });
	const columnOf = () =>
		page
			.getByRole('row', { name: /sea wall/ })
			.getByRole('cell')
			.nth(2)
			.evaluate((cell) => getComputedStyle(cell, '::before').content);
	await expect(change).toBeInViewport();
	expect(await columnOf()).toBe('none');
	for (const width of [390, 320]) {
		await page.setViewportSize({ width, height: 844 });
		await expect.poll(columnOf).toBe('"height"');
		const inside = await region.evaluate((box) => box.scrollWidth - box.clientWidth);
		expect(inside).toBeLessThanOrEqual(1);
		await change.scrollIntoViewIfNeeded();
		await expect(change).toBeInViewport({ ratio: 1 });
	}
	await expectAccessible(page, 'sites as blocks');
	await page.setViewportSize({ width: 1280, height: 800 });
	await expect.poll(columnOf).toBe('none');
});

test('keys: help, and g then a letter', async ({ page }) => {
	await openDemo(page);
	await page.keyboard.press('?');
	await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(page.getByRole('dialog')).toHaveCount(0);
	await page.keyboard.press('g');
	await page.keyboard.press('l');
	await expect(page).toHaveURL(/logbook/);
	// Where one arrives the headline has the focus: it is said, and the next step of the keys is in the work.
	const headline = page.getByRole('heading', { level: 1 });
	await expect(headline).toBeFocused();
	await page.goto('/session/demo-open/plan');
	await expect(headline).toBeVisible();
	await page.keyboard.press('Tab');
	await expect(page.getByRole('link', { name: 'Skip to the work' })).toBeFocused();
	await page.keyboard.press('Enter');
	await expect(headline).toBeFocused();
	await page.keyboard.press('Tab');
	await expect(page.getByRole('button', { name: 'Log event' })).toBeFocused();
});

test('a killed tab comes back to the same step with what was recorded', async ({ context }) => {
	const page = await context.newPage();
	await openDemo(page);
	await page.goto('/session/demo-open/return');
	await expect(page.getByText(/· 0 of \d+ answered/)).toBeVisible();
	await page.locator('body').press('Enter');
	await expect(page.getByText(/· 1 of \d+ answered/)).toBeVisible();
	await page.close();
	const again = await context.newPage();
	await again.goto('/session/demo-open');
	await expect(again).toHaveURL(/demo-open\/return$/);
	await expect(again.getByText(/· 1 of \d+ answered/)).toBeVisible();
});

test('a backup goes out and comes into an empty browser; a damaged one changes nothing', async ({ page, browser }) => {
	await openDemo(page);
	await page.goto('/data');
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name: 'Export everything (zip)' }).click(),
	]);
	const bytes = readFileSync(await download.path());
	const fresh = await (await browser.newContext()).newPage();
	await fresh.goto('/data');
	const give = (name: string, buffer: Buffer) =>
		fresh.locator('main input[type=file]').setInputFiles({ name, mimeType: 'application/zip', buffer });
	const alert = fresh.getByRole('alert');
	const changed = (edit: (files: Record<string, Uint8Array>) => void) => {
		const files = unzipSync(new Uint8Array(bytes));
		edit(files);
		return Buffer.from(zipSync(files));
	};
	await give(
		'outside.zip',
		changed((files) => (files['../evil.json'] = strToU8('{}'))),
	);
	await expect(alert).toContainText('../evil.json');
	await give(
		'changed.zip',
		changed((files) => (files['aircraft.json'] = strToU8('[]'))),
	);
	await expect(alert).toContainText('aircraft.json in changed.zip was changed or damaged');
	await give('cut.zip', Buffer.from(bytes.subarray(0, 900)));
	await expect(alert).toContainText('cut.zip is not a whole zip file');
	await expect(fresh.getByRole('row', { name: /Sessions/ })).toContainText('0');
	await give('whole.zip', Buffer.from(bytes));
	// What it would bring is shown first.
	await expect(fresh.getByRole('region', { name: 'What the file would bring' })).toContainText('Dunlin: new here');
	await expect(fresh.getByRole('row', { name: /Sessions/ })).toContainText('0');
	await fresh.getByRole('button', { name: 'Bring it in' }).click();
	await expect(fresh.getByRole('row', { name: /Sessions/ })).toContainText('4');
	await fresh.goto('/logbook');
	await fresh.getByRole('button', { name: 'Verify' }).first().click();
	await expect(fresh.getByRole('status').filter({ hasText: 'The chain of' })).toContainText('holds');
});

test('one session goes out as JSON and comes back', async ({ page, browser }) => {
	await openDemo(page);
	await page.goto('/session/demo-clean/sheet');
	await page.getByRole('button', { name: 'Export as JSON' }).click();
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name: 'Save the file' }).click(),
	]);
	const text = readFileSync(await download.path(), 'utf8');
	const fresh = await (await browser.newContext()).newPage();
	await fresh.goto('/data');
	const give = (content: string) =>
		fresh
			.locator('main input[type=file]')
			.setInputFiles({ name: 's.json', mimeType: 'application/json', buffer: Buffer.from(content) });
	await give(text.replace('"by": "Ines Marlowe"', '"by": "Someone Else"'));
	await expect(fresh.getByRole('alert')).toContainText('its content was changed');
	await give(text);
	await fresh.getByRole('button', { name: 'Bring it in' }).click();
	await expect(fresh.getByRole('row', { name: /Sessions/ })).toContainText('1');
});

test('with no network every station opens, what is seen is recorded, the sheet is made; and the live instruments work', async ({
	page,
	context,
}) => {
	test.setTimeout(180_000);
	await openDemo(page);
	await page.evaluate(() => navigator.serviceWorker.ready);
	await page.reload();
	await context.setOffline(true);
	await page.goto('/instruments/hover');
	await page.getByRole('button', { name: 'Fly the practice hover' }).click();
	await expect(page.getByText('Hold radius (50 %)')).toBeVisible();
	for (const live of ['compass', 'position']) {
		await page.goto(`/instruments/${live}`);
		await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
	}
	await page.goto('/logbook');
	await expect(page.getByText('Transect survey, sea wall')).toBeVisible();
	await page.goto('/');
	await startSession(page, 'Dunlin');
	await answerByKeys(page, 'Plan');
	for (const { id } of STATIONS) {
		await toStation(page, id);
		await expect(page.getByRole('navigation', { name: 'The line' })).toBeVisible();
		await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(/cannot be|Nothing here|went wrong/);
	}
	await toStation(page, 'sheet');
	await expect(page.getByText(/The chain of \d+\s+entries\s+holds/)).toBeVisible();
	const saving = page.waitForEvent('download');
	await page.getByRole('button', { name: /PDF/ }).click();
	expect((await saving).suggestedFilename()).toMatch(/\.pdf$/);
	await context.setOffline(false);
});

test('a network that accepts and never answers keeps no page from opening', async ({ page, baseURL }) => {
	let hangs = false;
	const between = createServer((request, response) => {
		if (hangs) return; // accepted, and never answered
		void fetch(`${baseURL}${request.url}`).then(async (answer) => {
			const kept = [...answer.headers].filter(
				([name]) => !/^(content-encoding|content-length|transfer-encoding)$/.test(name),
			);
			response.writeHead(answer.status, Object.fromEntries(kept));
			response.end(Buffer.from(await answer.arrayBuffer()));
		});
	});
	await new Promise<void>((resolve) => between.listen(0, '127.0.0.1', resolve));
	try {
		const at = `http://localhost:${(between.address() as AddressInfo).port}`;
		await page.goto(at);
		await page.evaluate(() => navigator.serviceWorker.ready);
		await page.reload();
		hangs = true;
		await page.goto(`${at}/logbook`, { timeout: 10_000 });
		await expect(page.getByRole('heading', { level: 1 })).toHaveText('What was checked before each flight');
		await expect(page.getByText('No session yet')).toBeVisible();
	} finally {
		between.closeAllConnections();
		between.close();
	}
});

test('an aircraft and a site are entered, kept, and used with their own limits and units', async ({ page }) => {
	await page.goto('/aircraft/new');
	await page.getByRole('button', { name: 'Save', exact: true }).click();
	await expect(page.getByRole('alert')).toContainText('Name');
	await page.getByLabel('Name').fill('Redshank');
	await page.getByLabel('Name').blur();
	await page.getByRole('heading', { name: 'Limits', exact: true }).click();
	await page.getByLabel('Minimum satellites').fill('ten');
	await page.getByLabel('Minimum satellites').blur();
	await expect(page.getByText('"ten" is not a number')).toBeVisible();
	// A field that is refused is not hidden: its part opens again.
	await page.getByRole('heading', { name: 'Limits', exact: true }).click();
	await page.getByRole('button', { name: 'Save', exact: true }).click();
	await expect(page.getByLabel('Minimum satellites')).toBeFocused();
	await page.getByLabel('Minimum satellites').fill('10');
	await page.getByLabel('Minimum satellites').blur();
	await page.getByRole('button', { name: 'Save', exact: true }).click();
	await expect(page.getByRole('heading', { name: /Your aircraft: entered/ })).toBeVisible();
	await page.goto('/aircraft');
	await page.getByRole('link', { name: /Redshank/ }).click();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('Redshank');
	await page.getByRole('button', { name: 'Settings' }).click();
	await page.getByRole('radio', { name: 'ft, mph, °F' }).click();
	await page.keyboard.press('Escape');
	await expect(page.getByText(/return at 131.2 ft and 13.4 mph/)).toBeVisible();
	await page.goto('/sites');
	await page.getByRole('button', { name: 'Enter a site' }).click();
	await page.getByLabel('Name').fill('Meadow');
	await page.getByRole('button', { name: 'Save' }).click();
	await expect(page.getByRole('alert')).toContainText('Latitude: is missing');
	for (const [label, value] of [
		['Latitude', '54.2'],
		['Longitude', '-3.1'],
		['Height above sea', '12'],
	]) {
		await page.getByLabel(label).fill(value);
		await page.getByLabel(label).blur();
	}
	await page.getByRole('button', { name: 'Save' }).click();
	await expect(page.getByRole('row', { name: /Meadow/ })).toContainText('68.');
});

test('on a phone what to do about a finding stands below its headline; on a wide screen beside it, once', async ({
	page,
}) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await page.goto('/instruments/pressure');
	await page
		.getByRole('button', { name: /^Try it/ })
		.last()
		.click();
	const advice = page.getByText(/^Cover the sensor with open foam/).filter({ visible: true });
	await expect(advice).toHaveCount(1);
	await expect(advice).toBeInViewport();
	await page.setViewportSize({ width: 1280, height: 800 });
	await expect(page.locator('aside').filter({ has: advice })).toBeVisible();
	await expect(advice).toHaveCount(1);
});
