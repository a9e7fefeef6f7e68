// Everything that must hold before a commit lands. Ends with one plain line that counts unit and browser tests.
import { spawn, spawnSync } from 'node:child_process';
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
/** A check beside others: what it says is shown in one piece when it ends. */
const beside = (name, command) =>
	new Promise((resolve) => {
		const started = Date.now();
		const child = spawn(command, { shell: true, stdio: ['ignore', 'pipe', 'pipe'] });
		let said = '';
		for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (said += part));
		child.on('close', (status) => {
			const seconds = ((Date.now() - started) / 1000).toFixed(1);
			console.log(`\n— ${name}\n${said.trimEnd()}\n  ${name}: ${status === 0 ? 'ok' : 'failed'} in ${seconds} s`);
			resolve(status === 0);
		});
	});
const read = (file) => {
	try {
		return JSON.parse(readFileSync(file, 'utf8'));
	} catch {
		return null;
	}
};

// The checks wait on one another for nothing but the types that the framework writes first.
spawnSync('npx svelte-kit sync', { shell: true, stdio: 'inherit' });
const results = await Promise.all(
	['types', 'format', 'lint', 'boundaries', 'unused'].map((name) => beside(name, `npm run -s check:${name}`)),
);
const steps = [
	['unit tests', 'npx vitest run --reporter=default --reporter=json --outputFile.json=test-results/unit.json'],
	['build', 'npm run -s build'],
];
for (const [name, command] of steps) results.push(step(name, command));
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
