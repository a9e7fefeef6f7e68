// Bundles the server and what its compute threads run into the build: a thread is started from a file.
import { build } from 'esbuild';

const options = {
	bundle: true,
	platform: 'node',
	format: 'esm',
	target: 'node20',
	packages: 'external',
	alias: { $lib: './src/lib' },
	logLevel: 'warning',
};
await build({ ...options, entryPoints: ['src/lib/server/thread.ts'], outfile: 'build/compute.thread.js' });
await build({ ...options, entryPoints: ['scripts/server.ts'], external: ['./handler.js'], outfile: 'build/index.js' });
