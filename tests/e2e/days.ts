import { expect, type Page } from '@playwright/test';
import { answerByKeys, holdTime, pauseTime, setAsideAt, toStation, settleValues } from './support';

/** The steps that whole days of pilots share, done by what stands on the screen. */

export const h1 = (page: Page) => page.getByRole('heading', { level: 1 });
export const go = toStation;

/** Begins a session as a pilot does: the aircraft, and whatever else is chosen of place, pack, why, over what. */
export async function begin(page: Page, aircraft: string, ...choices: readonly RegExp[]): Promise<void> {
	await holdTime(page);
	await page.goto('/session/new');
	await page.getByRole('radio', { name: new RegExp(`^${aircraft}`) }).click();
	for (const choice of choices) await page.getByRole('radio', { name: choice }).first().click();
	await page.getByLabel('What it is for').fill('A whole job');
	await page.getByLabel('Pilot in command').fill('Ines Marlowe');
	await page.getByRole('button', { name: 'Start the session' }).click();
	await expect(page).toHaveURL(/\/plan$/);
}

/** Answers stations as they should be, one after the other. */
export async function answer(page: Page, ...stations: readonly string[]): Promise<void> {
	for (const station of stations) {
		await go(page, station);
		const title = station.charAt(0).toUpperCase() + station.slice(1);
		await answerByKeys(page, title === 'Response' ? 'Ground response' : title);
	}
}

/** The lock as the aircraft's own screen shows it. */
export async function readOffLock(page: Page, satellites = '14'): Promise<void> {
	await go(page, 'position/position');
	await page.getByRole('radio', { name: 'Its own screen' }).click();
	await page.getByLabel('Satellites').fill(satellites);
	await page.getByLabel('Satellites').blur();
	await page.getByRole('radio', { name: 'Yes, here' }).click();
	await page.getByRole('button', { name: 'Record what it shows' }).click();
	await expect(page).toHaveURL(/\/position$/);
	await expect(page.getByText(new RegExp(`Read off: ${satellites} satellites, home stored`)).first()).toBeVisible();
}

export async function enterWind(page: Page, mean = '3', gusts = '4'): Promise<void> {
	await go(page, 'return');
	await page.getByLabel('Wind from').fill('240');
	await page.getByLabel('Mean').fill(mean);
	await page.getByLabel('Gusts').fill(gusts);
	await page.getByLabel('Gusts').blur();
	await page.getByRole('button', { name: 'Record the wind' }).click();
	await expect(page.getByText('Wind recorded').first()).toBeVisible();
}

/** What is left is set aside, each by itself, and the gate opens. */
export async function arm(page: Page): Promise<void> {
	await settleValues(page);
	await setAsideAt(page, 'arm');
	await expect(h1(page)).toContainText('Nothing here blocks arming');
	await page.getByRole('button', { name: 'Arm', exact: true }).click();
	await expect(page).toHaveURL(/\/(response|hover)$/);
}

/** Watches a hover for so many seconds of the page's own clock, tapping what it does every twelve, and says how far it went. */
export async function watchHover(page: Page, { seconds = 60, taps = 'Still', farthest = '2', circle = '' } = {}) {
	const start = page.getByRole('button', { name: 'It hovers: begin' });
	await expect(start).toBeVisible();
	await pauseTime(page);
	await start.click();
	for (let passed = 0; passed < seconds; passed += 12) {
		await page.getByRole('button', { name: taps, exact: true }).click();
		await page.clock.runFor(12_000);
	}
	await page.getByRole('button', { name: 'The hover is over' }).click();
	await page.clock.resume();
	await page.getByLabel('Farthest from where it began').fill(farthest);
	if (circle) await page.getByLabel('One circle took about').fill(circle);
	await page.getByRole('button', { name: 'Judge it' }).click();
}

/** The hover station by eye, recorded, with the finding that it should give. */
export async function hoverByEye(
	page: Page,
	seen: Parameters<typeof watchHover>[1] = {},
	finding: RegExp | string = /./,
) {
	await go(page, 'hover/hover');
	await page.getByRole('radio', { name: /By eye/ }).click();
	await watchHover(page, seen);
	await expect(h1(page)).toHaveText(finding);
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/session\/[^/]+\/hover$/);
}

/** The flight: decided, off, down again; where it came home by itself, measured by tape. */
export async function flyAndLand(page: Page, metres = ''): Promise<void> {
	await setAsideAt(page, 'fly');
	await page.getByRole('button', { name: 'Fly', exact: true }).click();
	// The flight stands under the headline, however far down it was decided.
	await expect(h1(page)).toBeInViewport();
	await page.getByRole('button', { name: /^(Off the ground|Take off again)/ }).click();
	await expect(h1(page)).toHaveText('Flying');
	await page.getByRole('button', { name: 'Landed' }).click();
	await expect(page.getByText('Landing recorded').first()).toBeVisible();
	if (metres) await landingByTape(page, metres);
}

/** Where it came down, so many metres east of the mark. */
export async function landingByTape(page: Page, metres: string): Promise<void> {
	await page.getByRole('radio', { name: 'Tape' }).click();
	await page.getByRole('textbox', { name: 'From the mark' }).fill(metres);
	await page.getByRole('radio', { name: 'E', exact: true }).click();
	await page.getByRole('button', { name: 'Record the landing' }).click();
	await expect(page.getByText(/would settle it|^One landing, /).first()).toBeVisible();
}

/** Close answered, the session ended: the sheet, whose chain holds. */
export async function endIt(page: Page): Promise<void> {
	await go(page, 'close');
	await answerByKeys(page, 'Close');
	await page.getByRole('button', { name: 'End the session' }).click();
	await expect(page).toHaveURL(/\/sheet$/);
	await expect(page.getByText(/The chain of \d+\s+entries\s+holds/)).toBeVisible();
}
