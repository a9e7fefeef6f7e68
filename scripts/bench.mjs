// Accuracy and speed of the core, each figure beside its bound or a plain alternative, in one run.
import { execFileSync } from 'node:child_process';
import { ensurePackages } from './setup.mjs';

ensurePackages();
execFileSync('npx', ['tsx', 'scripts/bench/run.ts'], { stdio: 'inherit' });
