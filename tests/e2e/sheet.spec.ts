import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { DEMO_STATE, expectAccessible } from './support';

test.use({ storageState: DEMO_STATE });

/** Text of a PDF whose streams are not packed: what stands between brackets before Tj. */
const textOf = (path: string) =>
	[...readFileSync(path, 'latin1').matchAll(/\((.*?)(?<!\\)\)\s*Tj/gs)]
		.map(([, text]) => text.replaceAll('\\', ''))
		.join('\n');

test('the sheet is a document: half a page that decides, what was not clear, every entry, and the same as a PDF', async ({
	page,
}) => {
	await page.goto('/logbook');
	await page.getByRole('link', { name: 'Sheet', exact: true }).last().click();
	await expect(page.getByText('Pilot in command', { exact: true })).toBeVisible();
	await expect(page.getByText(/Decision to fly, signed/).first()).toBeVisible();
	const reference = /\d{4}-\d{2}-\d{2} [0-9A-F]{8}/;
	const shown = await page.getByText(reference).first().innerText();
	for (const viewport of [
		{ width: 1280, height: 800 },
		{ width: 390, height: 844 },
	]) {
		await page.setViewportSize(viewport);
		await expectAccessible(page, `sheet at ${viewport.width}`);
		const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
		expect(wide).toBeLessThanOrEqual(0);
	}
	const [saved] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name: 'Save as PDF' }).click(),
	]);
	expect(saved.suggestedFilename()).toMatch(/^sheet-.*\.pdf$/);
	const text = textOf(await saved.path());
	expect(text).toContain(reference.exec(shown)?.[0] ?? 'no reference');
	expect(text).toMatch(/1 of \d/);
	expect(text).toContain('Entries');
	expect(text).toContain('Pilot in command');
	expect(text).toMatch(/Head [0-9a-f]{20}/);
});

test('a page for others over several sessions: chosen, read, saved, each with what fixes it', async ({ page }) => {
	await page.goto('/logbook');
	await page.getByRole('link', { name: 'A page for others' }).click();
	await expect(page.getByRole('button', { name: 'Save as PDF' })).toBeDisabled();
	await page.getByLabel('What it is for').fill('Pictures of the north shore');
	const boxes = page.getByRole('list', { name: 'Sessions' }).getByRole('checkbox');
	await boxes.nth(1).check();
	await boxes.nth(2).check();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('2 sessions on a page for others');
	await expect(page.getByText(/entries, the chain holds; head [0-9a-f]{64}/)).toHaveCount(2);
	await expectAccessible(page, 'page for others');
	const [saved] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name: 'Save as PDF' }).click(),
	]);
	const text = textOf(await saved.path());
	expect(text).toContain('Pictures of the north shore');
	expect(text.match(/the chain holds/g)?.length).toBe(2);
});
