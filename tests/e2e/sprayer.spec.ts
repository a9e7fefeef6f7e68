import { expect, test } from '@playwright/test';
import { expectAccessible, openDemo, startSession, toStation, watch } from './support';

test('a sprayer’s nozzles are caught one by one: the blocked one holds the session, and is asked again once replaced', async ({
	page,
}) => {
	test.setTimeout(120_000);
	const { complaints } = watch(page);
	const h1 = page.getByRole('heading', { level: 1 });
	await openDemo(page);
	await startSession(page, 'Curlew');
	// Nothing is turned on before the load was exchanged without power; that is never left undone.
	await toStation(page, 'bench?item=tank-power');
	await expect(page.getByText('First: tank or seed box fitted with the power off.').first()).toBeVisible();
	await page.keyboard.press('x');
	await expect(page.getByRole('dialog')).toHaveCount(0);
	await page.getByRole('button', { name: 'Tank fitted' }).click();
	// The tank is fitted: what the feeder gives is not asked.
	await expect(page.getByText('Nobody has measured what the feeder gives')).toHaveCount(0);
	await expect(page.getByText('First: tank or seed box fitted with the power off.')).toHaveCount(0);
	// Lines, front and rear: air is told from a nozzle, and a nozzle from the pump.
	await toStation(page, 'bench?item=lines-vented');
	await page.getByRole('link', { name: 'Lines vented, front and rear' }).click();
	await expectAccessible(page, 'lines');
	for (let step = 0; step < 3; step++) await page.getByRole('button', { name: 'As it should be' }).click();
	await page.getByRole('button', { name: 'Something is wrong' }).click();
	await page.getByRole('button', { name: 'One differs' }).click();
	await expect(h1).toHaveText('The nozzles spray unevenly: one differs');
	await page.getByRole('button', { name: 'One back' }).click();
	await page.getByRole('button', { name: 'As it should be' }).click();
	await expect(h1).toHaveText(/vented front and rear, and every nozzle sprays evenly/);
	await page.getByRole('button', { name: 'Record it' }).click();
	await expect(page).toHaveURL(/\/bench$/);
	const water = page.getByRole('listitem').filter({ hasText: 'Nobody has measured what each nozzle gives' });
	await water.getByRole('link', { name: 'Catch it, nozzle by nozzle' }).click();

	// The form is blank: nothing is worked out before it is caught.
	await expect(page.getByText(/Water, not the product/).first()).toBeVisible();
	const catchAll = async (litres: readonly string[]) => {
		for (const [label, value] of [
			['Caught for', '60'],
			['Flow set', '2'],
			['Flying at', '18'],
			['Swath', '4'],
		])
			await page.getByLabel(label, { exact: true }).fill(value);
		for (let k = await page.getByLabel('Caught', { exact: true }).count(); k < litres.length; k++)
			await page
				.getByRole('button', { name: /nozzle$/ })
				.last()
				.click();
		for (const [k, value] of litres.entries()) await page.getByLabel('Caught', { exact: true }).nth(k).fill(value);
		await page.getByRole('button', { name: 'Work it out' }).click();
	};
	await catchAll(['0.52', '0.5', '0.22', '0.51']);
	await expect(h1).toContainText(/nozzle 3/i);
	await page.getByRole('button', { name: 'Keep it in the session' }).click();
	await expect(page).toHaveURL(/\/bench$/);
	await toStation(page, 'arm');
	await expect(page.getByText(/nozzle 3/i).first()).toBeVisible();

	await toStation(page, 'bench/measure-flow');
	// What stays true was typed once.
	await expect(page.getByLabel('Swath', { exact: true })).toHaveValue('4');
	await expect(page.getByLabel('Caught', { exact: true })).toHaveCount(4);
	await catchAll(['0.52', '0.5', '0.49', '0.51']);
	await expect(h1).toContainText('It gives what is set');
	await page.getByRole('button', { name: 'Keep it in the session' }).click();
	await expect(page.getByRole('listitem').filter({ hasText: 'It gives what is set' }).first()).toContainText('clear');
	// Exchanged: now the feeder is asked for, and the nozzles are not.
	await toStation(page, 'bench?item=tank-power');
	await page.getByRole('button', { name: 'Spreader fitted' }).click();
	await expect(page.getByText('Nobody has measured what the feeder gives')).toBeVisible();
	expect(complaints).toEqual([]);
});
