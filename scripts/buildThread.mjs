// Bundles what the server's compute threads run, beside the built server: a thread is started from a file.
import { build } from 'esbuild';

await build({
	entryPoints: ['src/lib/server/thread.ts'],
	outfile: 'build/compute.thread.js',
	bundle: true,
	platform: 'node',
	format: 'esm',
	target: 'node20',
	packages: 'external',
	alias: { $lib: './src/lib' },
	logLevel: 'warning',
});
