import { expect, test, type Page } from '@playwright/test';
import {
	choose,
	answerByKeys,
	DEMO_STATE,
	enterAircraft,
	holdTime,
	setAsideAt,
	toStation,
	endHold,
	settleValues,
} from './support';

/** Whole jobs of pilots, from the plan to the first gate. */
test.use({ storageState: DEMO_STATE });

const h1 = (page: Page) => page.getByRole('heading', { level: 1 });

/** Begins a session as a pilot does: aircraft, place, pack, why, over what. */
async function begin(
	page: Page,
	{ aircraft, place, pack, why, over }: { aircraft: string; place: RegExp; pack?: RegExp; why?: RegExp; over?: RegExp },
) {
	await holdTime(page);
	await page.goto('/session/new');
	await page.getByRole('radio', { name: new RegExp(`^${aircraft}`) }).click();
	for (const choice of [place, pack, why, over])
		if (choice) await page.getByRole('radio', { name: choice }).first().click();
	await page.getByLabel('What it is for').fill('A whole job');
	await page.getByLabel('Pilot in command').fill('Ines Marlowe');
	await page.getByRole('button', { name: 'Start the session' }).click();
	await expect(page).toHaveURL(/\/plan$/);
}
const go = toStation;
/** Answers stations by keys, one after the other. */
async function answer(page: Page, ...stations: [id: string, title: string][]) {
	for (const [id, title] of stations) {
		await go(page, id);
		await answerByKeys(page, title);
	}
}
async function enterWind(page: Page) {
	await page.getByLabel('Wind from').fill('240');
	await page.getByLabel('Mean').fill('3');
	await page.getByLabel('Gusts').fill('4');
	await page.getByLabel('Gusts').blur();
	await page.getByRole('button', { name: 'Record the wind' }).click();
	await expect(page.getByText('Wind recorded')).toBeVisible();
}
async function readOffLock(page: Page) {
	await go(page, 'position/position');
	await page.getByRole('radio', { name: 'Its own screen' }).click();
	await page.getByLabel('Satellites').fill('14');
	await page.getByLabel('Satellites').blur();
	await page.getByRole('radio', { name: 'Yes, here' }).click();
	await page.getByRole('button', { name: 'Record what it shows' }).click();
	await expect(page.getByText(/Read off: 14 satellites, home stored/).first()).toBeVisible();
}
/** What is left is set aside, each by itself, and the gate opens. */
async function arm(page: Page) {
	await settleValues(page);
	await setAsideAt(page, 'arm');
	await expect(h1(page)).toContainText('Nothing here blocks arming');
	await page.getByRole('button', { name: 'Arm', exact: true }).click();
	await expect(page).toHaveURL(/\/(response|hover)$/);
}

test('a self-built quad after a repair: will not arm, arms, radio off by the stopwatch, switches, lock, the way home', async ({
	page,
}) => {
	test.setTimeout(240_000);
	await begin(page, { aircraft: 'Dunlin', place: /sea wall/, pack: /^D-3/, why: /repair/i });
	await answerByKeys(page, 'Plan');
	await go(page, 'bench?item=bench-arm');
	await page.getByRole('button', { name: 'It will not arm' }).click();
	await page.getByLabel('What does it say?').fill('RX not recovered');
	await expect(page.getByText('Radio on first, then unplug and plug the aircraft again')).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(page.getByText('right switch down: arm')).toBeVisible();
	await answer(page, ['bench', 'Bench']);
	// What it does without the link stands with the aircraft: it is not asked again.
	await go(page, 'bench/link-loss');
	await expect(page.getByText('Set to return home')).toBeVisible();
	await page.getByRole('radio', { name: /^Armed/ }).click();
	await page.getByRole('checkbox', { name: /every propeller is off/ }).check();
	for (const more of [true, false]) {
		await page.getByRole('button', { name: 'Radio is off: count' }).click();
		await page.waitForTimeout(700);
		await page.keyboard.press(' ');
		if (more) await page.getByRole('button', { name: 'Time it once more' }).click();
	}
	await page.getByRole('radio', { name: 'They ran on' }).click();
	for (const question of [/link was lost/, /did it link/])
		await page.getByRole('radiogroup', { name: question }).getByRole('radio', { name: 'Yes' }).click();
	await page.getByRole('button', { name: 'Judge it' }).click();
	await expect(h1(page)).toHaveText(/^Radio off: it noticed after \d\.\d ± 0\.\d+ s, set to return home$/);
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/bench$/);
	await setAsideAt(page, 'arm', /(is|are) due|Nobody has|field of this place|has not been calibrated|compass/i);
	await answer(page, ['site', 'Site'], ['compass', 'Compass'], ['power-up', 'Power-up']);
	await readOffLock(page);
	await go(page, 'return');
	await enterWind(page);
	// Pack, charge, wind, heights and what stands there are known: nothing is typed twice.
	await go(page, 'return/way-home');
	await expect(h1(page)).toContainText(/Dunlin comes home; turn back/);
	await expect(page.getByText(/D-3, 9\d %, measured/)).toBeVisible();
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/return$/);
	await answerByKeys(page, 'Return');
	await arm(page);
	// After a repair its return is to be seen once.
	await go(page, 'hover');
	await expect(page.getByText('Nobody has seen it come home since')).toBeVisible();
	// The first rung: its mode by its own switch, what to watch, what ends it, counted aloud; a fault ends the ladder.
	await go(page, 'hover?item=first-rung');
	await expect(page.getByRole('definition').filter({ hasText: 'self-level: left switch up' })).toBeVisible();
	await page.getByRole('button', { name: 'Start 60 s step' }).click();
	await expect(page.getByRole('timer')).toContainText(/[56]\d/);
	await page.getByRole('button', { name: /Not as it should be/ }).click();
	await page.getByRole('dialog').getByRole('textbox').fill('leaned to the left');
	await page.getByRole('button', { name: 'Note it' }).click();
	await expect(h1(page)).toHaveText('Stop: make it safe before anything else');
});

test('a camera drone under a roof: settings for a room, the room itself, nothing of a return height', async ({
	page,
}) => {
	test.setTimeout(180_000);
	await page.goto('/sites?new');
	const dialog = page.getByRole('dialog');
	await dialog.getByLabel('Name').fill('Net store');
	await dialog.getByLabel('Position, pasted').fill('54.2113, -3.0642');
	await dialog.getByLabel('Height above sea').fill('7');
	await dialog.getByRole('heading', { name: 'A room' }).click();
	await dialog.getByLabel('Ceiling of a room').fill('4');
	await dialog.getByRole('heading', { name: 'Landing, hazards, notes' }).click();
	await dialog.getByLabel('Hazards to avoid').fill('the vent over the door');
	await dialog.getByRole('button', { name: 'Save' }).click();
	await expect(dialog).toHaveCount(0);
	await begin(page, { aircraft: 'Plover', place: /Net store/, over: /roof/i });
	await go(page, 'plan?item=room');
	await expect(page.getByText('Keep away from: the vent over the door')).toBeVisible();
	await page.getByRole('link', { name: /Measure it: under a ceiling/i }).click();
	await expect(page.getByLabel('Ceiling', { exact: true })).toHaveValue('4');
	await answer(page, ['plan', 'Plan'], ['bench', 'Bench'], ['site', 'Site']);
	await go(page, 'return');
	await expect(page.getByText('Return height read from the aircraft')).toHaveCount(0);
	await expect(page.getByText('A timer runs instead of the low-battery return')).toBeVisible();
	await setAsideAt(page, 'arm', /(is|are) due|Nobody has|compass|lock/i);
	await answer(page, ['power-up', 'Power-up'], ['return', 'Return']);
	await arm(page);
	// Under a roof nothing asked for wind, GPS lock, compass or a return.
	await go(page, 'sheet');
	await expect(page.getByRole('heading', { name: 'Entries' })).toBeVisible();
	await expect(
		page.getByText(/No lock has been seen|wind has not been entered|way home has not been planned/),
	).toHaveCount(0);
});

test('a crop sprayer and spreader: tank and water, level and flow, the field’s rate caught, then the gate', async ({
	page,
}) => {
	test.setTimeout(180_000);
	await begin(page, { aircraft: 'Curlew', place: /sea wall/ });
	await answer(page, ['plan', 'Plan'], ['bench', 'Bench']);
	await go(page, 'bench/measure-flow');
	for (const [label, value] of [
		['Caught for', '60'],
		['Flow set', '2'],
		['Flying at', '18'],
		['Swath', '4'],
	])
		await page.getByLabel(label, { exact: true }).fill(value);
	for (let k = await page.getByLabel('Caught', { exact: true }).count(); k < 4; k++)
		await page
			.getByRole('button', { name: /nozzle$/ })
			.last()
			.click();
	for (const [k, value] of ['0.5', '0.51', '0.49', '0.5'].entries())
		await page.getByLabel('Caught', { exact: true }).nth(k).fill(value);
	await page.getByRole('button', { name: 'Work it out' }).click();
	await page.getByRole('button', { name: 'Keep it in the session' }).click();
	await expect(page).toHaveURL(/\/bench$/);
	await setAsideAt(page, 'arm', /(is|are) due|Nobody has|field of this place|has not been calibrated|compass/i);
	await answer(page, ['site', 'Site'], ['compass', 'Compass'], ['power-up', 'Power-up']);
	await expect(page.getByText('Level sensor and flow meter shown, and what they show is likely')).toBeVisible();
	await go(page, 'return');
	await enterWind(page);
	await answer(page, ['return', 'Return']);
	await expect(page.getByText(/warns at 30 %, lands at 10 %/).first()).toBeVisible();
	await arm(page);
});

test('a six-rotor that shows lights alone: its own table says what each pattern means, its compass by its own routine', async ({
	page,
}) => {
	test.setTimeout(240_000);
	await enterAircraft(page, 'Knot', 'Self-built multirotor', async () => {
		await page.getByLabel('Rotors', { exact: true }).fill('6');
		await page.getByRole('radio', { name: /^Lights alone/ }).click();
		const table = page.getByRole('group', { name: 'Lights and tones' });
		for (const [during, colour, means] of [
			['starting', 'white', 'the gyro settles'],
			['fix', 'green', 'home is stored'],
			['compass calibration', 'blue', 'turn it level'],
		]) {
			await table.getByLabel('During').fill(during);
			await table.getByLabel('Colour').fill(colour);
			await table.getByLabel('Means').fill(means);
			await table.getByRole('button', { name: 'Add the line' }).click();
		}
		await choose(page.getByLabel('Failsafe action'), 'return home');
	});
	await begin(page, { aircraft: 'Knot', place: /sea wall/ });
	await answer(page, ['plan', 'Plan'], ['bench', 'Bench'], ['compass', 'Compass']);
	await go(page, 'compass/compass');
	await page.getByRole('link', { name: 'Begin its routine' }).click();
	for (const box of await page.getByRole('checkbox').all()) await box.check();
	await page.getByRole('button', { name: 'Begin the routine' }).click();
	await expect(page.getByText('turn it level').first()).toBeVisible();
	const [stop, right, over, kept] = [
		page.getByRole('button', { name: 'Stop', exact: true }),
		page.getByRole('button', { name: 'As it should' }),
		page.getByRole('button', { name: /^Done/ }),
		page.getByRole('button', { name: 'Keep it in the session' }),
	];
	for (let step = 0; step < 8; step++) {
		await expect(stop.or(right).or(over).or(kept).first()).toBeVisible();
		if (await kept.count()) break;
		if (await stop.count()) await endHold(page);
		await ((await over.count()) ? over : right).click();
	}
	await page.getByRole('button', { name: 'Keep it in the session' }).click();
	await expect(page).toHaveURL(/\/compass$/);
	await setAsideAt(page, 'arm', /(is|are) due|Nobody has/i);
	await answer(page, ['site', 'Site']);
	await go(page, 'power-up?item=still');
	await expect(page.getByText('What Knot shows now')).toBeVisible();
	await expect(page.getByText(/white.*the gyro settles/)).toBeVisible();
	await answerByKeys(page, 'Power-up');
	// Lights alone show a lock: no count of satellites is asked for.
	await go(page, 'position/position');
	await page.getByRole('radio', { name: 'Its own screen' }).click();
	await expect(page.getByLabel('Satellites')).toHaveCount(0);
	await page.getByRole('radio', { name: 'Yes, steadily' }).click();
	await page.getByRole('radio', { name: 'Yes, here' }).click();
	await page.getByRole('button', { name: 'Record what it shows' }).click();
	await expect(page).not.toHaveURL(/position\/position$/);
	await expect(page.getByText(/GPS lock/).first()).toBeVisible();
	await go(page, 'return');
	await enterWind(page);
	await answer(page, ['return', 'Return']);
	await arm(page);
});

test('a camera drone that travelled: distance, height and field since the last time, each school beside the other, where it may be done', async ({
	page,
}) => {
	test.setTimeout(120_000);
	await page.goto('/sites?new');
	const dialog = page.getByRole('dialog');
	await dialog.getByLabel('Name').fill('High fell');
	await dialog.getByLabel('Position, pasted').fill('57.12, -3.67');
	await dialog.getByLabel('Height above sea').fill('620');
	await dialog.getByRole('button', { name: 'Save' }).click();
	await expect(dialog).toHaveCount(0);
	await page.goto('/aircraft/demo-dunlin/due');
	await choose(page.getByRole('combobox', { name: /Site|Place|Here/ }).first(), 'High fell');
	await page.getByRole('button', { name: 'Compass', exact: true }).click();
	await expect(page.getByText(/km/).first()).toBeVisible();
	for (const school of ['As told', 'After events', 'First flight of every day'])
		await expect(page.getByRole('columnheader', { name: school })).toBeVisible();
	await begin(page, { aircraft: 'Plover', place: /High fell/ });
	await answer(page, ['plan', 'Plan'], ['bench', 'Bench']);
	await go(page, 'bench/bench-due');
	await expect(page.getByText(/Due on Plover|What was due/).first()).toBeVisible();
	await setAsideAt(page, 'arm', /(is|are) due|Nobody has|compass/i);
	await answer(page, ['site', 'Site'], ['compass', 'Compass'], ['power-up', 'Power-up']);
	await readOffLock(page);
	await go(page, 'return');
	await enterWind(page);
	await answer(page, ['return', 'Return']);
	await arm(page);
});

test('a racer’s first outing: video power against the place, guard and switches, picture, propellers, the fallen-back mode', async ({
	page,
}) => {
	test.setTimeout(180_000);
	await page.goto('/sites');
	await page
		.getByRole('row', { name: /sea wall/ })
		.getByRole('button', { name: 'Change' })
		.click();
	const dialog = page.getByRole('dialog');
	await dialog.getByRole('heading', { name: 'What is allowed' }).click();
	await dialog.getByLabel('Video power allowed').fill('25');
	await dialog.getByRole('button', { name: 'Save' }).click();
	await expect(dialog).toHaveCount(0);
	await begin(page, { aircraft: 'Swift', place: /sea wall/, why: /first/i });
	await go(page, 'plan?item=channel');
	await page.getByLabel(/^Measured, mW/).fill('400');
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page.getByText(/Video power as it is set/).first()).toBeVisible();
	await expect(page.getByText('hold · seen')).toBeVisible();
	await go(page, 'plan?item=channel');
	await page.getByLabel(/^Measured, mW/).fill('25');
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page.getByText('hold · seen')).toHaveCount(0);
	await answer(page, ['plan', 'Plan'], ['bench', 'Bench']);
	await setAsideAt(page, 'arm', /(is|are) due|Nobody has/i);
	await answer(page, ['site', 'Site'], ['power-up', 'Power-up']);
	await expect(
		page.getByText('Picture sharp at twenty metres, clear of stripes, sun out of the goggles'),
	).toBeVisible();
	await go(page, 'return');
	await answer(page, ['return', 'Return']);
	await arm(page);
});
