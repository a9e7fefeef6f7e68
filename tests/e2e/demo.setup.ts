import { expect, test } from '@playwright/test';
import { DEMO_STATE, DEMO_TITLE } from './support';

// The demo is computed in the browser, which takes seconds: it is made once, as a pilot makes it, and given to the tests.
test('the demo is made from the start page', async ({ page }) => {
	await page.goto('/?demo');
	await expect(page.getByRole('heading', { level: 1 })).toContainText(DEMO_TITLE);
	await page.context().storageState({ path: DEMO_STATE, indexedDB: true });
});
