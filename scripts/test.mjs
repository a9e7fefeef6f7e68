// Everything that must hold before a commit lands. Ends with one plain line that counts unit and browser tests.
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { ensureChromium, ensurePackages } from './setup.mjs';

ensurePackages();
ensureChromium();
rmSync('test-results', { recursive: true, force: true });
mkdirSync('test-results', { recursive: true });

const step = (name, command) => {
	console.log(`\n— ${name}`);
	const started = Date.now();
	const { status } = spawnSync(command, { shell: true, stdio: 'inherit' });
	console.log(`  ${name}: ${status === 0 ? 'ok' : 'failed'} in ${((Date.now() - started) / 1000).toFixed(1)} s`);
	return status === 0;
};
const read = (file) => {
	try {
		return JSON.parse(readFileSync(file, 'utf8'));
	} catch {
		return null;
	}
};

const results = [
	['types', 'npm run -s check:types'],
	['format', 'npm run -s check:format'],
	['lint', 'npm run -s check:lint'],
	['boundaries', 'npm run -s check:boundaries'],
	['unused code', 'npm run -s check:unused'],
	['unit tests', 'npx vitest run --reporter=default --reporter=json --outputFile.json=test-results/unit.json'],
	['build', 'npm run -s build'],
].map(([name, command]) => step(name, command));
// Browser tests run on the build that was just made; without one they would test something older.
results.push(results.at(-1) ? step('browser tests', 'npx playwright test') : false);

const unit = read('test-results/unit.json');
const e2e = read('test-results/e2e.json');
// Flaky: passed on its second try.
const passed = (unit?.numPassedTests ?? 0) + (e2e?.stats?.expected ?? 0) + (e2e?.stats?.flaky ?? 0);
const failed = (unit?.numFailedTests ?? 0) + (e2e?.stats?.unexpected ?? 0);
const ok = results.every(Boolean) && unit !== null && e2e !== null && failed === 0 && passed > 0;
console.log(`\n${passed} passed, ${ok ? 0 : Math.max(1, failed)} failed`);
process.exit(ok ? 0 : 1);
