import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { expectAccessible } from './support';

test('a plot is read off by keys and pointer, come nearer to, told as a table and saved as a picture', async ({
	page,
}) => {
	await page.goto('/instruments/vibration');
	await page
		.getByRole('button', { name: /^Try it/ })
		.last()
		.click();
	const plot = page.getByRole('figure').filter({ hasText: 'Hz' }).first();
	const reader = plot.getByRole('slider', { name: /^Read off: / });
	await reader.focus();
	await expect(reader).toHaveAttribute('aria-valuetext', /nothing read off/);
	await page.keyboard.press('End');
	const read = async () => Number(/^([\d.]+) Hz · /.exec((await reader.getAttribute('aria-valuetext')) ?? '')?.[1]);
	const last = await read();
	await page.keyboard.press('PageDown');
	const earlier = await read();
	expect(earlier).toBeLessThan(last);
	await page.keyboard.press('ArrowRight');
	expect(await read()).toBeGreaterThan(earlier);

	// Nearer about the place that is read; the whole again by the button.
	const most = async () => Number(await reader.getAttribute('aria-valuemax'));
	const least = async () => Number(await reader.getAttribute('aria-valuemin'));
	const [from, to] = [await least(), await most()];
	await page.keyboard.press('+');
	expect((await most()) - (await least())).toBeCloseTo((to - from) / 2, 6);
	await plot.getByRole('button', { name: /^The whole again/ }).click();
	expect([await least(), await most()]).toEqual([from, to]);
	// A mouse draws over what it wants to see nearer.
	const box = await reader.boundingBox();
	if (!box) throw new Error('no plot');
	await page.mouse.move(box.x + 0.25 * box.width, box.y + 30);
	await page.mouse.down();
	await page.mouse.move(box.x + 0.75 * box.width, box.y + 30, { steps: 4 });
	await page.mouse.up();
	expect((await most()) - (await least())).toBeLessThan(0.52 * (to - from));
	await expectAccessible(page, 'plot');

	await plot.getByText('As a table').click();
	await expect(plot.getByRole('row').nth(1)).toBeVisible();
	const download = page.waitForEvent('download');
	await plot.getByRole('button', { name: /^Save as a picture/ }).click();
	const file = await download;
	expect(file.suggestedFilename()).toMatch(/\.png$/);
	expect(
		readFileSync(await file.path())
			.subarray(1, 4)
			.toString(),
	).toBe('PNG');
});
