import { defineConfig } from '@playwright/test';
import { launchOptions } from './scripts/chromium.mjs';

const port = Number(process.env.TEST_PORT ?? 4199);
/** A machine that many share answers late; what is wrong stays wrong. */
const patienceMs = process.env.CI ? 40_000 : 15_000;

export default defineConfig({
	testDir: 'tests/e2e',
	outputDir: 'test-results/browser',
	timeout: process.env.CI ? 240_000 : 120_000,
	// A loaded machine may be slow once; slow twice is a fault.
	retries: process.env.CI ? 1 : 0,
	expect: { timeout: patienceMs },
	workers: 2,
	fullyParallel: true,
	projects: [
		{ name: 'demo', testMatch: /demo\.setup\.ts/ },
		{ name: 'walks', dependencies: ['demo'] },
	],
	reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
	use: {
		baseURL: `http://localhost:${port}`,
		viewport: { width: 1280, height: 800 },
		actionTimeout: patienceMs,
		// Tracing costs as much as the test: only what failed once is traced.
		trace: 'on-first-retry',
		launchOptions,
	},
	webServer: {
		command: 'node scripts/serve.mjs',
		env: { PORT: String(port), ORIGIN: `http://localhost:${port}` },
		url: `http://localhost:${port}/`,
		reuseExistingServer: false,
	},
});
