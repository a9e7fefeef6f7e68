import AxeBuilder from '@axe-core/playwright';
import { expect, type Locator, type Page } from '@playwright/test';

/** What the application said aloud and sounded, instead of the speakers. */
export interface Heard {
	words: string[];
	tones: string[];
}

/** Listens through the seam of the hands-free cue. Call before the page is opened. */
export async function listen(page: Page): Promise<() => Promise<Heard>> {
	await page.addInitScript(() => {
		const heard: Heard = { words: [], tones: [] };
		Object.assign(window, {
			heard,
			winglogosVoice: {
				say: (words: string) => heard.words.push(words),
				tone: (kind: string) => heard.tones.push(kind),
				silence: () => undefined,
			},
		});
	});
	return () => page.evaluate(() => (window as unknown as { heard: Heard }).heard);
}

/** Collects requests to other hosts, page errors and broken security rules; none of them may happen. */
export function watch(page: Page): { complaints: string[] } {
	const complaints: string[] = [];
	page.on('request', (request) => {
		const url = new URL(request.url());
		if (!['localhost', ''].includes(url.hostname) && !['data:', 'blob:'].includes(url.protocol))
			complaints.push(`request to ${url.host}`);
	});
	page.on('pageerror', (error) => complaints.push(`error: ${error.message}`));
	page.on('console', (message) => {
		if (message.type() === 'error' && /Content Security Policy/.test(message.text())) complaints.push(message.text());
	});
	return { complaints };
}

/** No finding of axe that is serious or worse on the page as it stands. */
export async function expectAccessible(page: Page, where: string): Promise<void> {
	// A notice that is still fading in is paler than it will be.
	await page.locator('[data-sonner-toast]').evaluateAll(async (notices) => {
		const moving = notices.flatMap((notice) => notice.getAnimations({ subtree: true }));
		await Promise.allSettled(moving.map(({ finished }) => finished));
	});
	const { violations } = await new AxeBuilder({ page }).analyze();
	const serious = violations
		.filter(({ impact }) => impact === 'serious' || impact === 'critical')
		.map(({ id, nodes }) => `${where}: ${id} at ${nodes[0].target.join(' ')} ${nodes[0].failureSummary ?? ''}`);
	expect(serious).toEqual([]);
}

/** How far the page's clock is moved at once, and how far at most. */
const [STEP_MS, MOST_MS] = [1000, 300_000];
/** Workers live by the clock on the wall: they get this much of it for every step. */
const REAL_MS = 60;

/** Pages whose clock is the test's. */
const held = new WeakSet<Page>();

/** Makes the page's clock the test's. Call before the page is opened. */
export function holdTime(page: Page): Promise<void> {
	held.add(page);
	return page.clock.install();
}

/** Stops the page's clock: from here on only the test moves it. A loaded machine may take seconds to be told, so it is asked again. */
export async function pauseTime(page: Page): Promise<void> {
	for (let ahead = STEP_MS; ; ahead *= 4) {
		try {
			return await page.clock.pauseAt((await page.evaluate(() => Date.now())) + ahead);
		} catch (error) {
			if (ahead > MOST_MS || !String(error).includes('to the past')) throw error;
		}
	}
}

/**
 * Lets the page's time pass, quicker than it would by itself, until a place shows what is asked for: so a procedure of
 * minutes takes seconds, and takes the same on a loaded machine.
 */
export async function passTimeUntil(page: Page, place: Locator, says: RegExp | string = /./): Promise<void> {
	const found = place.filter({ hasText: says }).first();
	await pauseTime(page);
	for (let passed = 0; passed < MOST_MS; passed += STEP_MS) {
		if (await found.isVisible()) return page.clock.resume();
		await page.clock.runFor(STEP_MS);
		await new Promise((resolve) => setTimeout(resolve, REAL_MS));
	}
	await page.clock.resume();
	await expect(found).toBeVisible();
}

/** What the browser stored once the demo was made. */
export const DEMO_STATE = 'test-results/demo.json';
export const DEMO_TITLE = 'First flight after a repair';

/** Opens the start page of a device that has the demo. */
export async function openDemo(page: Page): Promise<void> {
	await page.context().setStorageState(DEMO_STATE);
	await page.goto('/');
	await expect(page.getByRole('heading', { level: 1 })).toContainText(DEMO_TITLE);
}

/** Chooses from a list by the words of one choice, or by its number from the top. */
export async function choose(field: Locator, choice: string | number): Promise<void> {
	await field.click();
	const choices = field.page().getByRole('option');
	await (typeof choice === 'number' ? choices.nth(choice) : choices.getByText(choice, { exact: true })).click();
	await expect(choices).toHaveCount(0);
}

/** Starts a session with the first aircraft of a name: for real, or a rehearsal, in which the practice aircraft counts. */
export async function startSession(
	page: Page,
	aircraft: string,
	kind: 'flight' | 'rehearsal' = 'flight',
): Promise<void> {
	await page.goto('/session/new');
	if (kind === 'rehearsal') await page.getByRole('radio', { name: /^A rehearsal/ }).click();
	await page.getByRole('radio', { name: new RegExp(`^${aircraft}`) }).click();
	await page.getByRole('radio', { name: /sea wall/ }).click();
	await page.getByLabel('What it is for').fill('Morning check');
	await page.getByLabel('Pilot in command').fill('Ines Marlowe');
	// An aircraft without a flight on record is taken for new: most tests are about one that has flown.
	if (await page.getByRole('radio', { name: /^First flight/ }).isChecked())
		await page.getByRole('radio', { name: /^Nothing new/ }).click();
	await page.getByRole('button', { name: /^Start the (session|rehearsal)$/ }).click();
	await expect(page).toHaveURL(/\/plan$/);
	// The address is there before the page is.
	await expect(page.getByText(/^Plan of /)).toBeVisible();
}

const VALUES: Record<string, string> = {
	'Distance limit': '100',
	'Pack at rest, volts': '4.17',
	'Pack charge': '97',
	'Return height': '40',
	'Pack after the flight, volts': '3.7',
	'Pack after the flight, per cent': '41',
	'Charge used': '2400',
};

/** Answers the items of the station in view as they should be, by keyboard alone. */
export async function answerByKeys(page: Page, station: string): Promise<void> {
	const open = page.getByText(new RegExp(`${station} of .* · (\\d+) of (\\d+) answered`));
	await expect(open).toBeVisible();
	for (let guard = 0; guard < 30; guard++) {
		const [, answered, of] = /(\d+) of (\d+) answered/.exec((await open.textContent()) ?? '') ?? [];
		if (answered === of) return;
		const heading = (await page.getByRole('heading', { level: 1 }).textContent()) ?? '';
		const value = Object.entries(VALUES).find(([words]) => heading.includes(words))?.[1];
		// A timed step of the hover test is flown by the pilot's word here: its clock has a test of its own.
		const untimed = page.getByRole('button', { name: 'Flown, not timed' });
		if (value) await page.keyboard.type(value);
		if (await untimed.isVisible()) await untimed.click();
		else await page.keyboard.press(/nudge|Tank or seed box/i.test(heading) ? '1' : 'Enter');
		// An answer may change what else is asked.
		const next = new RegExp(`${Number(answered) + 1} of \\d+ answered`);
		// A timed wait need not be waited for where the clock is the test's.
		if (held.has(page) && /Set down level/.test(heading)) await passTimeUntil(page, open, next);
		await expect(open).toContainText(next, { timeout: 20_000 });
	}
}

/** Enters an aircraft of a kind, with its name; what else is set before it is saved is the caller's. */
export async function enterAircraft(
	page: Page,
	name: string,
	kind: string,
	more: () => Promise<unknown> = async () => null,
): Promise<void> {
	await page.goto('/aircraft/new');
	await page.getByLabel('Name').fill(name);
	await page.getByLabel('Name').blur();
	await choose(page.getByLabel('Kind'), kind);
	await page.getByRole('button', { name: 'Open all parts' }).click();
	await more();
	await page.getByRole('button', { name: 'Save', exact: true }).click();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText(name);
}

/** Ends a hold of a guided routine once the aircraft has had time to show that it is done. */
export async function endHold(page: Page): Promise<void> {
	const stop = page.getByRole('button', { name: 'Stop', exact: true });
	await expect(stop).toBeVisible();
	await page.waitForTimeout(HELD_MS);
	await stop.click();
}
const HELD_MS = 3300;

/** Address of a station of the session in view. */
export const stationUrl = (page: Page, station: string): string =>
	page.url().replace(/(session\/[^/]+)\/.*/, `$1/${station}`);

/**
 * Goes to a station of the session in view by a link within the application, as a pilot does: loading it all again takes ten times as
 * long. Where it is in view already it is loaded again.
 */
export async function toStation(page: Page, station: string): Promise<void> {
	const from = page.url();
	const url = stationUrl(page, station);
	if (from === url) {
		await page.reload();
		return;
	}
	await page.evaluate((href) => {
		const link = Object.assign(document.createElement('a'), { href });
		document.querySelector('main')?.append(link);
		link.click();
		link.remove();
	}, url);
	await expect(page).not.toHaveURL(from);
}

/** Chooses today's value wherever two statements disagree: a disagreement about the return holds the Arm check. */
export async function settleValues(page: Page): Promise<void> {
	await toStation(page, 'return');
	const use = page.getByRole('button', { name: /^Use .*, update profile$/ });
	await expect(page.getByText(/^Return of /)).toBeVisible();
	for (let left = await use.count(); left > 0; left--) {
		await use.first().click();
		await expect(use).toHaveCount(left - 1);
	}
}

/** Sets everything aside that a gate asks for, each by itself, as far as its title is not left out; returns how many. */
export async function setAsideAt(page: Page, gate: 'arm' | 'fly', only = /./): Promise<number> {
	await toStation(page, gate);
	await expect(page.getByRole('heading', { name: 'Your decision' })).toBeVisible();
	// In the page, press by press: there are dozens, and each would be asked for from outside several times.
	return page.evaluate(
		async ([source, flags]) => {
			const wanted = new RegExp(source, flags);
			const until = <T>(find: () => T | null | undefined | false): Promise<T> =>
				new Promise((resolve) => {
					const look = () => {
						const found = find();
						if (!found) return;
						watching.disconnect();
						resolve(found);
					};
					const watching = new MutationObserver(look);
					watching.observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true });
					look();
				});
			const buttonIn = (row: Element) =>
				[...row.querySelectorAll('button')].find((button) => button.textContent.trim() === 'Set aside');
			const rows = () => [...document.querySelectorAll('main li')].filter((row) => buttonIn(row));
			const titleOf = (row: Element) => row.querySelector('a')?.textContent.trim() ?? '';
			const dialog = () => document.querySelector('dialog');
			for (let count = 0; ; count++) {
				const row = rows().find(({ textContent }) => wanted.test(textContent));
				if (!row) return count;
				const title = titleOf(row);
				buttonIn(row)?.click();
				const reason = await until(() => dialog()?.querySelectorAll<HTMLElement>('button:not([role], #notices *)')[1]);
				reason.click();
				await until(() => !dialog() && rows().every((other) => titleOf(other) !== title));
			}
		},
		[only.source, only.flags],
	);
}
