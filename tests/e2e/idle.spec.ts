import { expect, test, type Page } from '@playwright/test';
import { openDemo } from './support';

/** Counts transactions of the store from now on. */
async function countTransactions(page: Page): Promise<() => Promise<number>> {
	await page.evaluate(() => {
		const begin = IDBDatabase.prototype.transaction;
		const counted = { transactions: 0 };
		Object.assign(window, { counted });
		IDBDatabase.prototype.transaction = function (...args) {
			counted.transactions++;
			return begin.apply(this, args);
		};
	});
	return () => page.evaluate(() => (window as unknown as { counted: { transactions: number } }).counted.transactions);
}

const STATIONS = [
	'plan',
	'bench',
	'site',
	'compass',
	'power-up',
	'position',
	'return',
	'arm',
	'response',
	'hover',
	'fly',
	'close',
];
const TASKS = [
	'bench/bench-due',
	'bench/guide-compass',
	'bench/measure-gyro',
	'bench/link-loss',
	'compass/compass',
	'compass/site-field',
	'position/position',
	'hover/hover',
];
const ROUTES = [
	'/',
	'/aircraft',
	'/aircraft/new',
	'/aircraft/demo-dunlin',
	'/aircraft/demo-dunlin/due',
	'/aircraft/demo-dunlin/indoor',
	'/aircraft/demo-dunlin/history/compass',
	'/aircraft/demo-dunlin/guide/compass',
	'/sites',
	'/logbook',
	'/data',
	'/instruments',
	'/instruments/compass',
	'/practice',
	'/help/methods',
	'/session/new',
	'/session/demo-open',
	'/session/demo-open/sheet',
	...STATIONS.map((station) => `/session/demo-open/${station}`),
	...TASKS.map((task) => `/session/demo-open/${task}`),
];

test('a page that nobody touches reads and writes nothing', async ({ page }) => {
	await page.clock.install();
	await openDemo(page);
	for (const route of ROUTES) {
		await page.goto(route);
		await expect(page.getByRole('heading', { level: 1 }), route).toBeVisible();
		await page.waitForLoadState('load');
		// What a page reads once when it is opened may end first.
		await page.waitForTimeout(200);
		const transactions = await countTransactions(page);
		// A minute in which nobody touches it.
		await page.clock.runFor(60_000);
		expect(await transactions(), route).toBe(0);
	}
});
