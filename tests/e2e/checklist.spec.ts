import { expect, test } from '@playwright/test';
import { DEMO_STATE, expectAccessible, startSession, toStation } from './support';

test.use({ storageState: DEMO_STATE });

test('the list of an aircraft is its pilot’s: added, left off, limited, moved by buttons and by keys, undone, kept as a file', async ({
	page,
}) => {
	await page.goto('/aircraft/demo-plover/checklist');
	const bench = page.getByRole('region', { name: 'Bench' });
	await expect(bench).toBeVisible();
	await expectAccessible(page, 'the list of an aircraft');
	await bench.getByRole('button', { name: 'Add to Bench' }).click();
	await page.getByRole('button', { name: 'Keep it' }).click();
	await expect(page.getByText('What is checked: needs words')).toBeVisible();
	await page.getByLabel('What is checked').fill('Rear foam in place');
	await page.getByRole('button', { name: 'Keep it' }).click();
	const rows = bench.getByRole('listitem');
	await expect(rows.last()).toContainText('Rear foam in place');

	// By its buttons, then by the keys of the handle.
	await page.getByRole('button', { name: 'Up: Rear foam in place' }).click();
	const place = async () => (await rows.allInnerTexts()).findIndex((text) => text.includes('Rear foam in place'));
	await expect(rows.last()).not.toContainText('Rear foam in place');
	const once = await place();
	const handle = page.getByLabel('Drag: Rear foam in place');
	await handle.focus();
	await page.keyboard.press('Enter');
	await page.keyboard.press('ArrowUp');
	await page.keyboard.press('Enter');
	await expect.poll(place).toBe(once - 1);
	const plan = page.getByRole('region', { name: 'Plan' });
	await plan.getByRole('button', { name: 'Limit' }).first().click();
	await page.getByRole('button', { name: 'Keep it' }).click();
	await expect(page.getByText('A limit needs to say where it comes from.')).toBeVisible();
	await page.getByLabel('Where it comes from').fill('page 12');
	await page.getByRole('button', { name: 'Keep it' }).click();
	await expect(plan.getByText('(page 12)')).toBeVisible();

	const first = plan
		.getByRole('listitem')
		.filter({ has: page.getByRole('button', { name: 'Leave off' }) })
		.first();
	const words = (await first.innerText()).split('\n')[0];
	await first.getByRole('button', { name: 'Leave off' }).click();
	await expect(page.getByRole('heading', { name: 'Left off' })).toBeVisible();
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByRole('heading', { name: 'Left off' })).toHaveCount(0);
	await expect(plan.getByText(words).first()).toBeVisible();

	const [file] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name: 'Export' }).click(),
	]);
	const path = await file.path();
	await page.goto('/aircraft/demo-dunlin/checklist');
	await page.getByLabel('A list from a file').setInputFiles(path);
	await expect(page.getByText('Read: 1 of your own, 0 left off')).toBeVisible();

	await page.goto('/aircraft/demo-plover/checklist');
	await bench.getByRole('button', { name: 'Add to Bench' }).click();
	await page.getByLabel('What is checked').fill('Let it warm up');
	await page.getByRole('radio', { name: 'Waiting' }).click();
	await page.getByLabel('Wait', { exact: true }).fill('100');
	await page.getByRole('button', { name: 'Keep it' }).click();
	await expect(rows.last()).toContainText('Let it warm up');

	// A session follows it.
	await page.goto('/');
	await startSession(page, 'Plover', 'flight');
	await toStation(page, 'bench');
	await expect(page.getByText('Rear foam in place').first()).toBeVisible();

	// A wait goes on while its page is left; one that ended meanwhile is asked about.
	await page.getByRole('button', { name: /Let it warm up/ }).click();
	await page.getByRole('button', { name: 'Start the wait' }).click();
	await expect(page.getByText(/^9\d ?s left$/)).toBeVisible();
	await page.reload();
	await page.getByRole('button', { name: /Let it warm up/ }).click();
	await expect(page.getByRole('button', { name: 'Hands off…' })).toBeDisabled();
	await expect(page.getByText(/^[0-9]\d ?s left$/)).toBeVisible();
	const session = page.url();
	await page.goto('/instruments');
	await page.clock.install({ time: Date.now() + 200_000 });
	await page.goto(session);
	await page.getByRole('button', { name: /Let it warm up/ }).click();
	await page.getByRole('button', { name: 'It was left untouched' }).click();
	await expect(page.getByText('Recorded')).toBeVisible();
});

test('two persons: one answers, the other confirms, and the record says who; a flown pack is marked used', async ({
	page,
}) => {
	await page.goto('/session/new');
	await page.getByRole('radio', { name: /Plover/ }).click();
	await page.getByRole('button', { name: 'Add a person' }).click();
	await page.getByLabel('Name of person 1').fill('Tamsin Reed');
	await page.getByLabel('Signals that were agreed').fill('arm up: people near');
	await page.getByLabel('What it is for').fill('Two of us');
	await page.getByLabel('Pilot in command').fill('Ines Marlowe');
	await page.getByRole('button', { name: 'Start the session' }).click();
	await expect(page).toHaveURL(/session\/[^/]+\/plan$/);
	const title = await page.getByRole('heading', { level: 1 }).innerText();
	await page.locator('body').press('Enter');
	await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(title);
	// A stage at once: the second person confirms what was answered so far.
	await page.getByRole('button', { name: /^Confirm 1 answer as second person/ }).click();
	await page.getByRole('dialog').getByRole('button', { name: 'Confirm 1 answer' }).click();
	await expect(page.getByRole('button', { name: /as second person/ })).toHaveCount(0);
	// Or each answer by itself, as a setting.
	await page.getByRole('button', { name: 'Settings' }).first().click();
	await page.getByRole('checkbox', { name: /Crew confirms each answer/ }).check();
	await page.keyboard.press('Escape');
	await page.getByRole('heading', { level: 1 }).click();
	const second = await page.getByRole('heading', { level: 1 }).innerText();
	await page.locator('body').press('Enter');
	await expect(page.getByText('Tamsin Reed: is it so?')).toBeVisible();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText(second);
	await page.locator('body').press('Enter');
	await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(second);
	await toStation(page, 'sheet');
	await expect(page.getByText('Tamsin Reed, 2 answers').first()).toBeVisible();
	await expect(page.getByText('Tamsin Reed (spotter); signals: arm up: people near')).toBeVisible();
	await expect(page.getByText(/confirmed by Tamsin Reed/).first()).toBeVisible();
	// A station that its line has not, and a pack that was never entered: each leads on.
	await toStation(page, 'response');
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ground response is not on the line of Plover');
	await page.getByRole('link', { name: 'Go to Plan' }).click();
	await expect(page.getByText('Plan of Plover')).toBeVisible();
	await toStation(page, 'return/way-home');
	await page.getByRole('link', { name: 'Enter its pack' }).click();
	await expect(page.getByRole('heading', { name: 'Batteries' })).toBeInViewport();

	await page.goto('/aircraft/demo-dunlin');
	const group = page.getByRole('group', { name: /^Charge of/ }).first();
	await group.getByRole('button', { name: 'Used' }).click();
	await expect(group.getByRole('button', { name: 'Used' })).toHaveAttribute('aria-pressed', 'true');
	await page.getByRole('button', { name: 'Change', exact: true }).first().click();
	await page.getByRole('button', { name: 'Take it out of use' }).click();
	await expect(page.getByText('Why: it needs a reason')).toBeVisible();
	await page.getByLabel('Out of use: why').fill('swollen');
	await page.getByRole('button', { name: 'Take it out of use' }).click();
	await expect(page.getByRole('heading', { name: 'Out of use', level: 3 })).toBeVisible();
});

test('a station that holds says what was found, and asks for it again first of all; one that is done goes on, in the first screen of a phone', async ({
	page,
}) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await page.goto('/session/demo-open/plan');
	const heading = page.getByRole('heading', { level: 1 });
	const goOn = page.getByRole('link', { name: 'Go on to Bench' });
	await expect(heading).toHaveText('Plan: everything here is answered');
	expect((await goOn.boundingBox())?.y).toBeLessThan(400);
	await page.getByRole('button', { name: /Pack at rest, volts per cell/ }).click();
	await page.keyboard.type('3.4');
	await page.keyboard.press('Enter');
	await expect(heading).toHaveText('Pack at rest, volts per cell: 3.4 V per cell, not as it should be');
	const again = page.getByRole('button', { name: 'Enter it again' });
	expect((await again.boundingBox())?.y).toBeLessThan(400);
	await expect(goOn).toBeVisible();
	await page.keyboard.press('Enter');
	await expect(again).toBeHidden();
	await page.keyboard.type('4.18');
	await page.keyboard.press('Enter');
	await expect(heading).toHaveText('Plan: everything here is answered');
});
