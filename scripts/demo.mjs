// One command on a fresh checkout: packages, build when stale, server with the demo data ready to open.
import { execSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages } from './setup.mjs';

const newest = (path) =>
	statSync(path).isDirectory()
		? Math.max(statSync(path).mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))))
		: statSync(path).mtimeMs;

ensurePackages();
const inputs = ['src', 'static', 'package-lock.json', 'svelte.config.js', 'vite.config.ts'];
const stale = !existsSync('build/index.js') || Math.max(...inputs.map(newest)) > statSync('build/index.js').mtimeMs;
if (stale) execSync('npm run build', { stdio: 'inherit' });
process.env.PORT ??= '4173';
await import('./serve.mjs');
console.log(`\nWinglogos with its demo data: http://localhost:${process.env.PORT}/?demo\n`);
