import { expect, test } from '@playwright/test';
import { choose, DEMO_STATE, enterAircraft, expectAccessible, startSession, toStation } from './support';

test.use({ storageState: DEMO_STATE });

test('the way home is planned from what is known, tried with sliders, kept, and on a card for the pocket', async ({
	page,
}) => {
	await page.goto('/');
	await startSession(page, 'Dunlin', 'flight');
	await toStation(page, 'return');
	await page.getByRole('link', { name: 'Plan the way home' }).click();
	const h1 = page.getByRole('heading', { level: 1 });
	// Nothing is invented: pack and wind are asked for.
	await expect(h1).toContainText('Which pack is flown?');
	await page.getByRole('button', { name: /^D-3/ }).click();
	await expect(h1).toContainText('Enter the wind');
	await page.getByLabel('Wind from').fill('250');
	await page.getByLabel('Mean').fill('3');
	await page.getByLabel('Gusts').fill('4.5');
	await page.getByLabel('Gusts').blur();
	await page.getByRole('button', { name: 'Record the wind' }).click();
	await expect(h1).toContainText(/the worst place, Dunlin comes home; turn back \d+:\d\d after takeoff from \d+ %/);
	await expect(page.getByText('Poplars by the lane, 18 m').first()).toBeVisible();
	await expect(page.getByText('Return, as it is set:')).toBeVisible();

	// Lower than the poplars by the lane: it would fly into them.
	const slide = async (name: RegExp, value: string) => page.getByRole('slider', { name }).fill(value);
	await slide(/Return height/, '15');
	await slide(/Flying at/, '12');
	await expect(h1).toContainText('it would come home into Poplars by the lane');
	await expect(page.getByRole('button', { name: 'Record it' })).toBeDisabled();
	await page.getByRole('button', { name: /back to today’s wind and its own setting/ }).click();
	// A wind that it does not come home against.
	await slide(/^Wind/, '14');
	await expect(h1).toContainText(/Against this wind|Wind at its altitude/);
	await page.getByRole('button', { name: /back to today’s wind and its own setting/ }).click();
	await expect(h1).toContainText(/comes home; turn back/);
	await expectAccessible(page, 'way home');
	// What was tried comes back after a reload; nothing of it is kept unasked.
	await slide(/Farthest/, '300');
	await expect(h1).toContainText('From 300');
	await page.reload();
	await expect(h1).toContainText('From 300');
	await expect(page.getByRole('region', { name: 'Pocket card' })).toContainText('Switch to self-level: left switch up');
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/return$/);
	await expect(page.getByText(/the worst place, Dunlin comes home/).first()).toBeVisible();
	await toStation(page, 'sheet');
	await expect(page.getByText(/Turn back after takeoff [\d.:]+ min/).first()).toBeVisible();
});

test('an action that does not fit the venue is a hold before anybody asks', async ({ page }) => {
	await page.goto('/session/new');
	await page.getByRole('radio', { name: /Dunlin/ }).click();
	await page.getByRole('radio', { name: /roof/i }).click();
	await page.getByLabel('What it is for').fill('In the hall');
	await page.getByLabel('Pilot in command').fill('Ines Marlowe');
	await page.getByRole('button', { name: 'Start the session' }).click();
	await expect(page).toHaveURL(/session\/[^/]+\/plan$/);
	await toStation(page, 'return');
	await expect(page.getByText('Under a roof a return climbs into the ceiling').first()).toBeVisible();
	await expect(page.getByText('Plan the way home')).toHaveCount(0);

	// Set to hover where it is, with people near: it comes down on them.
	await enterAircraft(page, 'Knot', 'Self-built multirotor', async () => {
		await choose(page.getByLabel('Failsafe action'), 'hover where it is');
	});
	await page.goto('/session/new');
	await page.getByRole('radio', { name: /^Knot/ }).click();
	await page.getByRole('radio', { name: 'People near' }).click();
	await page.getByLabel('Pilot in command').fill('Ines Marlowe');
	await page.getByRole('button', { name: 'Start the session' }).click();
	await expect(page).toHaveURL(/session\/[^/]+\/plan$/);
	await toStation(page, 'return');
	await expect(page.getByRole('heading', { level: 1 })).toHaveText(
		'On link loss the aircraft comes down where it is, possibly on people',
	);
	await toStation(page, 'arm');
	await expect(page.getByText('On link loss the aircraft comes down where it is').first()).toBeVisible();
});

test('a return is flown and tapped phase by phase, one that does not come is taken over, and what was seen stands in what is due', async ({
	page,
}) => {
	await page.goto('/');
	await startSession(page, 'Dunlin', 'rehearsal');
	await toStation(page, 'hover/return-test');
	const h1 = page.getByRole('heading', { level: 1 });
	const begin = page.getByRole('button', { name: 'It is set off: count' });
	await expect(begin).toBeDisabled();
	await page.getByRole('radio', { name: /^Its switch/ }).click();
	await page.getByLabel('Out by').fill('90');
	await page.getByLabel('Height there').fill('20');
	await page.getByLabel('Height there').blur();
	await page.getByRole('checkbox', { name: /a finger rests where I take over/ }).check();
	await expectAccessible(page, 'return test');

	// It does not turn: what to do stands large on the screen, with this aircraft's own switch.
	await begin.click();
	await expect(h1).toHaveText('It should turn home');
	await page.keyboard.press('Escape');
	await expect(h1).toHaveText('Take over');
	await expect(page.locator('section li', { hasText: 'Switch to self-level: left switch up.' }).first()).toBeVisible();
	await page.getByRole('button', { name: 'It is down and disarmed' }).click();
	await expect(h1).toHaveText('Aircraft did not turn toward home');

	// Again, and it does: one tap a phase.
	await page.getByRole('button', { name: 'Fly it again' }).click();
	await page.getByRole('checkbox', { name: /a finger rests/ }).check();
	await begin.click();
	for (const words of ['turn home', 'climb', 'over home', 'come down', 'touch down', 'switch its motors off']) {
		await expect(h1).toContainText(words);
		await page.keyboard.press(' ');
	}
	await expect(h1).toContainText('Returned by switch from 90 m and landed by itself');
	await expectAccessible(page, 'return test found');
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/hover$/);
	await expect(page.getByText(/Returned by switch/).first()).toBeVisible();
	// Rehearsed, it proves nothing of the real aircraft.
	await page.goto('/aircraft/demo-dunlin/due');
	await expect(page.getByText('By its switch: not since the last change')).toBeVisible();
});
