import { defineConfig } from '@playwright/test';
import { launchOptions } from './scripts/chromium.mjs';

const port = 4199;

export default defineConfig({
	testDir: 'tests/e2e',
	outputDir: 'test-results/browser',
	timeout: 120_000,
	// A loaded machine may be slow once; slow twice is a fault.
	retries: process.env.CI ? 1 : 0,
	expect: { timeout: 15_000 },
	workers: 2,
	fullyParallel: true,
	reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
	use: {
		baseURL: `http://localhost:${port}`,
		viewport: { width: 1280, height: 800 },
		actionTimeout: 15_000,
		trace: 'retain-on-failure',
		launchOptions,
	},
	webServer: {
		command: 'node scripts/serve.mjs',
		env: { PORT: String(port), ORIGIN: `http://localhost:${port}` },
		url: `http://localhost:${port}/`,
		reuseExistingServer: false,
	},
});
