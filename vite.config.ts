import tailwindcss from '@tailwindcss/vite';
import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	// One file: the service worker keeps what the build lists, and the parts of a worker are not listed.
	worker: { format: 'es', rolldownOptions: { output: { codeSplitting: false } } },
	build: { target: 'es2022', chunkSizeWarningLimit: 900 },
	test: {
		include: ['src/**/*.test.ts'],
		environment: 'node',
		testTimeout: 30000,
		// One core less is the default, which on two is half.
		maxWorkers: '100%',
		pool: 'threads',
	},
});
