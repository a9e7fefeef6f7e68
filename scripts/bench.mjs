// Accuracy and speed of the core, each figure beside its bound or a plain alternative, in one run.
import { execFileSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { ensureChromium, ensurePackages } from './setup.mjs';

ensurePackages();
ensureChromium();
if (!existsSync('build/index.js')) execFileSync('npm', ['run', 'build'], { stdio: 'inherit' });
execFileSync('npx', ['tsx', 'scripts/bench/run.ts'], { stdio: 'inherit' });
