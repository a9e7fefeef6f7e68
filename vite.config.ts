import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vitest/config';

/** Parts of jsPDF for drawing HTML and SVG, which nothing here asks for: they would be kept on every device. */
const UNUSED = ['html2canvas', 'dompurify', 'canvg'];
const nothing = fileURLToPath(new URL('src/lib/core/record/nothing.ts', import.meta.url));

export default defineConfig({
	resolve: { alias: Object.fromEntries(UNUSED.map((name) => [name, nothing])) },
	plugins: [tailwindcss(), sveltekit()],
	// One file: the service worker keeps what the build lists, and the parts of a worker are not listed.
	worker: { format: 'es', rolldownOptions: { output: { codeSplitting: false } } },
	build: { target: 'es2022', chunkSizeWarningLimit: 900 },
	test: {
		// A busy machine decides nothing: a test that hangs is ended, one that is slow is not.
		testTimeout: 300_000,
		// One core less is the default, which on two is half.
		maxWorkers: '100%',
		projects: [
			{
				extends: true,
				test: {
					name: 'unit',
					include: ['src/**/*.test.ts'],
					exclude: ['src/**/*.zone.test.ts'],
					environment: 'node',
					pool: 'threads',
				},
			},
			{
				// A thread cannot set its time zone; a process can.
				extends: true,
				test: { name: 'zones', include: ['src/**/*.zone.test.ts'], environment: 'node', pool: 'forks' },
			},
		],
	},
});
