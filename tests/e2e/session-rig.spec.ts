import { expect, test } from '@playwright/test';
import {
	choose,
	answerByKeys,
	expectAccessible,
	listen,
	openDemo,
	setAsideAt,
	startSession,
	toStation,
	watch,
} from './support';

test('a whole rehearsal on the practice aircraft, by keyboard, from the plan to the sheet', async ({ page }) => {
	test.setTimeout(400_000);
	const heard = await listen(page);
	const { complaints } = watch(page);
	await openDemo(page);
	await startSession(page, 'Dunlin', 'rehearsal');
	await expect(page.getByText('Rehearsal.')).toBeVisible();
	await expectAccessible(page, 'plan');
	const h1 = page.getByRole('heading', { level: 1 });
	const go = (station: string) => toStation(page, station);

	await answerByKeys(page, 'Plan');
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/bench$/);
	await answerByKeys(page, 'Bench');
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/bench\/bench-due$/);
	await expect(h1).toContainText('Due on Dunlin');
	// Power-up does not begin while something that needs the propellers off is due.
	await go('power-up');
	await expect(h1).toContainText('The propellers stay off');
	await expect(page.getByText('First what needs the propellers off')).toBeVisible();
	expect(await setAsideAt(page, 'arm', /(is|are) due|link loss/)).toBeGreaterThan(5);
	await go('site');
	await answerByKeys(page, 'Site');
	await go('compass');
	await answerByKeys(page, 'Compass');

	// The place first, then the turning.
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/site-field$/);
	await page.getByRole('radio', { name: '16 ×' }).click();
	await page.getByRole('button', { name: 'Stand still and measure' }).click();
	await expect(page.getByRole('button', { name: 'Record it' })).toBeVisible();
	await expectAccessible(page, 'site field');
	await page.locator('body').press('Enter');
	await expect(page).toHaveURL(/\/compass(\/compass)?$/);
	await go('compass/compass');
	await page.getByRole('radio', { name: '4 ×' }).click();
	await page.getByRole('button', { name: 'Start turning' }).click();
	await expect(page.getByText('Heading would be known to')).toBeVisible();
	await page.locator('body').press('b');
	await expect(page.getByRole('dialog', { name: 'Big cue' })).toBeVisible();
	await expectAccessible(page, 'big cue');
	await expect(page.getByRole('button', { name: 'Accept these values' })).toBeVisible({ timeout: 60_000 });
	await expect(h1).toContainText(/The heading is known to ±\d/);
	await expectAccessible(page, 'compass result');
	await page.locator('body').press('a');
	await expect(page).toHaveURL(/session\/[^/]+\/compass$/);
	await expect(page.getByText(/The heading is known to ±/).first()).toBeVisible();
	const { words, tones } = await heard();
	expect(words.join(' ')).toMatch(/turn(ing)? right/i);
	expect(words.join(' ')).toMatch(/Hold still/);
	expect(tones).toContain('done');

	await go('power-up');
	await answerByKeys(page, 'Power-up');
	await go('position/position');
	await page.getByRole('radio', { name: '16 ×' }).click();
	await page.getByRole('button', { name: 'Watch the lock' }).click();
	await expect(h1).toContainText(/Locked: \d+ satellites/, { timeout: 60_000 });
	await expect(page.getByRole('button', { name: 'Record it' })).toBeVisible();
	await expectAccessible(page, 'position');
	await page.locator('body').press('a');
	await expect(page).toHaveURL(/session\/[^/]+\/position$/);

	await go('return');
	await page.getByLabel('Wind from').fill('240');
	await page.getByLabel('Mean').fill('2');
	await page.getByLabel('Gusts').fill('3,5');
	await page.getByLabel('Gusts').blur();
	await page.getByRole('button', { name: 'Record the wind' }).click();
	await expect(page.getByText('The return is faster than the gusts').first()).toBeVisible();
	await go('return/way-home');
	await page
		.getByRole('button', { name: /cycles/ })
		.first()
		.click();
	await expect(h1).toContainText(/turn back \d+:\d\d/);
	await expectAccessible(page, 'way home');
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/return$/);
	await answerByKeys(page, 'Return');

	// Behind the first gate nothing is answered before it.
	await go('response');
	await expect(page.getByText('The first gate, Arm, has not been answered.')).toBeVisible();
	await go('arm');
	await expect(h1).toContainText('Nothing here blocks arming');
	await expectAccessible(page, 'first gate');
	await page.getByRole('button', { name: 'Arm', exact: true }).click();
	await expect(page).toHaveURL(/\/response$/);
	await answerByKeys(page, 'Ground response');
	await go('hover');
	await answerByKeys(page, 'Hover');
	await go('hover/hover');
	await page.getByRole('button', { name: 'Fly the practice hover' }).click();
	await expect(page.getByText('Hold radius (50 %)')).toBeVisible();
	await expectAccessible(page, 'hover');
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/session\/[^/]+\/hover$/);
	await setAsideAt(page, 'fly');
	await expect(h1).toContainText('Nothing here blocks the flight');
	await expectAccessible(page, 'second gate');
	await page.getByRole('button', { name: 'Fly', exact: true }).click();
	await page.getByLabel('Land by').fill('12');
	await page.getByLabel('Land by').blur();
	await page.getByRole('button', { name: 'Off the ground' }).click();
	await expect(h1).toHaveText('Flying');
	await expectAccessible(page, 'flying');
	await page.getByRole('button', { name: 'Gusts' }).click();
	await page.getByRole('button', { name: 'Landed' }).click();
	await expect(h1).toHaveText('Landed');
	// Where it came down against its mark, in paces, and what that says of the next landings.
	await page.getByLabel('From the mark').fill('2');
	await page.getByRole('radio', { name: 'SE', exact: true }).click();
	await page.getByRole('button', { name: 'Record the landing' }).click();
	await expect(page.getByText(/^One landing, 1\.5 m from the mark\./)).toBeVisible();
	await expect(page.getByText(/more, each after a power-up of its own, would settle it/)).toBeVisible();
	// Flown again twice: by tape, and on a photo of the mark; each landing stands by itself.
	for (const [count, by] of [
		[2, 'Tape'],
		[3, 'Photo of the mark'],
	] as const) {
		await page.getByRole('button', { name: 'Take off again' }).click();
		await page.getByRole('button', { name: 'Landed' }).click();
		await page.getByRole('radio', { name: by }).click();
		if (by === 'Tape') {
			await page.getByRole('textbox', { name: 'From the mark' }).fill('1.8');
			await page.getByRole('radio', { name: 'E', exact: true }).click();
		} else {
			await page.getByRole('textbox', { name: 'Looked toward' }).fill('90');
			await page.getByRole('textbox', { name: 'Looked toward' }).blur();
			await page.getByLabel('photo of the mark').setInputFiles('docs/screenshots/gate.png');
			// A mat of 0.75 m seen from above: two hundred pixels of the picture wide; below the aircraft, 2.4 of them on.
			const photo = page.getByRole('application');
			const box = await photo.boundingBox();
			if (!box) throw new Error('the photo is not shown');
			const at = (x: number, y: number) =>
				photo.click({ position: { x: (x * box.width) / 1280, y: (y * box.height) / 800 } });
			await at(300, 600);
			await at(300, 400);
			await at(500, 400);
			await at(500, 600);
			await at(400, 100);
			await expect(page.getByText(/1\.5 m ± 0\.\d+/)).toBeVisible();
		}
		await page.getByRole('button', { name: 'Record the landing' }).click();
		await expect(page.getByText(new RegExp(`${count} landings, one power-up`))).toBeVisible();
	}
	await page.getByRole('link', { name: 'Go on to Close' }).click();
	await answerByKeys(page, 'Close');
	await page.getByRole('button', { name: 'End the session' }).click();
	await expect(page).toHaveURL(/\/sheet$/);
	await expect(page.getByText(/The chain of \d+\s+entries\s+holds/)).toBeVisible();
	await expect(page.getByText(/Decision to fly, signed Ines Marlowe.*Limits in force/).first()).toBeVisible();
	await expect(page.getByText('A rehearsal: nothing on this sheet counts outside it.')).toBeVisible();
	await expectAccessible(page, 'sheet');
	// An ended session is only read, until it is reopened with a reason.
	await go('bench');
	await expect(page.getByText('it is only read').first()).toBeVisible();
	await expect(page.getByRole('button', { name: /Seen|Set aside|Log event/ })).toHaveCount(0);
	// Nothing of it counts outside: the compass is as due as before.
	await page.goto('/aircraft/demo-dunlin/history/compass');
	await expect(page.getByText('rehearsed, not evidence')).toBeVisible();
	expect(complaints).toEqual([]);
});

test('a hover with a wrong compass holds the flight, and says why and what to do', async ({ page }) => {
	await openDemo(page);
	await startSession(page, 'Dunlin', 'rehearsal');
	await toStation(page, 'hover/hover');
	await page.getByLabel('Compass error').fill('50');
	await page.getByRole('button', { name: 'Fly the practice hover' }).click();
	const h1 = page.getByRole('heading', { level: 1 });
	await expect(h1).toContainText(/Circling to the right: the compass reads about \d+° too far round/);
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/session\/[^/]+\/hover$/);
	await page.getByRole('link', { name: /^Fly/ }).first().click();
	await expect(h1).toContainText('One thing stands between you and take-off');
	await expect(page.getByText(/calibrate the compass again/).first()).toBeVisible();
	await expect(page.getByRole('button', { name: 'Fly', exact: true })).toBeDisabled();
});

test('a turn ended early says so, goes on first of all, and no press both ends and accepts', async ({ page }) => {
	await openDemo(page);
	await startSession(page, 'Dunlin', 'rehearsal');
	await toStation(page, 'compass/compass');
	await page.getByRole('radio', { name: '4 ×' }).click();
	await page.getByRole('button', { name: 'Start turning' }).click();
	await expect(page.getByText(/[1-9]\d{2,} samples/)).toBeVisible();
	await page.locator('body').press('Enter');
	const h1 = page.getByRole('heading', { level: 1 });
	await expect(h1).toContainText('Ended early');
	await page.locator('body').press('Enter');
	await expect(page.getByText('Heading would be known to')).toBeVisible();
	await expect(h1).toContainText(/The heading is known to ±\d/, { timeout: 60_000 });
	await page.locator('body').press('Enter');
	await expect(page).toHaveURL(/compass\/compass$/);
	// A page left by a slip of the thumb loses no turning, neither one that is found nor one that still ran.
	await expect(page.getByRole('button', { name: 'Accept these values' })).toBeVisible({ timeout: 60_000 });
	const found = (await h1.textContent()) ?? '';
	const lead = page.getByText('both hands on the aircraft');
	await page.goBack();
	await expect(lead).toBeHidden();
	await page.goForward();
	await expect(h1).toHaveText(found);
	await page.getByRole('button', { name: 'Turn it again' }).click();
	await page.getByRole('button', { name: 'Start turning' }).click();
	await expect(page.getByText(/[1-9]\d{2,} samples/)).toBeVisible();
	await page.goBack();
	await expect(lead).toBeHidden();
	await page.goForward();
	await expect(h1).toHaveText('What was recorded is not worked out yet');
	await page.getByRole('button', { name: 'Work it out' }).click();
	await expect(h1).toContainText(/Rotation about one|heading/, { timeout: 60_000 });
	// What the record has does not come back.
	await page.getByRole('button', { name: 'Turn it again' }).click();
	await page.getByRole('radio', { name: '16 ×' }).click();
	await page.getByRole('button', { name: 'Start turning' }).click();
	await page.getByRole('button', { name: 'Accept these values' }).click({ timeout: 90_000 });
	await expect(lead).toBeHidden();
	await toStation(page, 'compass/compass');
	await expect(h1).toHaveText('Turn the compass through the field');
});

test('level turning only is refused and cannot be accepted', async ({ page }) => {
	await openDemo(page);
	await startSession(page, 'Dunlin', 'rehearsal');
	await toStation(page, 'compass/compass');
	await choose(page.getByLabel('Turned by'), 'Level only');
	await page.getByRole('radio', { name: '16 ×' }).click();
	await page.getByRole('button', { name: 'Start turning' }).click();
	await expect(page.getByText(/\d+ samples/)).toBeVisible();
	await page.waitForTimeout(2500);
	await page.getByRole('button', { name: 'Finish now' }).click();
	await expect(page.getByRole('button', { name: 'Turn it again' })).toBeVisible();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('Ended early');
	await expect(
		page.getByText(/Rotation about one or two axes|does not determine the heading|lie in one plane/),
	).toBeVisible();
	await expect(page.getByRole('button', { name: 'Accept these values' })).toHaveCount(0);
});

test("the pilot's own hands turn the practice aircraft by keys", async ({ page }) => {
	await page.goto('/practice');
	await page.getByRole('button', { name: 'Switch it on' }).click();
	const craft = page.getByRole('application');
	await expect(craft).toBeVisible();
	await craft.focus();
	const tilt = page.getByText('Tilt', { exact: true }).locator('..');
	await expect(tilt).toContainText(/^Tilt\s*[0-3]°/);
	for (let k = 0; k < 4; k++) await page.keyboard.press('ArrowUp');
	await expect(tilt).toContainText(/(4[0-9]|5[0-5])/);
});
