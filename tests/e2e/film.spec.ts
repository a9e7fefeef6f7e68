import { expect, test, type Page } from '@playwright/test';
import { DEMO_STATE, expectAccessible, startSession, stationUrl } from './support';

test.use({ storageState: DEMO_STATE });

const SECONDS = 23;

/** A film of a hover before the sky, drawn and encoded by the browser itself: 0.35 m from motor to motor, six metres off. */
async function filmOf(page: Page): Promise<Buffer> {
	const base64 = await page.evaluate(async (seconds) => {
		const canvas = document.createElement('canvas');
		[canvas.width, canvas.height] = [1280, 720];
		const draw = canvas.getContext('2d') as CanvasRenderingContext2D;
		const recorder = new MediaRecorder(canvas.captureStream(30), { videoBitsPerSecond: 2_000_000 });
		const parts: Blob[] = [];
		recorder.addEventListener('dataavailable', ({ data }) => parts.push(data));
		const begun = performance.now();
		const paint = () => {
			const t = (performance.now() - begun) / 1000;
			const sky = draw.createLinearGradient(0, 0, 0, 720);
			sky.addColorStop(0, '#8fa6c4');
			sky.addColorStop(1, '#c3d0df');
			draw.fillStyle = sky;
			draw.fillRect(0, 0, 1280, 720);
			const x = 640 + 70 * Math.sin(0.7 * t) + 25 * Math.sin(1.9 * t);
			const y = 360 + 18 * Math.sin(0.9 * t);
			draw.fillStyle = '#2b2b2b';
			draw.fillRect(x - 30, y - 6, 60, 9);
			for (const side of [-28.7, 28.7]) {
				draw.beginPath();
				draw.ellipse(x + side, y - 5, 6, 7, 0, 0, 7);
				draw.fill();
				draw.fillRect(x + side - 17, y - 14, 34, 2.5);
			}
			draw.beginPath();
			draw.ellipse(x, y, 14, 10, 0, 0, 7);
			draw.fill();
			if (t < seconds) requestAnimationFrame(paint);
		};
		recorder.start(500);
		paint();
		await new Promise((resolve) => setTimeout(resolve, seconds * 1000));
		const stopped = new Promise((resolve) => recorder.addEventListener('stop', resolve));
		recorder.stop();
		await stopped;
		const bytes = new Uint8Array(await new Blob(parts).arrayBuffer());
		let text = '';
		for (let i = 0; i < bytes.length; i += 0x8000) text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
		return btoa(text);
	}, SECONDS);
	return Buffer.from(base64, 'base64');
}

test('a hover is judged from a film: opened, marked once, followed, looked at, judged, recorded; nothing leaves the device', async ({
	page,
}) => {
	test.setTimeout(240_000);
	await page.goto('/');
	const buffer = await filmOf(page);
	await startSession(page, 'Plover', 'rehearsal');
	await page.goto(stationUrl(page, 'hover/hover'));
	await page.getByRole('radio', { name: /^By a film/ }).click();
	const h1 = page.getByRole('heading', { level: 1 });
	await expect(h1).toHaveText('Film the hover for a minute, the phone propped');
	await expectAccessible(page, 'film');
	await page.getByLabel('film of the hover').setInputFiles({ name: 'hover.webm', mimeType: 'video/webm', buffer });
	await expect(h1).toHaveText('Mark the aircraft, from its left motor to its right one');
	await page.getByRole('slider', { name: /begins to count/ }).fill('0.5');
	const picture = page.getByRole('application');
	await expect(picture).toBeVisible();
	// The picture of that moment is sought in the film.
	await page.waitForTimeout(1000);
	await expect(page.getByRole('button', { name: 'Follow it' })).toBeDisabled();
	const box = await picture.boundingBox();
	if (!box) throw new Error('the film is not shown');
	// Where it is half a second in: on the curve that was drawn.
	const [x, y] = [640 + 70 * Math.sin(0.35) + 25 * Math.sin(0.95), 360 + 18 * Math.sin(0.45)];
	for (const side of [-28.7, 28.7])
		await picture.click({ position: { x: ((x + side) * box.width) / 1280, y: ((y - 5) * box.height) / 720 } });
	await page.getByLabel('Between these two, in truth').fill('0.35');
	await page.getByLabel('Between these two, in truth').blur();
	await expectAccessible(page, 'film marked');
	await page.getByRole('button', { name: 'Follow it' }).click();
	await expect(h1).toHaveText('Is the circle on the aircraft in all six?', { timeout: 120_000 });
	await expect(page.getByRole('list', { name: 'Six pictures of the film' }).getByRole('img')).toHaveCount(6);
	await expectAccessible(page, 'six pictures');
	await page.getByRole('button', { name: 'Not in every one' }).click();
	await expect(h1).toHaveText('Nobody has seen that the circle is on the aircraft.', { timeout: 60_000 });
	await page.getByRole('button', { name: 'Mark it again' }).click();
	for (const side of [-28.7, 28.7])
		await picture.click({ position: { x: ((x + side) * box.width) / 1280, y: ((y - 5) * box.height) / 720 } });
	await page.getByRole('button', { name: 'Follow it' }).click();
	await page.getByRole('button', { name: 'On the aircraft in all six' }).click({ timeout: 120_000 });
	await expect(page.getByText('95 % of the hover inside, about')).toBeVisible({ timeout: 60_000 });
	// Drawn: 1.1 m sideways between nineteen in twenty places.
	await expect(page.getByText(/at least 1\.[01]/)).toBeVisible();
	await expect(page.getByText(/Errors excluded above/)).toBeVisible();
	await expectAccessible(page, 'film judged');
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/hover$/);
	await expect(page.getByText(/a film: hover\.webm/).first()).toBeVisible();
});
