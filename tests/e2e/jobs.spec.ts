import { expect, test, type Page } from '@playwright/test';
import { arm, begin, endIt, flyAndLand, go, h1 } from './days';
import { choose, answerByKeys, DEMO_STATE, enterAircraft, expectAccessible, setAsideAt } from './support';

/** Whole jobs of a racer, a small indoor drone and a wing: thing by thing on the bench, then on the ground and in the air. */
test.use({ storageState: DEMO_STATE });

/** Every step of a walk as it should be, but those named. */
async function walk(page: Page, good: string, wrong: Record<number, string> = {}, steps = 4) {
	for (let step = 0; step < steps; step++) {
		const what = wrong[step];
		if (what) {
			await page.getByRole('button', { name: 'Something is wrong' }).click();
			await page.getByRole('button', { name: what }).click();
		} else await page.getByRole('button', { name: good }).click();
	}
}
async function record(page: Page, back: RegExp) {
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(back);
}
test('a racer: straps and leads, propeller by propeller with an upside-down one found, self-righting tried, first lift', async ({
	page,
}) => {
	test.setTimeout(240_000);
	await enterAircraft(page, 'Whimbrel', 'Racing quad', async () => {
		await choose(page.getByLabel('Failsafe action'), 'stop its motors');
		await choose(page.getByLabel('Propeller mounting'), 'by a nut');
		await page.getByRole('checkbox', { name: /Rights itself/ }).check();
	});
	await begin(page, 'Whimbrel', /sea wall/, /repair/i);
	await go(page, 'bench?item=leads');
	await page.getByRole('link', { name: 'Straps, lead and plug' }).click();
	await walk(page, 'As it should be', { 2: 'A blade can reach it' });
	await expect(h1(page)).toHaveText('The battery lead can be reached by a propeller');
	await page.getByRole('button', { name: 'All again' }).click();
	await walk(page, 'As it should be');
	await record(page, /\/bench$/);
	await expect(page.getByText(/held by two straps/).first()).toBeVisible();
	await answerByKeys(page, 'Bench');
	await setAsideAt(page, 'arm', /(is|are) due|Nobody has/i);

	await go(page, 'power-up/propellers');
	await expect(h1(page)).toHaveText(/^1, front left: the clockwise blade, marked side up/);
	await expect(page.getByText(/an eighth to a quarter of a turn/)).toBeVisible();
	await expectAccessible(page, 'propeller by propeller');
	await walk(page, 'Right, tight, whole', { 1: 'Upside down' });
	await expect(h1(page)).toHaveText('The front right propeller is upside down');
	await page.getByRole('button', { name: 'All again' }).click();
	await walk(page, 'Right, tight, whole');
	await record(page, /\/power-up$/);
	await expect(page.getByText(/Every propeller is of the right hand/).first()).toBeVisible();
	await arm(page);

	await go(page, 'response?item=righting-tried');
	await page.getByRole('link', { name: 'Upside down: what to do' }).click();
	for (const first of [/^Throttle at zero/, /^On open ground/, /^Nothing hangs/])
		await page.getByRole('checkbox', { name: first }).click();
	await page.getByRole('button', { name: 'to the left' }).click();
	await expect(h1(page)).toContainText('Stick to the left, a quarter of a second');
	await page.getByRole('button', { name: 'It tipped the other way' }).click();
	await expect(h1(page)).toContainText('the opposite stick');
	await expectAccessible(page, 'self-righting');
	await page.getByRole('button', { name: 'It is over' }).click();
	await expect(h1(page)).toHaveText('Aircraft righted itself in 2 pushes');
	await record(page, /\/response$/);
	for (const nudge of ['nudge-roll', 'nudge-pitch', 'nudge-yaw']) {
		await go(page, `response?item=${nudge}`);
		await page.keyboard.press('1');
	}
	await go(page, 'hover');
	await expect(page.getByText(/self-level/).first()).toBeVisible();
	// A new part: everything that it may have changed is asked again.
	await page.getByRole('button', { name: /Log event/ }).click();
	const dialog = page.getByRole('dialog');
	await dialog.getByRole('radio', { name: /replaced/i }).click();
	await dialog.getByRole('button', { name: 'Log event' }).click();
	await expect(dialog).toHaveCount(0);
	await go(page, 'power-up');
	await expect(page.getByText(/Every propeller is of the right hand/)).toHaveCount(0);
	await arm(page);
	await flyAndLand(page);
	await endIt(page);
	await expect(page.getByText(/Every propeller is of the right hand/).first()).toBeVisible();
	await expect(page.getByText('Aircraft righted itself in 2 pushes').first()).toBeVisible();
});

test('a small indoor drone: linked and zeroed, its sides tried one by one with their dates, trimmed, down', async ({
	page,
}) => {
	test.setTimeout(240_000);
	await enterAircraft(page, 'Wren', 'Small indoor drone', async () => {
		await choose(page.getByLabel('Failsafe action'), 'land where it is');
		await page.getByRole('checkbox', { name: /^Obstacle sensors/ }).check();
		for (const side of ['front', 'left', 'right'])
			await page.getByRole('checkbox', { name: side, exact: true }).check();
	});
	await begin(page, 'Wren', /workshop/, /under a roof/i);
	await go(page, 'bench');
	await answerByKeys(page, 'Bench');
	await setAsideAt(page, 'arm', /(is|are) due|Nobody has/i);
	await go(page, 'power-up?item=obstacle-sides');
	await page.getByRole('link', { name: 'Obstacle sensors, side by side' }).click();
	await expect(h1(page)).toContainText('from the front');
	await walk(page, 'Shown, and nearer as it came', { 1: 'Not shown' }, 3);
	await expect(h1(page)).toHaveText('The side left does not see the board');
	await record(page, /\/power-up$/);
	await go(page, 'power-up/obstacle-sides');
	await expect(page.getByText(/side front/).first()).toBeVisible();
	await expect(page.getByText(/never yet/).first()).toBeVisible();
	await go(page, 'power-up');
	await expect(page.getByText(/Aircraft on first, then the remote/).first()).toBeVisible();
	await expect(page.getByText(/flat ground, both sticks/).first()).toBeVisible();
	await arm(page);
	await flyAndLand(page);
	await go(page, 'close');
	await expect(page.getByText(/Throttle held down until the motors stand still/).first()).toBeVisible();
	await endIt(page);
	await expect(page.getByText('The side left does not see the board').first()).toBeVisible();
});
