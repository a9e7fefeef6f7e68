import { expect, test, type Page } from '@playwright/test';
import {
	choose,
	answerByKeys,
	enterAircraft,
	openDemo,
	setAsideAt,
	startSession,
	toStation,
	watch,
	endHold,
} from './support';

const h1 = (page: Page) => page.getByRole('heading', { level: 1 });

test('a racer whose nudge goes wrong stops, is ranked with what was seen, and begins again once it is put right', async ({
	page,
}) => {
	test.setTimeout(240_000);
	const { complaints } = watch(page);
	await openDemo(page);
	await enterAircraft(page, 'Whimbrel', 'Racing quad');
	await startSession(page, 'Whimbrel');
	await answerByKeys(page, 'Plan');
	await toStation(page, 'bench');
	await answerByKeys(page, 'Bench');

	// Radio off on the bench: every answer starts unanswered, and the stopwatch is a tap.
	await toStation(page, 'bench/link-loss');
	await page.getByRole('button', { name: 'To stop its motors' }).click();
	const count = page.getByRole('button', { name: 'Radio is off: count' });
	await expect(count).toBeDisabled();
	await page.getByRole('radio', { name: /^Armed/ }).click();
	await expect(count).toBeDisabled();
	await page.getByRole('checkbox', { name: /every propeller is off/ }).check();
	await count.click();
	await page.waitForTimeout(600);
	await page.getByRole('button', { name: 'The motors stopped' }).click();
	await expect(page.getByRole('button', { name: 'Judge it' })).toBeDisabled();
	await page.getByRole('radio', { name: 'They stopped' }).click();
	for (const question of [/link was lost/, /did it link/])
		await page.getByRole('radiogroup', { name: question }).getByRole('radio', { name: 'Yes' }).click();
	await page.getByRole('button', { name: 'Judge it' }).click();
	await expect(h1(page)).toHaveText(/^Radio off: the motors stopped after [01]\.\d ± 0\.2\d? s$/);
	await page.getByRole('button', { name: 'Record it' }).click();
	// Back at the bench it is written: leaving before would break it off.
	await expect(page).toHaveURL(/\/bench$/);
	await expect(page.getByText(/^Radio off: the motors stopped/).first()).toBeVisible();

	await setAsideAt(page, 'arm', /(is|are) due/);
	await toStation(page, 'site');
	await answerByKeys(page, 'Site');
	await toStation(page, 'power-up');
	await answerByKeys(page, 'Power-up');
	await setAsideAt(page, 'arm');
	await page.getByRole('button', { name: 'Arm', exact: true }).click();
	await expect(page).toHaveURL(/\/response$/);

	await page.keyboard.press('1');
	await expect(page.getByText(/· 1 of \d+ answered/)).toBeVisible();
	await page.keyboard.press('3');
	await page.getByRole('button', { name: 'It went about another axis' }).click();
	await expect(h1(page)).toHaveText('Stop: make it safe before anything else');
	// The next nudge is not offered, nor the rungs behind it.
	await toStation(page, 'response');
	await expect(h1(page)).toHaveText(/^Stop: throttle down/);
	await expect(page.getByRole('button', { name: 'Clean' })).toHaveCount(0);
	await toStation(page, 'hover');
	await expect(page.getByText('Stopped: log what was changed first.').first()).toBeVisible();
	await toStation(page, 'fly');
	await expect(page.getByRole('button', { name: 'Fly', exact: true })).toBeDisabled();

	await toStation(page, 'response/response-stop');
	for (const step of ['Throttle down', 'Disarmed', 'Battery unplugged', 'Propellers off'])
		await page.getByRole('checkbox', { name: step }).click();
	await choose(page.getByLabel('Layout'), 'four, X');
	await page.getByRole('radio', { name: 'inward' }).click();
	await expect(page.getByLabel('Stick forward: it')).toContainText('on another axis');
	await expect(page.getByLabel('Stick right: it')).toContainText('as commanded');
	await page.getByRole('button', { name: 'Work it out' }).click();
	await expect(page.getByText(/^Most likely .+ %$/)).toBeVisible();
	await page.getByLabel('What was changed').fill('two outputs exchanged');
	await page.getByRole('button', { name: 'Log setting' }).click();
	await expect(page).toHaveURL(/\/arm$/);
	await expect(page.getByText(/Asked again: settings changed, two outputs exchanged/).first()).toBeVisible();
	await toStation(page, 'response');
	await expect(page.getByText(/· 0 of \d+ answered/)).toBeVisible();
	await expect(page.getByText('The first gate, Arm, has not been answered.')).toBeVisible();
	expect(complaints).toEqual([]);
});

test('a new build that misbehaves on the bench is held at the first gate until a part was replaced and all it undoes seen again', async ({
	page,
}) => {
	test.setTimeout(240_000);
	await openDemo(page);
	await enterAircraft(page, 'Godwit', 'Self-built multirotor');
	await startSession(page, 'Godwit');
	await answerByKeys(page, 'Plan');
	await toStation(page, 'bench');
	await expect(page.getByText(/· 0 of \d+ answered/)).toBeVisible();
	await page.keyboard.press('n');
	await page.getByRole('dialog').getByRole('textbox').fill('the bench plug goes out when it arms');
	await page.getByRole('dialog').getByRole('button', { name: 'Note it' }).click();
	await expect(page.getByRole('dialog')).toHaveCount(0);
	await expect(page.getByText(/· 1 of \d+ answered/)).toBeVisible();
	await answerByKeys(page, 'Bench');
	// With everything else settled, what failed alone shuts the gate.
	await setAsideAt(page, 'arm', /^(?!.*bench plug)/s);
	const arm = page.getByRole('button', { name: 'Arm', exact: true });
	await expect(page.getByText(/the bench plug goes out when it arms/).first()).toBeVisible();
	await expect(arm).toBeDisabled();

	await page.getByRole('button', { name: 'Log event' }).click();
	const dialog = page.getByRole('dialog');
	await dialog.getByRole('radio', { name: /^Part replaced/ }).click();
	await dialog.getByLabel('Note, optional').fill('speed controller of the rear left motor');
	// The note names the part, and what it cannot affect stays answered.
	await expect(dialog.getByRole('combobox', { name: 'Part' })).toContainText('ESC');
	await expect(dialog.getByRole('checkbox').first()).toBeChecked();
	await dialog.getByRole('button', { name: 'Log event' }).click();
	await expect(dialog).toBeHidden();
	await toStation(page, 'bench');
	await expect(page.getByText(/Asked again:.*speed controller of the rear left motor/).first()).toBeVisible();
	await answerByKeys(page, 'Bench');
	await setAsideAt(page, 'arm');
	await expect(arm).toBeEnabled();
	await arm.click();
	await expect(page).toHaveURL(/\/response$/);
});

test('a camera drone that shows no data is calibrated by its own routine, its lock read off, and asked to hover', async ({
	page,
}) => {
	test.setTimeout(240_000);
	await openDemo(page);
	await enterAircraft(page, 'Sanderling', 'Camera drone');
	await page.goto('/aircraft');
	await page.getByRole('link', { name: /Sanderling/ }).click();
	await expect(page.getByText('Vision sensors: not due')).toBeVisible();
	await startSession(page, 'Sanderling');
	await toStation(page, 'compass');
	await answerByKeys(page, 'Compass');
	await toStation(page, 'compass/compass');
	await page.getByRole('link', { name: 'Begin its routine' }).click();
	await expect(page.getByRole('checkbox').first()).toBeVisible();
	for (const box of await page.getByRole('checkbox').all()) await box.check();
	await page.getByRole('button', { name: 'Begin the routine' }).click();
	for (let step = 0; step < 3; step++) {
		if (step > 0) await endHold(page);
		await page.getByRole('button', { name: 'As it should' }).click();
	}
	await expect(h1(page)).toContainText('done by the aircraft’s own routine');
	await page.getByRole('button', { name: 'Keep it in the session' }).click();
	await expect(page).toHaveURL(/session\/[^/]+\/compass$/);
	await expect(page.getByText('clear · guided')).toBeVisible();
	await toStation(page, 'hover');
	await expect(page.getByText(/It verifies what was calibrated: compass/)).toBeVisible();

	await toStation(page, 'position/position');
	const record = page.getByRole('button', { name: 'Record what it shows' });
	await expect(record).toBeDisabled();
	await page.getByLabel('Satellites').fill('14');
	await page.getByLabel('Satellites').blur();
	await page.getByRole('radio', { name: 'Yes, here' }).click();
	await record.click();
	await expect(page.getByText('Read off: 14 satellites, home stored').first()).toBeVisible();
	await expect(page.getByText('caution · read off')).toBeVisible();

	// On the due page the same routine counts: nothing else is asked.
	await page.goto('/aircraft');
	await page.getByRole('link', { name: /Sanderling/ }).click();
	await expect(page.getByText('Compass: not due')).toBeVisible();
});

test('what happens during a session asks again just what it undoes, and a held key records once', async ({ page }) => {
	await openDemo(page);
	await page.goto('/session/demo-open/return');
	await expect(page.getByText(/· 0 of \d+ answered/)).toBeVisible();
	await page.evaluate(() => {
		for (let k = 0; k < 12; k++)
			document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, repeat: k > 0 }));
	});
	await expect(page.getByText(/· 1 of \d+ answered/)).toBeVisible();
	await page.waitForTimeout(500);
	await expect(page.getByText(/· 1 of \d+ answered/)).toBeVisible();

	await page.goto('/session/demo-open/bench');
	await expect(page.getByText(/· [1-9] of \d+ answered/)).toBeVisible();
	await page.getByRole('button', { name: 'Log event' }).click();
	const dialog = page.getByRole('dialog');
	await dialog.getByRole('radio', { name: 'Knock or hard landing' }).click();
	await expect(dialog).toContainText(/To do again:.*Nothing loose or cracked/);
	await dialog.getByLabel('Note, optional').fill('fell off the table');
	await dialog.getByRole('button', { name: 'Log event' }).click();
	await expect(page.getByText(/· 1 of \d+ answered/)).toBeVisible();
	await expect(page.getByText(/Asked again: knock or hard landing, fell off the table/).first()).toBeVisible();
	await page.goto('/session/demo-open/plan');
	await expect(page.getByText(/· [4-9] of \d+ answered/)).toBeVisible();
	await page.goto('/aircraft/demo-dunlin');
	await expect(page.getByText(/fell off the table/).first()).toBeVisible();
});

/** Changes rows of the store behind the application's back. */
async function meddle(page: Page, sessionId: string, change: string): Promise<void> {
	await page.evaluate(
		async ([id, code]) => {
			const db = await new Promise<IDBDatabase>((resolve, reject) => {
				const open = indexedDB.open('winglogos');
				open.onsuccess = () => resolve(open.result);
				open.onerror = () => reject(open.error);
			});
			const tx = db.transaction(['entries', 'sessions'], 'readwrite');
			const rows = await new Promise<Record<string, unknown>[]>((resolve) => {
				const all = tx.objectStore('entries').index('sessionId').getAll(id);
				all.onsuccess = () => resolve(all.result as Record<string, unknown>[]);
			});
			rows.sort((a, b) => Number(a.seq) - Number(b.seq));
			const [what, k, field, value] = JSON.parse(code) as [string, number, string, unknown];
			const entries = tx.objectStore('entries');
			if (what === 'set') entries.put({ ...rows[k], [field]: value });
			else if (what === 'delete') entries.delete(String(rows[k].id));
			await new Promise<void>((resolve) => (tx.oncomplete = () => resolve()));
			db.close();
		},
		[sessionId, change],
	);
}

test('an entry that was changed, made unreadable or taken out shows with its number: verify, sheet and both gates', async ({
	page,
}) => {
	test.setTimeout(240_000);
	await openDemo(page);
	await meddle(page, 'demo-clean', JSON.stringify(['set', 4, 'at', 5]));
	await meddle(page, 'demo-clean', JSON.stringify(['set', 6, 'payload', { kind: 'zzz' }]));
	await meddle(page, 'demo-clean', JSON.stringify(['set', 8, 'extra', 1]));
	await meddle(page, 'demo-clean', JSON.stringify(['delete', 10, '', null]));
	await page.goto('/logbook');
	const row = page.getByRole('listitem').filter({ hasText: 'Transect survey, sea wall' }).first();
	await row.getByRole('button', { name: 'Verify' }).click();
	for (const number of [5, 7, 9, 11]) await expect(row.getByText(`Entry ${number}`).first()).toBeVisible();
	await page.goto('/session/demo-clean/sheet');
	for (const number of [5, 7, 9, 11])
		await expect(page.locator('article').getByText(`Entry ${number}`, { exact: true }).first()).toBeVisible();
	for (const gate of ['arm', 'fly']) {
		await page.goto(`/session/demo-clean/${gate}`);
		await expect(page.getByText('The record of this session does not verify')).toBeVisible();
		await expect(h1(page)).not.toContainText('Nothing here blocks');
	}
});

test('a file that would change limits says so, and changes them only when it is chosen', async ({ page }) => {
	await openDemo(page);
	await page.goto('/session/demo-clean/sheet');
	await page.getByRole('button', { name: 'Export as JSON' }).click();
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name: 'Save the file' }).click(),
	]);
	const file = await download.createReadStream();
	const chunks: Buffer[] = [];
	for await (const chunk of file) chunks.push(chunk as Buffer);
	const text = Buffer.concat(chunks).toString('utf8');
	const theirs = JSON.parse(text) as { aircraft: Record<string, unknown> };
	theirs.aircraft = { ...theirs.aircraft, compassHeadingLimitDeg: 29, updatedAt: '2099-01-01T00:00:00.000Z' };
	await page.goto('/data');
	await page
		.locator('main input[type=file]')
		.setInputFiles({ name: 's.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(theirs)) });
	const plan = page.getByRole('region', { name: 'What the file would bring' });
	await expect(plan).toContainText('Aircraft Dunlin: differs from what is here');
	await expect(plan.getByRole('row', { name: /compass heading limit/ })).toContainText('29');
	await expect(plan.getByRole('checkbox', { name: /^Aircraft Dunlin/ })).not.toBeChecked();
	await plan.getByRole('button', { name: 'Leave it' }).click();
	await page.goto('/aircraft/demo-dunlin#limits');
	await expect(page.getByLabel('Heading uncertainty limit')).toHaveValue('1');
});
