import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { expectAccessible, openDemo } from './support';

const PLACES = ['/', '/logbook', '/session/new', '/session/demo-open/plan', '/aircraft', '/data'];
const title = 'The data on this device cannot be read';

test('a store that does not open is said on every page, with its reason, and nothing waits for ever', async ({
	page,
}) => {
	await page.addInitScript(() => {
		IDBFactory.prototype.open = () => {
			throw new DOMException('Internal error opening backing store.', 'UnknownError');
		};
	});
	for (const place of PLACES) {
		await page.goto(place);
		await expect(page.getByRole('heading', { level: 1 }), place).toHaveText(title);
		await expect(page.getByRole('alert')).toContainText('opening backing store');
	}
	await expectAccessible(page, 'store failure');
});

test('a store that never answers is said after five seconds; data deleted in another tab are noticed', async ({
	page,
}) => {
	await page.addInitScript(() => {
		const open = IDBFactory.prototype.open.bind(indexedDB);
		IDBFactory.prototype.open = (name, ...rest) =>
			location.pathname === '/logbook' ? open('another', ...rest) && ({} as IDBOpenDBRequest) : open(name, ...rest);
	});
	await page.goto('/logbook');
	await expect(page.getByRole('heading', { level: 1 })).toHaveText(title, { timeout: 15_000 });
	await expect(page.getByRole('alert')).toContainText('do not answer');
	await openDemo(page);
	await page.evaluate(() => void indexedDB.deleteDatabase('winglogos'));
	await expect(page.getByRole('alert')).toContainText('deleted in another tab');
});

test('what lies in a store that cannot be read is saved as it is, and other pages go on', async ({ page }) => {
	await openDemo(page);
	await page.addInitScript(() => {
		const { getAll } = IDBObjectStore.prototype;
		let broken = true;
		Object.assign(window, { mend: () => (broken = false) });
		IDBObjectStore.prototype.getAll = function (this: IDBObjectStore, ...rest: Parameters<IDBObjectStore['getAll']>) {
			if (broken && this.name === 'aircraft') throw new DOMException('The row is damaged.', 'DataError');
			return getAll.apply(this, rest);
		};
	});
	await page.goto('/aircraft');
	await expect(page.getByRole('heading', { level: 1 })).toHaveText(title);
	await page.evaluate(() => (window as unknown as { mend: () => void }).mend());
	const saving = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save what lies there' }).click();
	const file = JSON.parse(readFileSync(await (await saving).path(), 'utf8')) as Record<string, { name?: string }[]>;
	expect(file.aircraft.map(({ name }) => name)).toContain('Dunlin');
	expect(file.entries.length).toBeGreaterThan(20);
	await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Practice' }).click();
	await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(title);
});

test('a browser that keeps no preferences still opens the application', async ({ page }) => {
	await page.addInitScript(() => {
		Object.defineProperty(window, 'localStorage', {
			get() {
				throw new DOMException('Access is denied for this document.', 'SecurityError');
			},
		});
	});
	await openDemo(page);
	await page.goto('/instruments/flow');
	await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
});

test('a page that fails while it is drawn says so, does not wait for ever, and is tried again', async ({ page }) => {
	await openDemo(page);
	await page.goto('/session/demo-open/plan');
	await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
	await page.evaluate(() => {
		const { filter } = Array.prototype;
		Object.assign(window, { mend: () => (Array.prototype.filter = filter) });
		Array.prototype.filter = function (this: unknown[], ...rest: Parameters<typeof filter>) {
			const [first] = this;
			if (first && typeof first === 'object' && 'mark' in first) throw new Error('Made to fail.');
			return filter.apply(this, rest);
		} as typeof filter;
		document.querySelector<HTMLElement>('a[href$="/arm"]')?.click();
	});
	await expect(page).toHaveURL(/\/arm$/);
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('This page cannot be shown');
	await expect(page.getByRole('alert')).toHaveText('Made to fail.');
	await page.evaluate(() => (window as unknown as { mend: () => void }).mend());
	await page.getByRole('button', { name: 'Try again' }).click();
	await expect(page.getByRole('heading', { name: 'Your decision' })).toBeVisible();
});
