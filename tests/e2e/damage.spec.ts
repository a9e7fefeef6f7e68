import { expect, test, type Page } from '@playwright/test';
import { openDemo } from './support';

/** `DAMAGE=400 npx playwright test damage` tries more places than every run of the tests does. */
const TRIES = Number(process.env.DAMAGE ?? 12);

type Row = Record<string, unknown> & { id: string };
type Table = 'sessions' | 'aircraft' | 'sites' | 'packs' | 'entries' | 'photos';
/** Rows of one table as they are from now on; null takes a row away. */
interface Damage {
	name: string;
	table: Table;
	rows: (Row | { id: string; gone: true })[];
}

const SESSION = 'demo-open';
const INDEXED: Record<Table, readonly string[]> = {
	sessions: ['id', 'startedAt', 'aircraftId'],
	aircraft: ['id'],
	sites: ['id'],
	packs: ['id', 'aircraftId'],
	entries: ['id', 'sessionId', 'aircraftId', 'seq', 'at'],
	photos: ['id', 'of'],
};

const rowsOf = (page: Page, table: Table): Promise<Row[]> =>
	page.evaluate(async (name) => {
		const open = indexedDB.open('winglogos');
		await new Promise((resolve) => (open.onsuccess = resolve));
		const all = open.result.transaction(name).objectStore(name).getAll();
		await new Promise((resolve) => (all.onsuccess = resolve));
		open.result.close();
		return JSON.parse(JSON.stringify(all.result)) as Row[];
	}, table);

const write = (page: Page, { table, rows }: Pick<Damage, 'table' | 'rows'>): Promise<void> =>
	page.evaluate(
		async ([name, changed]) => {
			const open = indexedDB.open('winglogos');
			await new Promise((resolve) => (open.onsuccess = resolve));
			const change = open.result.transaction(name, 'readwrite');
			for (const row of changed)
				if ('gone' in row) change.objectStore(name).delete(row.id);
				else change.objectStore(name).put(row);
			await new Promise((resolve) => (change.oncomplete = resolve));
			open.result.close();
		},
		[table, rows] as const,
	);

/** Every place of a row that is no index of the store. */
function placesOf(value: unknown, path: string[] = []): string[][] {
	if (!value || typeof value !== 'object') return [];
	return Object.entries(value).flatMap(([key, each]) => [[...path, key], ...placesOf(each, [...path, key])]);
}

function damaged(row: Row, path: readonly string[], by: unknown): Row {
	const copy = structuredClone(row);
	const parent = path.slice(0, -1).reduce<Record<string, unknown>>((part, key) => part[key] as never, copy);
	const last = path[path.length - 1];
	if (by === undefined) delete parent[last];
	else parent[last] = by;
	return copy;
}

/** Numbers from 0 to 1, the same in every run. */
function numbers(seed: number): () => number {
	let state = seed;
	return () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
}

const isOfSession = ({ sessionId }: Row) => sessionId === SESSION;

async function damages(page: Page): Promise<{ all: Damage[]; whole: Map<Table, Row[]> }> {
	const tables = Object.keys(INDEXED) as Table[];
	const whole = new Map<Table, Row[]>();
	for (const table of tables) whole.set(table, await rowsOf(page, table));
	const of = (table: Table) => whole.get(table) ?? [];
	const session = of('sessions').find(({ id }) => id === SESSION);
	if (!session) throw new Error('The demo has no running session.');
	const entries = of('entries')
		.filter(isOfSession)
		.sort((a, b) => Number(a.seq) - Number(b.seq));
	const foreign = of('entries').find((entry) => !isOfSession(entry));
	const about = [session.aircraftId, session.siteId, session.packId];
	const one = (name: string, table: Table, ...rows: Damage['rows']): Damage => ({ name, table, rows });
	const named = [
		one('a number doubled', 'entries', { ...entries[5], seq: entries[4].seq }),
		one('a copy put in', 'entries', { ...entries[5], id: 'copy' }),
		...(foreign
			? [one('an entry of another session', 'entries', { ...foreign, id: 'moved', sessionId: SESSION })]
			: []),
		one('an entry without a number', 'entries', { ...entries[5], seq: null }),
		one('an entry without content', 'entries', { ...entries[5], payload: null }),
		one('an entry of an unknown kind', 'entries', { ...entries[5], payload: { kind: 'unknown' } }),
		one('no entry', 'entries', ...entries.map(({ id }) => ({ id, gone: true as const }))),
		one('a second person of an unknown role', 'sessions', { ...session, crew: [{ name: 'Tam', role: 'unknown' }] }),
		one('a session without its place', 'sessions', damaged(session, ['place'], undefined)),
		one('no aircraft', 'aircraft', { id: String(session.aircraftId), gone: true }),
		one('no site', 'sites', { id: String(session.siteId), gone: true }),
		one('no battery', 'packs', { id: String(session.packId), gone: true }),
		...of('photos').flatMap((photo) => [
			one('no photo', 'photos', { id: photo.id, gone: true }),
			one('a photo without bytes', 'photos', { ...photo, jpeg: null }),
		]),
	];
	const next = numbers(Number(process.env.SEED ?? 11));
	const pick = <T>(all: readonly T[]): T => all[Math.floor(next() * all.length)];
	const random = Array.from({ length: TRIES }, (): Damage => {
		const table = pick(tables.filter((name) => of(name).length > 0));
		const row =
			table === 'entries'
				? pick(entries)
				: table === 'sessions'
					? session
					: (of(table).find(({ id }) => about.includes(id)) ?? of(table)[0]);
		const path = pick(placesOf(row).filter(([field]) => !INDEXED[table].includes(field)));
		const by = pick([undefined, null, '?', -1, 1e300, [], {}, true]);
		return one(`${path.join('.')} of ${table} is ${JSON.stringify(by)}`, table, damaged(row, path, by));
	});
	return { all: [...named, ...random], whole };
}

/** Goes there within the application, and waits until the page has read what it shows. */
async function visit(page: Page, path: string): Promise<string> {
	for (const to of ['/instruments/flow', path]) {
		await page.evaluate((href) => {
			const link = document.body.appendChild(document.createElement('a'));
			link.href = href;
			link.click();
			link.remove();
		}, to);
		await expect(page).toHaveURL(to);
	}
	const heading = page.getByRole('heading', { level: 1 });
	try {
		await expect(heading).not.toHaveText(/^Reading|optical flow/i);
		return (await heading.textContent()) ?? '';
	} catch {
		return `waits for ever: ${await page.getByRole('main').innerText()}`;
	}
}

test('no page fails on damaged records: each shows what is left, and says what is wrong', async ({ page }) => {
	await openDemo(page);
	const errors: string[] = [];
	page.on('pageerror', ({ message }) => errors.push(message));
	const { all, whole } = await damages(page);
	test.setTimeout(60_000 + all.length * 12_000);
	const session = whole.get('sessions')?.find(({ id }) => id === SESSION);
	const ofSession = ['sheet', 'arm', 'fly', 'plan', 'hover/hover'].map((station) => `/session/${SESSION}/${station}`);
	const ofAircraft = ['', '/due', '/trends', '/checklist', '/settings'].map(
		(part) => `/aircraft/${String(session?.aircraftId)}${part}`,
	);
	const [report, arm] = ofSession;
	const PAGES: Record<Table, string[]> = {
		sessions: [...ofSession, '/logbook', '/'],
		entries: [...ofSession, ofAircraft[0], '/logbook'],
		photos: [report],
		aircraft: [...ofAircraft, report, arm, '/tomorrow', '/'],
		packs: [ofAircraft[0], report, arm, '/tomorrow'],
		sites: [report, arm, '/sites', '/tomorrow'],
	};
	const failures: string[] = [];
	for (const damage of all) {
		await write(page, damage);
		for (const path of PAGES[damage.table]) {
			const title = await visit(page, path);
			if (/cannot be (shown|read)|^waits/.test(title) || errors.length > 0)
				failures.push(`${damage.name}, ${path}: ${title} ${errors.splice(0).join(' ')}`);
			if (path !== report || damage.table !== 'entries') continue;
			const saved = page.waitForEvent('download');
			await page.getByRole('button', { name: 'Save as PDF' }).click();
			expect(await (await saved).failure()).toBeNull();
		}
		const ids = new Set(damage.rows.map(({ id }) => id));
		const before = (whole.get(damage.table) ?? []).filter(({ id }) => ids.has(id));
		const added = [...ids].filter((id) => before.every((row) => row.id !== id));
		await write(page, { table: damage.table, rows: [...before, ...added.map((id) => ({ id, gone: true as const }))] });
	}
	expect(failures).toEqual([]);
});
