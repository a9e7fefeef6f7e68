import { expect, test, type Page } from '@playwright/test';
import { answer, arm, begin, endIt, enterWind, flyAndLand, go, h1, hoverByEye, readOffLock } from './days';
import { DEMO_STATE, enterAircraft, expectAccessible, setAsideAt, endHold } from './support';

/** Whole days, from the plan to the sheet, of pilots whose aircraft give them little but what is seen. */
test.use({ storageState: DEMO_STATE });

/** A routine of the aircraft in view, every step as it should; poses that are held are ended at once. */
async function routine(page: Page, steps: number) {
	await expect(page.getByRole('checkbox').first()).toBeVisible();
	for (const box of await page.getByRole('checkbox').all()) await box.check();
	await page.getByRole('button', { name: 'Begin the routine' }).click();
	const [stop, right] = [
		page.getByRole('button', { name: 'Stop', exact: true }),
		page.getByRole('button', { name: 'As it should' }),
	];
	for (let step = 0; step < steps; step++) {
		await expect(stop.or(right).first()).toBeVisible();
		if (await stop.count()) await endHold(page);
		await right.click();
	}
	await page.getByRole('button', { name: 'Keep it in the session' }).click();
	await expect(page).not.toHaveURL(/guide-/);
}
/** The compass by the aircraft's own routine. */
async function ownRoutine(page: Page) {
	await go(page, 'compass/compass');
	await page.getByRole('link', { name: 'Begin its routine' }).click();
	await routine(page, 3);
	await expect(page).toHaveURL(/session\/[^/]+\/compass$/);
}
/** A picture of the sea under a sky, leaning by so many degrees, right side down. */
const seaAt = (page: Page, tiltDeg: number) =>
	page.evaluate((tilt) => {
		const canvas = document.createElement('canvas');
		[canvas.width, canvas.height] = [960, 640];
		const c = canvas.getContext('2d');
		if (!c) return '';
		c.fillStyle = '#b9cfe6';
		c.fillRect(0, 0, 960, 640);
		c.translate(480, 330);
		c.rotate((tilt * Math.PI) / 180);
		c.fillStyle = '#27485a';
		c.fillRect(-900, 0, 1800, 900);
		return canvas.toDataURL('image/png').split(',')[1];
	}, tiltDeg);
test('a camera drone that circles: hovered, calibrated, hovered again, not cured twice, the maker; no flight', async ({
	page,
}) => {
	test.setTimeout(300_000);
	await enterAircraft(page, 'Redshank', 'Camera drone');
	await begin(page, 'Redshank', /sea wall/, /first/i);
	await answer(page, 'plan', 'bench');
	// Why it is due, and what each school says of it.
	await go(page, 'bench/bench-due');
	await expect(page.getByText(/new|no accepted calibration/i).first()).toBeVisible();
	await answer(page, 'site');
	const circling = { taps: 'Circles to its left', farthest: '12', circle: '8' };
	await hoverByEye(page, circling, /^Circling is (likely|possible), \d+ %$/);
	await ownRoutine(page);
	await hoverByEye(page, circling, /^Circling is (likely|possible), \d+ %$/);
	await expect(page.getByText(/between two equal hovers did not help/).first()).toBeVisible();
	await ownRoutine(page);
	await hoverByEye(page, circling, /^Circling is (likely|possible), \d+ %$/);
	await expect(page.getByText(/Calibrated 2 times \(compass\) and the hover is unchanged/).first()).toBeVisible();
	await expect(page.getByText(/ask the maker/).first()).toBeVisible();
	await go(page, 'fly');
	await expect(page.getByRole('button', { name: 'Fly', exact: true })).toBeDisabled();
	await expectAccessible(page, 'not cured twice');
});

test('a self-built quad with a voice: rungs, position hold, return by its switch, a landing by tape, all of it on the sheet', async ({
	page,
}) => {
	test.setTimeout(300_000);
	await begin(page, 'Dunlin', /sea wall/, /^D-3/, /first/i);
	await answer(page, 'plan', 'bench');
	await setAsideAt(page, 'arm', /(is|are) due|Nobody has|field of this place|compass|Radio/i);
	await answer(page, 'site', 'compass', 'power-up');
	await readOffLock(page, '15');
	await enterWind(page);
	await answer(page, 'return');
	await arm(page);
	await answer(page, 'response');
	await go(page, 'hover');
	for (const rung of [/self-level/i, /height hold/i, /it follows each/])
		await expect(page.getByText(rung).first()).toBeVisible();
	await hoverByEye(page, { farthest: '1.5' }, /Held position by eye/);
	await go(page, 'hover/return-test');
	await page.getByRole('radio', { name: /^Its switch/ }).click();
	await page.getByLabel('Out by').fill('60');
	await page.getByLabel('Height there').fill('15');
	await page.getByLabel('Height there').blur();
	await page.getByRole('checkbox', { name: /a finger rests where I take over/ }).check();
	await page.getByRole('button', { name: 'It is set off: count' }).click();
	for (const words of ['turn home', 'climb', 'over home', 'come down', 'touch down', 'switch its motors off']) {
		await expect(h1(page)).toContainText(words);
		// It takes the time that it takes: a return of a second is none.
		await page.clock.fastForward(words === 'turn home' ? 2000 : 12_000);
		await page.keyboard.press(' ');
	}
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/hover$/);
	await flyAndLand(page, '1.2');
	await endIt(page);
	for (const kept of [/Held position by eye/, /Returned by switch/, /1\.2 m toward 90° from the mark/])
		await expect(page.getByText(kept).first()).toBeVisible();
	await page.setViewportSize({ width: 390, height: 844 });
	await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
});

test('a racer’s first outing to its first flight: nudges, a foot of hover, what its pilot reads of the aircraft', async ({
	page,
}) => {
	test.setTimeout(300_000);
	await begin(page, 'Swift', /sea wall/, /first/i);
	await answer(page, 'plan', 'bench');
	await setAsideAt(page, 'arm', /(is|are) due|Nobody has/i);
	await answer(page, 'site', 'power-up', 'return');
	await arm(page);
	await answer(page, 'response');
	await go(page, 'hover');
	await expect(page.getByText(/own air|ground effect|swims/i).first()).toBeVisible();
	await answer(page, 'hover');
	await flyAndLand(page);
	await endIt(page);
	await expect(page.getByText(/Decision to fly|Decision before flight/).first()).toBeVisible();
});

test('a careful owner: a guided turn satisfies the daily school, flying without hold is counted, a page for a claim can be verified', async ({
	page,
}) => {
	test.setTimeout(300_000);
	await enterAircraft(page, 'Merlin', 'Camera drone', async () => {
		await page.getByRole('radio', { name: /^First flight of every day/ }).click();
	});
	await begin(page, 'Merlin', /sea wall/);
	await answer(page, 'plan', 'bench');
	await setAsideAt(page, 'arm', /(is|are) due|Nobody has|field of this place/i);
	await answer(page, 'site', 'compass');
	await ownRoutine(page);
	await expect(page.getByText('clear · guided')).toBeVisible();
	await answer(page, 'power-up');
	await readOffLock(page);
	await enterWind(page);
	await answer(page, 'return');
	await arm(page);
	await hoverByEye(page, { farthest: '1' }, /Held position by eye/);
	await flyAndLand(page, '0.8');
	await endIt(page);
	const address = page.url();
	await page.goto('/logbook/proof');
	await page.getByRole('list', { name: 'Sessions' }).getByRole('checkbox').first().check();
	await expect(page.getByText(/entries, the chain holds; head [0-9a-f]{64}/).first()).toBeVisible();
	await expect(page.getByText(/Merlin/).first()).toBeVisible();
	// The same day the compass is not asked for again.
	await page.goto(address.replace(/sheet$/, 'compass'));
	await begin(page, 'Merlin', /sea wall/);
	await go(page, 'compass');
	await expect(page.getByText('The compass is not due').first()).toBeVisible();
});

test('a folding camera drone put out in the cold: its own routine cold, the camera twice with its horizon, lock, a hover without movement', async ({
	page,
}) => {
	test.setTimeout(300_000);
	await enterAircraft(page, 'Jacana', 'Camera drone');
	await begin(page, 'Jacana', /sea wall/);
	await answer(page, 'plan', 'bench');
	await go(page, 'bench/guide-accelerometer');
	await page.getByRole('radio', { name: /^Cold start/ }).click();
	await expect(page.getByText(/Two hours outdoors in the cold/)).toBeVisible();
	await routine(page, 7);
	const tilts = [2.4, 0.2];
	for (const tilt of tilts) {
		await go(page, 'bench/guide-camera');
		await routine(page, 2);
		await go(page, 'power-up/measure-horizon');
		await page
			.locator('main input[type=file]')
			.first()
			.setInputFiles({
				name: 'sea.png',
				mimeType: 'image/png',
				buffer: Buffer.from(await seaAt(page, tilt), 'base64'),
			});
		await expect(h1(page)).toContainText(tilt > 1 ? /^Horizon 2\.[345]° lower/ : /level|Horizon 0/i, {
			timeout: 60_000,
		});
		await page.getByRole('button', { name: 'Keep it in the session' }).click();
		await expect(page).toHaveURL(/\/power-up$/);
	}
	await setAsideAt(page, 'arm', /(is|are) due|Nobody has|field of this place|compass/i);
	await answer(page, 'site', 'compass', 'power-up');
	await readOffLock(page);
	await enterWind(page);
	await answer(page, 'return');
	await arm(page);
	await hoverByEye(page, { farthest: '0.5' }, /Held position by eye/);
	await flyAndLand(page, '0.6');
	await endIt(page);
	await expect(page.getByText(/Accelerometer.*own routine/).first()).toBeVisible();
	await expect(page.getByText(/horizon/i).first()).toBeVisible();
});
