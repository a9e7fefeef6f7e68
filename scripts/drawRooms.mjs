// Draws the rooms of the house into docs/architecture.md from the real imports; with --check it only tells whether the drawing is true
// and whether folders go round in circles.
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';

const FILE = 'docs/architecture.md';
const [BEGIN, END] = ['<!-- rooms: npm run draw -->', '<!-- /rooms -->'];

/** Every import between files of the house, one a pair: `[from, to]`. */
const { modules, summary } = JSON.parse(
	execFileSync('npx', ['depcruise', 'src', '--config', '.dependency-cruiser.folders.cjs', '--output-type', 'json'], {
		encoding: 'utf8',
		maxBuffer: 1 << 28,
	}),
);
const imports = modules.flatMap(({ source, dependencies }) => dependencies.map(({ resolved }) => [source, resolved]));

/** The imports between what files belong to, one a pair. */
function between(nameOf) {
	const pairs = new Map();
	for (const [from, to] of imports.map((pair) => pair.map(nameOf)))
		if (from && to && from !== to) pairs.set(`${from} ${to}`, [from, to]);
	return [...pairs.values()];
}

/** Only what does not follow from the rest: an arrow is left out where another way leads there. */
function reduced(pairs) {
	const next = (room) => pairs.filter(([from]) => from === room).map(([, to]) => to);
	const reaches = (from, to, seen = new Set()) =>
		next(from).some((room) => room === to || (!seen.has(room) && reaches(room, to, seen.add(room))));
	return pairs.filter(([from, to]) => !next(from).some((room) => room !== to && reaches(room, to)));
}

const drawn = (pairs) =>
	['```mermaid', 'flowchart TD', ...pairs.map(([a, b]) => `    ${a} --> ${b}`).sort(), '```'].join('\n');

const rooms = between((path) => /^src\/(?:lib\/(?=[^/]+\/))?([a-z]+)\//.exec(path)?.[1]);
const areas = between((path) => /^src\/lib\/core\/([a-z]+)\//.exec(path)?.[1]);
const text = readFileSync(FILE, 'utf8');
const [from, to] = [text.indexOf(BEGIN) + BEGIN.length, text.indexOf(END)];
const block = `\n\n${drawn(reduced(rooms))}\n\nThe areas of the core:\n\n${drawn(reduced(areas))}\n\n`;

if (process.argv.includes('--check')) {
	const circles = summary.violations.map(({ rule, from: a, to: b }) => `${rule.name}: ${a} and ${b}`);
	if (circles.length > 0) {
		console.error(circles.join('\n'));
		process.exit(1);
	}
	if (text.slice(from, to) !== block) {
		console.error(`The drawing in ${FILE} is not what the imports are: npm run draw`);
		process.exit(1);
	}
} else writeFileSync(FILE, text.slice(0, from) + block + text.slice(to));
