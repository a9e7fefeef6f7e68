import { readEpochs } from '../../src/lib/core/position/epochs';
import { InputError } from '../../src/lib/core/finding/inputError';
import { seededRng, type Rng } from '../../src/lib/core/math/random';
import { readTable } from '../../src/lib/core/record/csv';
import { readObstacles } from '../../src/lib/core/record/obstacles';
import { readTrack } from '../../src/lib/core/record/tracks';
import { readListFile } from '../../src/lib/core/session/checklist/own';
import { readSettings } from '../../src/lib/core/settings/sheet';
import { NO_FAULTS, rigHover } from '../../src/lib/rig/rig';
import { answerOf } from '../../src/lib/server/compute';
import { legalRequest } from '../../src/lib/server/legalRequest';
import { ROUTES, routeOf, type RoutePath } from '../../src/lib/server/routes';
import { CORPUS } from './corpus';
import { report } from './report';

/** Tries for each route and importer. */
const TRIES = Number(process.env.FUZZ ?? 300);
/** A small input takes no longer, ms. */
const MOST_MS = 3000;

const pick = <T>(rng: Rng, from: readonly T[]): T => from[Math.floor(rng.uniform() * from.length) % from.length];

/** Values that a slip, another program or malice puts where a number or a word is wanted. */
const ODD: readonly unknown[] = [
	...[null, '', 'x', '12', true, [], {}, -1, 0, 1, 1e308, -1e308, 1e-300, 0.1, 4294967296, 'NaN'],
	...['__proto__', '<b>', '\u0000', '９', Array(50).fill(0), Array(50).fill(1e200)],
];

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** A change that keeps the shape: a number moved, a column constant, still, doubled in time, or all columns cut alike. */
function gentle(holder: Json[] | { [key: string]: Json }, key: string | number, rng: Rng): void {
	const at = holder as Record<string | number, Json>;
	const inside = at[key];
	if (typeof inside === 'number') at[key] = inside * pick(rng, [0, -1, 0.5, 0.99, 1.01, 2, 10, 100]);
	else if (Array.isArray(inside) && inside.every((v) => typeof v === 'number'))
		at[key] = pick(rng, [
			inside.map(() => inside[0]),
			inside.map(() => 0),
			inside.map((v) => -v),
			inside.map((v) => v * 1000),
		]);
	else if (inside !== null && typeof inside === 'object' && !Array.isArray(inside)) {
		const most = Math.floor(1 + 3 * rng.uniform());
		for (const name of Object.keys(inside)) if (Array.isArray(inside[name])) inside[name] = inside[name].slice(0, most);
	}
}

/** The value with one to three places changed: replaced, taken out, doubled, cut short, put in another order. */
function mutated(value: unknown, rng: Rng): unknown {
	const copy = structuredClone(value) as Json;
	const places: { holder: Json[] | { [key: string]: Json }; key: string | number }[] = [];
	const walk = (node: Json) => {
		if (node === null || typeof node !== 'object') return;
		const keys: (string | number)[] = Array.isArray(node) ? [...node.keys()] : Object.keys(node);
		for (const key of keys) {
			places.push({ holder: node, key });
			walk((node as Record<string | number, Json>)[key]);
		}
	};
	walk(copy);
	for (let k = 0; k < 1 + rng.uniform() * 2; k++) {
		if (places.length === 0) return pick(rng, ODD);
		const { holder, key } = pick(rng, places);
		const at = holder as Record<string | number, Json>;
		const inside = at[key];
		// Half of the changes stay plausible, so that what computes is reached, and not only what checks.
		if (rng.uniform() < 0.5) {
			gentle(holder, key, rng);
			continue;
		}
		const how = rng.uniform();
		if (how < 0.5) at[key] = pick(rng, ODD) as Json;
		else if (how < 0.65 && !Array.isArray(holder)) delete holder[String(key)];
		else if (how < 0.8 && typeof inside === 'number') at[key] = inside * pick(rng, [-1, 0, 1e-6, 1e6, 1e300]);
		else if (Array.isArray(inside))
			at[key] = pick(rng, [
				inside.slice(0, 1),
				[...inside, ...inside],
				inside.toReversed(),
				inside.map(() => inside[0]),
			]);
		else at[key] = [inside];
	}
	return copy;
}

const TOKENS = [
	...[
		'NaN',
		'1e999',
		'-',
		',',
		',,',
		';',
		'\t',
		'"',
		"'",
		'<',
		'>',
		'&',
		'\u0000',
		'\ufeff',
		'\r',
		'\n',
		'\n\n',
		'$GPGGA',
		'*00',
	],
	...['</trkpt>', '{', '}', '[', ']', '९', '1,5', '99999999999999999999', 'é', '\u202e', '#', '//'],
];

/** The text with up to five slips: letters taken out or put in, lines doubled, dropped or exchanged, the end cut off. */
function slipped(text: string, rng: Rng): string {
	let out = text;
	for (let k = 0; k < 1 + rng.uniform() * 2; k++) {
		const at = Math.floor(rng.uniform() * (out.length + 1));
		const how = rng.uniform();
		if (how < 0.35) out = out.slice(0, at) + pick(rng, TOKENS) + out.slice(at);
		else if (how < 0.55) out = out.slice(0, at) + out.slice(at + 1 + Math.floor(rng.uniform() * 8));
		else if (how < 0.7) out = out.slice(0, at);
		else {
			const lines = out.split('\n');
			const [i, j] = [0, 0].map(() => Math.floor(rng.uniform() * lines.length));
			if (how < 0.8) lines.splice(i, 0, lines[j]);
			else if (how < 0.9) lines.splice(i, 1);
			else [lines[i], lines[j]] = [lines[j], lines[i]];
			out = lines.join('\n');
		}
	}
	return out;
}

interface Tally {
	answered: number;
	refused: number;
	slowest: number;
	faults: string[];
}
const tally = (): Tally => ({ answered: 0, refused: 0, slowest: 0, faults: [] });
const row = (what: string, { answered, refused, slowest, faults }: Tally) => ({
	what,
	answered,
	'refused by name': refused,
	'slowest, ms': Number(slowest.toFixed(0)),
	faults: faults.length,
});

/** Bodies of a real size, where an example only shows the shape. */
function bodyOf(path: RoutePath, example: unknown): unknown {
	if (path !== 'hover/review') return example;
	const { log } = rigHover(7, NO_FAULTS, { durationS: 30, rateHz: 4 });
	const { t, north, east, up } = log;
	return { hold: 'position', track: { t, north, east, up }, heading: { t, deg: log.headingDeg } };
}

async function fuzzRoute(path: RoutePath, rng: Rng): Promise<Tally> {
	const found = tally();
	const { body, exampleQuery = {}, answer } = routeOf(path);
	const example = body.kind === 'json' ? bodyOf(path, body.example) : null;
	for (let k = 0; k < TRIES; k++) {
		const query = rng.uniform() < 0.3 ? (mutated(exampleQuery, rng) as Record<string, string>) : exampleQuery;
		const sent =
			body.kind === 'json'
				? pick(rng, [
						() => JSON.stringify(legalRequest(body.schema, rng)),
						() => JSON.stringify(mutated(example, rng)),
						() => JSON.stringify(mutated(example, rng)),
						() => slipped(JSON.stringify(example), rng),
					])()
				: body.kind === 'text'
					? slipped(body.example, rng)
					: body.kind === 'picture'
						? String.fromCharCode(...Array.from({ length: 200 }, () => Math.floor(256 * rng.uniform())))
						: '';
		const from = performance.now();
		const say = (what: string) => found.faults.push(`${path}: ${what}: ${sent.slice(0, 200)} ${JSON.stringify(query)}`);
		try {
			const { status, json } = await answerOf({ route: path, query, bytes: new TextEncoder().encode(sent) });
			const parsed: unknown = JSON.parse(json);
			if (status === 200) {
				found.answered += 1;
				const checked = answer.safeParse(parsed);
				if (!checked.success) say(`answer is not of its shape: ${checked.error.issues[0].path.join('.')}`);
			} else {
				found.refused += 1;
				const { error } = parsed as { error?: { code?: string; path?: string; message?: string } };
				if (!error?.code || !error.message || error.path === undefined) say('refused without code, path or message');
			}
		} catch (error) {
			say(`threw ${error instanceof Error ? `${error.name} ${error.message}` : String(error)}`);
		}
		const took = performance.now() - from;
		found.slowest = Math.max(found.slowest, took);
		if (took > MOST_MS) say(`took ${took.toFixed(0)} ms`);
	}
	return found;
}

const HOME = { latDeg: 54.2, lonDeg: -3.06 };
const IMPORTERS: readonly { what: string; of: string; read: (text: string, name: string) => unknown }[] = [
	{ what: 'a table', of: 'tables', read: readTable },
	{ what: 'a track', of: 'tracks', read: readTrack },
	{ what: 'obstacles', of: 'obstacles', read: (text, name) => readObstacles(text, name, HOME) },
	{ what: 'a settings sheet', of: 'settings', read: readSettings },
	{ what: 'a checklist file', of: 'lists', read: readListFile },
	{ what: 'a receiver’s log', of: 'receiver', read: (text) => readEpochs(text) },
];

function fuzzImporter({ of, read }: (typeof IMPORTERS)[number], rng: Rng): Tally {
	const found = tally();
	for (const { name, text } of CORPUS[of]) {
		try {
			read(text, name);
		} catch (error) {
			found.faults.push(`the corpus itself is refused: ${String(error)}: ${text.slice(0, 80)}`);
		}
	}
	for (let k = 0; k < 4 * TRIES; k++) {
		const { name, text: whole } = pick(rng, CORPUS[of]);
		const text = slipped(whole, rng);
		const from = performance.now();
		try {
			read(text, name);
			found.answered += 1;
		} catch (error) {
			if (error instanceof InputError && error.message !== '') found.refused += 1;
			else
				found.faults.push(
					`threw ${error instanceof Error ? `${error.name} ${error.message}` : String(error)}: ${text.slice(0, 200)}`,
				);
		}
		found.slowest = Math.max(found.slowest, performance.now() - from);
	}
	return found;
}

/** Legal requests, slips and odd values into every route and importer: each is answered, or refused by name; nothing throws, nothing hangs. */
export async function benchFuzz(): Promise<void> {
	const rng = seededRng(20261126);
	const rows = [];
	const faults: string[] = [];
	for (const path of Object.keys(ROUTES) as RoutePath[]) {
		const found = await fuzzRoute(path, rng);
		rows.push(row(path, found));
		faults.push(...found.faults);
	}
	for (const importer of IMPORTERS) {
		const found = fuzzImporter(importer, rng);
		rows.push(row(importer.what, found));
		faults.push(...found.faults);
	}
	report(
		`Legal requests, slips and odd values, ${TRIES} a route and ${4 * TRIES} an importer (bar: no fault, none over ${MOST_MS} ms)`,
		rows,
	);
	for (const fault of faults.slice(0, 20)) console.log(fault);
	if (faults.length > 0) process.exitCode = 1;
}
