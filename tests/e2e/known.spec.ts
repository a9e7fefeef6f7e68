import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { choose, expectAccessible, openDemo, startSession, toStation } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const listed = (page: Page) => page.locator('main').getByRole('listitem');

test('a newcomer is led: aircraft, place by a pasted position, first tick', async ({ page }) => {
	await page.goto('/');
	await page.getByRole('link', { name: 'Enter your aircraft' }).click();
	await page.getByLabel('Name', { exact: true }).fill('Teal');
	await choose(page.getByLabel('Kind'), 'Camera drone');
	await page.getByRole('button', { name: 'Save' }).click();
	await expect(page.getByRole('heading', { name: /Your aircraft: entered/ })).toBeVisible();
	await page.getByRole('link', { name: 'Enter a site' }).click();
	const dialog = page.getByRole('dialog');
	await dialog.getByLabel('Name').fill('Long meadow');
	await dialog.getByLabel('Position, pasted').fill('54°12\'40.7"N 3°3\'51.1"W');
	await dialog.getByLabel('Height above sea').fill('7');
	await expect(dialog.getByLabel('Longitude')).toHaveValue(/^-3\.0641/);
	await dialog.getByRole('button', { name: 'Save' }).click();
	await page.getByRole('link', { name: 'Start a session' }).click();
	await page.getByLabel('What it is for').fill('First look');
	await page.getByLabel('Pilot in command').fill('Jonas Fell');
	await page.getByRole('button', { name: 'Start the session' }).click();
	await page.getByRole('button', { name: 'Seen, it is right' }).click();
	await expect(page.getByText(/· 1 of \d+ answered/)).toBeVisible();
	await expect(listed(page).filter({ hasText: /per cent/ })).toBeVisible();
});

test('where this device is is asked for, and a refusal is told', async ({ page, context }) => {
	await context.grantPermissions(['geolocation']);
	await context.setGeolocation({ latitude: 54.25, longitude: -3.125, accuracy: 6 });
	await page.goto('/sites?new');
	const dialog = page.getByRole('dialog');
	await dialog.getByRole('button', { name: 'Here' }).click();
	await expect(dialog.getByRole('status')).toContainText('By this device, to about 6 m');
	await expect(dialog.getByLabel('Latitude')).toHaveValue('54.25');
	await dialog.getByLabel('Position, pasted').fill('behind the barn');
	await dialog.getByLabel('Position, pasted').blur();
	await expect(dialog.getByRole('status')).toContainText('"behind the barn" is no position');
	await context.clearPermissions();
	await dialog.getByRole('button', { name: 'Here' }).click();
	await expect(dialog.getByRole('status')).toContainText(/was not allowed|does not know where it is/);
});

test('a checklist is made for the day: after a repair, near people; an item is measured by its instrument, filled from what is known', async ({
	page,
}) => {
	await openDemo(page);
	await page.goto('/session/new');
	await page.getByRole('radio', { name: /^Dunlin/ }).click();
	await expect(page.getByText(/nothing noted since|on \d+ \w+ \d{4}/).first()).toBeVisible();
	await page.getByRole('radio', { name: /^After a repair/ }).click();
	await page.getByRole('radio', { name: /sea wall/ }).click();
	await page.getByRole('radio', { name: /^People near/ }).click();
	await page.getByRole('radio', { name: /^D-3/ }).click();
	await page.getByLabel('What it is for').fill('After the motor');
	await page.getByLabel('Pilot in command').fill('Ines Marlowe');
	await page.getByRole('button', { name: 'Start the session' }).click();
	await expect(page.getByText('This list is made for Dunlin, after a repair, people near.')).toBeVisible();
	await expect(listed(page).filter({ hasText: 'People near are told' })).toBeVisible();
	await listed(page).filter({ hasText: 'Enough daylight' }).getByRole('button').first().click();
	await expect(page.getByText(/The sun (rises|sets|set) at/)).toBeVisible();
	await toStation(page, 'bench');
	await expect(listed(page).filter({ hasText: 'each motor starts' })).toBeVisible();

	// The return height is held against what stands at the place.
	await toStation(page, 'return');
	await expect(heading(page)).toContainText('Loss of link is set');
	await page.keyboard.press('Enter');
	await expect(page.getByText('range 28 to 120 m')).toBeVisible();
	await expect(page.getByText(/Poplars by the lane, 18 m high/).first()).toBeVisible();
	await page.getByRole('link', { name: 'Measure it: way home' }).click();
	await expect(page.getByText('profile of Dunlin').first()).toBeVisible();
	await expect(page.getByLabel('Return height')).toHaveValue('40');
	await expect(page.getByText('from Hollin Saltings, sea wall').first()).toBeVisible();
	await expectAccessible(page, 'filled form');
});

test('a day under a roof asks for a room, and neither for a return height nor to put indoor settings back', async ({
	page,
}) => {
	await openDemo(page);
	await page.goto('/session/new');
	await page.getByRole('radio', { name: /^Plover/ }).click();
	await page.getByRole('radio', { name: /workshop/ }).click();
	await page.getByRole('radio', { name: /^Under a roof/ }).click();
	await page.getByLabel('What it is for').fill('In the hall');
	await page.getByLabel('Pilot in command').fill('Ines Marlowe');
	await page.getByRole('button', { name: 'Start the session' }).click();
	await expect(listed(page).filter({ hasText: 'Room looked at' })).toBeVisible();
	await expect(listed(page).filter({ hasText: 'daylight' })).toHaveCount(0);
	await toStation(page, 'return');
	await expect(listed(page).filter({ hasText: 'the automatic return is off' })).toBeVisible();
	await expect(listed(page).filter({ hasText: 'Return height read' })).toHaveCount(0);
});

test('an instrument’s finding answers the item that opened it', async ({ page }) => {
	await openDemo(page);
	await startSession(page, 'Avocet', 'rehearsal');
	await toStation(page, 'bench');
	await listed(page).filter({ hasText: 'Balanced on its marks' }).getByRole('button').first().click();
	await page.getByRole('link', { name: 'Measure it: balance' }).click();
	await page
		.getByRole('button', { name: /^Try it/ })
		.first()
		.click();
	await page.getByRole('button', { name: 'Keep it in the session' }).click();
	await expect(page).toHaveURL(/\/bench$/);
	await expect(listed(page).filter({ hasText: /From practice/ })).toBeVisible();
	await expect(listed(page).filter({ hasText: 'Balanced on its marks' })).toHaveCount(0);
});

test('settings are kept, compared, and brought back; a change is noted on the aircraft', async ({ page }) => {
	await openDemo(page);
	await page.goto('/aircraft/demo-dunlin/settings');
	const lines = page.getByLabel(/^Lines of name and value/);
	const keep = page.getByRole('button', { name: 'Keep this sheet' });
	await lines.fill('return_speed 6\nreturn_height 40\nnonsense');
	await keep.click();
	await expect(page.getByRole('alert')).toContainText('Line 3, "nonsense"');
	await lines.fill('# before\nset return_speed = 6\nreturn_height 40');
	await keep.click();
	await expect(heading(page)).toContainText('2 settings kept');
	await lines.fill('return_speed 9\nreturn_height 40.0\nbeeper 1');
	await page.getByLabel('What was changed, and why').fill('faster home');
	await keep.click();
	await expect(heading(page)).toHaveText('2 settings differ');
	await expect(page.getByText('One change at a time')).toBeVisible();
	await expectAccessible(page, 'settings');
	const download = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save the list that puts them back' }).click();
	expect(readFileSync(await (await download).path(), 'utf8')).toBe('return_speed = 6');
	await page.goto('/aircraft/demo-dunlin');
	await expect(page.getByText(/return_speed, beeper/).first()).toBeVisible();
});

test('the aircraft’s own lights are looked up by what is seen, and stand at the step they fit', async ({ page }) => {
	await openDemo(page);
	await page.goto('/aircraft/demo-dunlin#lights');
	await page.getByLabel('What do you see or hear?').fill('red fast');
	await expect(page.getByText('it will not arm.')).toBeVisible();
	await expect(page.getByText('Home point stored.')).toHaveCount(0);
	await page.goto('/aircraft/demo-plover/guide/compass');
	await expect(page.getByRole('checkbox').first()).toBeVisible();
	for (const box of await page.getByRole('checkbox').all()) await box.check();
	await page.getByRole('button', { name: 'Begin the routine' }).click();
	const small = page.getByRole('button', { name: 'Stop', exact: true });
	if (await small.isVisible()) await small.click();
	await expect(page.getByText('What Plover shows now').first()).toBeVisible();
	await expect(page.getByText('Walk ten steps on and begin again').first()).toBeVisible();
});
