import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { receiverText } from './logs';
import { expectAccessible, holdTime, listen, openDemo, passTimeUntil, startSession, toStation } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const begin = async (page: Page, instrument: string, ...choices: string[]) => {
	await holdTime(page);
	await page.goto(`/instruments/${instrument}`);
	for (const name of choices) await page.getByRole('radio', { name, exact: true }).click();
	await page.getByRole('button', { name: 'Begin, hands free' }).click();
};

test('six faces are held by cues alone; what moved is asked again, and the recording can be kept and read', async ({
	page,
}) => {
	const heard = await listen(page);
	await begin(page, 'six-faces', 'Moving once');
	await passTimeUntil(page, page.getByText('Wanted: Left side down'));
	await expectAccessible(page, 'holds');
	await passTimeUntil(page, heading(page), 'Raw level is off');
	const { words, tones } = await heard();
	expect(words[0]).toBe('Set it down on its belly');
	expect(words).toContain('Belly down is in. Left side down.');
	expect(words.at(-1)).toBe('All of it is in. Put it down.');
	expect(tones.filter((tone) => tone === 'done').length).toBeGreaterThanOrEqual(6);
	await expect(page.getByText('All six faces held still')).toBeVisible();
	await expect(page.getByText('Practice data, made on this device.')).toBeVisible();

	const download = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save the recording (CSV)' }).click();
	const text = readFileSync(await (await download).path());
	const found = /^Raw level is off by ([\d.]+)°; corrected it is right$/;
	const offDeg = async () => Number(found.exec((await heading(page).textContent()) ?? '')?.[1]);
	const before = await offDeg();
	await page.getByRole('button', { name: 'Start over' }).click();
	await page.getByRole('radio', { name: 'A log' }).click();
	await page
		.locator('input[type=file]')
		.setInputFiles({ name: 'mine.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
	await expect(heading(page)).toHaveText(found);
	// The file has fewer decimals than the recording: the last one shown may differ.
	expect(Math.abs((await offDeg()) - before)).toBeLessThan(0.15);
});

test('a face held out of turn is taken as what it is, and one that is in can be held again', async ({ page }) => {
	const heard = await listen(page);
	await begin(page, 'six-faces', 'Wrong once', 'Five faces');
	await passTimeUntil(page, page.getByRole('button', { name: 'Hold again: Belly down' }));
	expect((await heard()).words.some((w) => w.startsWith('Belly down is in. Right'))).toBe(true);
	await passTimeUntil(page, page.getByRole('button', { name: 'Hold again: On its back' }));
	expect((await heard()).tones).not.toContain('wrong');
	await page.getByRole('button', { name: 'Hold again: Belly down' }).click();
	await passTimeUntil(page, heading(page), 'This routine never holds nose down');
});

test('a quarter is not a half turn, and the half turn takes the surface out', async ({ page }) => {
	const heard = await listen(page);
	await begin(page, 'level', 'Wrong once');
	await passTimeUntil(page, heading(page), /^At the wanted attitude the display reads/);
	expect((await heard()).words.some((w) => /It was turned by (8|9)\d°/.test(w))).toBe(true);
	await expect(page.getByText(/Surface tilt removed/)).toBeVisible();
});

test('gestures tell how the board sits and what the setting must become', async ({ page }) => {
	const heard = await listen(page);
	await begin(page, 'mounting', 'Wrong once');
	await passTimeUntil(page, heading(page), 'Change the setting: yaw from 0° to 90°');
	expect((await heard()).words.some((w) => /^It is tilted by \d+°/.test(w))).toBe(true);
	await page.getByLabel('Setting now: yaw').fill('90');
	await page.getByRole('button', { name: 'Work it out again' }).click();
	await expect(heading(page)).toHaveText('The setting is right as it is: yaw 90°, pitch 0°, roll 0°');
});

test('the pilot’s own hands, the big cue, and ending early: what is missing is named', async ({ page }) => {
	await begin(page, 'six-faces', 'Yours');
	await expect(page.getByRole('application', { name: /Practice aircraft/ })).toBeVisible();
	await passTimeUntil(page, heading(page), 'Left side down');
	await page.keyboard.press('b');
	await expect(page.getByRole('dialog', { name: 'Big cue' })).toContainText('Left side down');
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'Finish now' }).click();
	await expect(heading(page)).toHaveText('Not held still with left, right, nose, tail, back down');
});

test('a live serial line without a header says how one looks; one with a header is followed', async ({ page }) => {
	await page.addInitScript(() => {
		const port = (text: string) => ({
			open: async () => undefined,
			close: async () => undefined,
			readable: new ReadableStream({ start: (c) => c.enqueue(new TextEncoder().encode(text)) }),
		});
		const rows = Array.from({ length: 400 }, (_, k) => `${k * 20},0.01,${k % 2 ? 0.001 : 0},-1`).join('\n');
		const texts = ['boot\n1,2,3,4\n', `t [ms],ax [g],ay [g],az [g]\n${rows}\n`];
		Object.defineProperty(navigator, 'serial', { value: { requestPort: async () => port(texts.shift() ?? '') } });
	});
	await page.goto('/instruments/six-faces');
	await page.getByRole('radio', { name: 'Serial line' }).click();
	await page.getByRole('button', { name: 'Begin, hands free' }).click();
	await expect(page.getByRole('alert')).toContainText('must begin with a header');
	await page.getByRole('button', { name: 'Cancel', exact: true }).click();
	await page.getByRole('radio', { name: 'Serial line' }).click();
	await page.getByRole('button', { name: 'Begin, hands free' }).click();
	await expect(heading(page)).toHaveText('Left side down', { timeout: 20_000 });
	await expect(page.getByText('is in', { exact: true })).toBeVisible();
});

test('a page left in the middle of the faces keeps what was recorded; where readings came from is asked once', async ({
	page,
}) => {
	await begin(page, 'six-faces', 'Practice aircraft');
	await passTimeUntil(page, page.getByText('Wanted: Left side down'));
	await page.getByRole('link', { name: 'Instruments', exact: true }).click();
	await expect(page).toHaveURL(/instruments$/);
	await page
		.getByRole('link', { name: /^Six faces/ })
		.first()
		.click();
	await page.getByRole('button', { name: 'Work it out' }).click();
	await expect(heading(page)).toContainText('Not held still with');
	await expect(page.getByText('Practice data, made on this device.')).toBeVisible();
	// A finding that was not kept waits too, until it is thrown away.
	await page.getByRole('link', { name: 'Instruments', exact: true }).click();
	await expect(page).toHaveURL(/instruments$/);
	await page
		.getByRole('link', { name: /^Six faces/ })
		.first()
		.click();
	await page.getByRole('button', { name: 'Throw it away' }).click();
	await expect(page.getByText('A recording was left here')).toBeHidden();

	await page.getByRole('radio', { name: 'Serial line' }).click();
	await page.reload();
	await expect(page.getByRole('radio', { name: 'Serial line' })).toBeChecked();
	await expect(page.getByText('Pace')).toBeHidden();
});

test('calibrations of a sensor stand beside one another, by date and by temperature, in the record and at the bench', async ({
	page,
}) => {
	await openDemo(page);
	await page.goto('/aircraft/demo-dunlin/due');
	await page.getByRole('link', { name: /^History: Accelerometer/ }).click();
	await expect(heading(page)).toHaveText(/offset z moved by 0\.04\d* m\/s², more than it is uncertain/);
	await page.getByRole('radio', { name: 'Temperature' }).click();
	await expect(page.getByText(/Offset z changes by 0\.006\d* ± 0\.0\d+ m\/s² per °C/)).toBeVisible();
	await expectAccessible(page, 'history');
	await page.goto('/aircraft/demo-dunlin/history/vision');
	await expect(heading(page)).toContainText('nothing is on record yet');

	await startSession(page, 'Dunlin', 'rehearsal');
	await toStation(page, 'bench/measure-six-faces');
	await page.getByLabel('Temperature, where known').fill('7');
	await page
		.getByRole('button', { name: /^Try it/ })
		.first()
		.click();
	await expect(page.getByRole('columnheader', { name: 'now' })).toBeVisible();
	await expect(page.getByText('Beside the earlier ones')).toBeVisible();
	await page.getByRole('button', { name: 'Keep it in the session' }).click();
	await expect(page.getByText(/practice: [^·]+· rehearsed/)).toBeVisible();
	await page.goto('/aircraft/demo-dunlin/history/accelerometer');
	await expect(page.getByText('rehearsed, not evidence · 7 °C')).toBeVisible();
});

test('a receiver on a serial line is watched live until it locks; a line that breaks is told, and what came is kept', async ({
	page,
}) => {
	await page.addInitScript((sentences: string) => {
		const port = (sent: string, lost: boolean) => ({
			open: async () => undefined,
			close: async () => undefined,
			readable: new ReadableStream({
				start(controller) {
					controller.enqueue(new TextEncoder().encode(sent));
					if (lost) setTimeout(() => controller.error(new Error('unplugged')), 1500);
				},
			}),
		});
		const ports = [() => port(sentences.slice(0, 900), true), () => port(`${sentences}\r\n`, false)];
		Object.defineProperty(navigator, 'serial', { value: { requestPort: async () => ports.shift()?.() } });
	}, receiverText());
	await page.goto('/instruments/position');
	await page.getByRole('radio', { name: 'Serial line' }).click();
	await page.getByRole('button', { name: 'Listen to the line' }).click();
	await expect(page.getByRole('alert')).toHaveText('The line was lost. What was recorded until then is kept.');
	await page.getByRole('button', { name: 'Stop and judge now' }).click();
	await expect(heading(page)).not.toContainText('Locked');
	await page.getByRole('button', { name: 'Watch again' }).click();
	await page.getByRole('button', { name: 'Listen to the line' }).click();
	await expect(heading(page)).toContainText('Locked: 15 satellites', { timeout: 20_000 });
	// What was heard can be kept as a file, which is read as what it was.
	const download = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save the sentences' }).click();
	const buffer = readFileSync(await (await download).path());
	await page.getByRole('button', { name: 'Watch again' }).click();
	await page.getByRole('radio', { name: 'A log' }).click();
	await page.locator('input[type=file]').setInputFiles({ name: 'kept.nmea', mimeType: 'text/plain', buffer });
	await expect(heading(page)).toContainText('Locked: 15 satellites');
	await expect(page.getByRole('button', { name: 'Save the sentences' })).toHaveCount(0);
});

test('four gestures on the practice radio: two at once are asked again, and exchanged channels are found', async ({
	page,
}) => {
	const heard = await listen(page);
	await holdTime(page);
	await page.goto('/instruments/channel-order');
	await page.getByRole('radio', { name: 'Throttle and yaw exchanged' }).click();
	await page.getByRole('radio', { name: 'Two sticks at once, once' }).click();
	await page.getByRole('button', { name: 'Begin', exact: true }).click();
	await passTimeUntil(page, page.getByText('Channel 4'));
	await expectAccessible(page, 'asked gestures');
	await passTimeUntil(page, page.getByRole('button', { name: 'Keep it in the record' }));
	const { words } = await heard();
	expect(words.some((w) => w.startsWith('More than one channel moved. Pitch'))).toBe(true);
	expect(words.at(-1)).toBe('All four are in.');
	await expect(heading(page)).toContainText('yaw');
});
