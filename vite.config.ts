import tailwindcss from '@tailwindcss/vite';
import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	worker: { format: 'es' },
	build: { target: 'es2022', chunkSizeWarningLimit: 900 },
	test: {
		include: ['src/**/*.test.ts'],
		environment: 'node',
		testTimeout: 30000,
	},
});
