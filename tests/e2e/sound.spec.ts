import { expect, test } from '@playwright/test';
import { seededRng } from '../../src/lib/core/math/random';
import { SOUND_RATE_HZ } from '../../src/lib/core/propulsion/tones';
import { wavFile } from '../../src/lib/instruments/files';
import { hoverSound, type HoverSound } from '../../src/lib/rig/sound';
import { arm, begin, go, h1 } from './days';
import { DEMO_STATE, expectAccessible } from './support';

test.use({ storageState: DEMO_STATE });

const recording = async (name: string, change: Partial<HoverSound>) => {
	const file = wavFile(name, hoverSound(change, seededRng(4)), SOUND_RATE_HZ);
	return { name, mimeType: 'audio/wav', buffer: Buffer.from(await file.arrayBuffer()) };
};

test('after a repair the hover asks how it sounds: a recording answers, is kept, and the next one is compared with it', async ({
	page,
}) => {
	await begin(page, 'Dunlin', /^After a repair/);
	await arm(page);
	await go(page, 'hover?item=sounds-even');
	await expect(h1(page)).toContainText('It sounds even: no buzz, no surging');
	await page.getByRole('link', { name: 'Measure it: motor sound' }).click();
	await expect(h1(page)).toContainText('Record twenty seconds of a hover');
	// This browser has no microphone: the way round is told.
	await page.getByRole('button', { name: /with the microphone/ }).click();
	await expect(page.getByRole('alert')).toContainText(/bring (a|the) file/);
	const file = page.locator('input[type=file]');
	await file.setInputFiles({ name: 'notes.wav', mimeType: 'audio/wav', buffer: Buffer.from('no sound at all') });
	await expect(page.getByRole('alert').last()).toContainText('notes.wav is no recording that this browser can play');
	await file.setInputFiles(await recording('hover.wav', {}));
	await expect(h1(page)).toContainText('The motors run evenly, within ±0.');
	await expectAccessible(page, 'motor sound');
	await page.getByRole('button', { name: 'Keep it in the session' }).click();
	await expect(page).toHaveURL(/\/hover$/);
	await expect(page.getByText(/The motors run evenly, within/).first()).toBeVisible();

	// What it sounded like stays with the aircraft: on worn propellers it hums higher.
	await go(page, 'hover/measure-sound');
	await expect(page.getByLabel(/^Its usual hum/)).toHaveValue(/^20[789]|21[012]/);
	await file.setInputFiles(await recording('worn.wav', { toneHz: 236 }));
	await expect(h1(page)).toHaveText(/Motor tone is 1[1-4] % higher than usual/);
});
