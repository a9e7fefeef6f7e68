// Installs what is missing: packages from the lock file, and Debian's Chromium for the browser tests.
import { execSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { launchOptions } from './chromium.mjs';

const run = (command) => execSync(command, { stdio: 'inherit' });

export function ensurePackages() {
	const stamp = 'node_modules/.package-lock.json';
	if (existsSync(stamp) && statSync(stamp).mtimeMs >= statSync('package-lock.json').mtimeMs) return;
	run('npm ci --no-audit --no-fund');
}

export function ensureChromium() {
	if (existsSync(launchOptions.executablePath)) return;
	const root = process.getuid?.() === 0 ? '' : 'sudo ';
	run(`${root}apt-get update -qq && ${root}apt-get install -y -qq chromium`);
}

if (import.meta.url === `file://${process.argv[1]}`) {
	ensurePackages();
	ensureChromium();
}
