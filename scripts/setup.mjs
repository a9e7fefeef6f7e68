// Installs what is missing: packages from the lock file, and Debian's Chromium for the browser tests.
import { execSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { WHOLE, WINDOWLESS } from './chromium.mjs';

const run = (command) => execSync(command, { stdio: 'inherit' });

export function ensurePackages() {
	const stamp = 'node_modules/.package-lock.json';
	if (existsSync(stamp) && statSync(stamp).mtimeMs >= statSync('package-lock.json').mtimeMs) return;
	run('npm ci --no-audit --no-fund');
}

/** The one without windows is enough for the tests; where it cannot be had, one with windows that is there already does. */
export function ensureChromium() {
	if (process.env.CHROMIUM || existsSync(WINDOWLESS)) return;
	const root = process.getuid?.() === 0 ? '' : 'sudo ';
	try {
		run(`${root}apt-get update -qq && ${root}apt-get install -y -qq chromium-headless-shell`);
	} catch (error) {
		if (!existsSync(WHOLE)) throw error;
	}
}

if (import.meta.url === `file://${process.argv[1]}`) {
	ensurePackages();
	ensureChromium();
}
