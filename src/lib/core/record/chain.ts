import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import canonicalize from 'canonicalize';
import { entrySchema, type Entry, type EntryBody, type SessionPayload } from '../../schema/entries';
import type { Aircraft, Pack, Photo, Session, Site } from '../../schema/records';
import { fieldWords, snapshotOf } from './snapshot';

/** The hash before the first entry of a chain. */
export const CHAIN_START = '0'.repeat(64);

/** An entry as it stands in the store or in a file, whatever has become of it. */
export type Stored = Readonly<Record<string, unknown>>;

/** SHA-256 of text (UTF-8) or bytes, as 64 hexadecimal digits. */
export const sha256Hex = (data: string | Uint8Array): string =>
	bytesToHex(sha256(typeof data === 'string' ? utf8ToBytes(data) : data));

/** Canonical JSON of a value (RFC 8785): one text for one meaning, whatever the order of keys. */
export function canonicalJson(value: unknown): string {
	const text = canonicalize(value);
	if (text === undefined) throw new Error('only JSON values have a canonical form');
	return text;
}

/** What is hashed of a stored entry: all that is stored but the two hashes. Never today's reading of it. */
const contentOf = ({ previous: _, hash: __, ...content }: Stored): Stored => content;

/** hash = SHA-256(previous ‖ canonical entry), previous as its 64 hexadecimal digits. */
export const hashOf = (previous: string, content: Stored): string => sha256Hex(previous + canonicalJson(content));

/** The entry with its place in the chain. */
export function link(previous: string, body: EntryBody): Entry {
	return { ...body, previous, hash: hashOf(previous, body) };
}

/** One place where a chain does not hold, or where something about it is worth knowing. */
export interface ChainRemark {
	/** Number of the entry, from 1; 0 for the session itself. */
	number: number;
	/** "Entry 5", "Entries 5 to 7", "The session". */
	where: string;
	what: string;
}

export interface ChainFinding {
	ok: boolean;
	entries: number;
	broken: ChainRemark[];
	/** True and worth knowing, but no break: clocks that ran backwards, a head that older records did not keep. */
	remarks: ChainRemark[];
}

const entry = (number: number, what: string): ChainRemark => ({ number, where: `Entry ${number}`, what });

function hashHolds(stored: Stored): boolean {
	try {
		return typeof stored.previous === 'string' && hashOf(stored.previous, contentOf(stored)) === stored.hash;
	} catch {
		return false; // what has no canonical form was never written by this application
	}
}

const seqOf = ({ seq }: Stored): number | null =>
	typeof seq === 'number' && Number.isInteger(seq) && seq >= 0 ? seq : null;

/** Whether a stored entry can be read today, and if not, where not. */
export function readEntry(stored: unknown): { entry: Entry } | { fault: string } {
	const parsed = entrySchema.safeParse(stored);
	if (parsed.success) return { entry: parsed.data };
	const [issue] = parsed.error.issues;
	return { fault: `${issue.path.join('.') || 'entry'}: ${issue.message}` };
}

/** The result of one stored row: whether its hash is that of its content, and the entry, or why it cannot be read. */
export interface Examined {
	holds: boolean;
	read: ReturnType<typeof readEntry>;
}

/** The costly part of a verification: a row's hash and its reading. */
export const examine = (row: Stored): Examined => ({ holds: hashHolds(row), read: readEntry(row) });

/** What a session's own entries say that it is: the latest of them; null in records of before they were kept. */
export const headOf = (entries: readonly Entry[]): SessionPayload | null => {
	const last = entries.toSorted((a, b) => a.seq - b.seq).findLast(({ payload }) => payload.kind === 'session');
	return last?.payload.kind === 'session' ? last.payload : null;
};

/** Where a session's own data differ from what its chain says of it. */
function differences(session: Session, head: SessionPayload): string[] {
	const pairs: [string, unknown, unknown][] = [
		['its purpose', session.kind, head.purpose],
		['its title', session.title, head.title],
		['the pilot in command', session.pilot, head.pilot],
		['its start', session.startedAt, head.startedAt],
		['its end', session.endedAt, head.endedAt],
		['the aircraft', session.aircraftId, head.aircraft.id],
		['the place', session.siteId, head.site?.id ?? null],
		['the battery', session.packId, head.pack?.id ?? null],
		['its crew', session.crew ?? [], head.crew ?? []],
		['its occasion', session.occasion ?? '', head.occasion ?? ''],
		['its venue', session.venue ?? '', head.venue ?? ''],
		['its signals', session.signals ?? '', head.signals ?? ''],
	];
	return pairs.filter(([, now, then]) => canonicalJson(now) !== canonicalJson(then)).map(([what]) => what);
}

/** What a session refers to, as it is stored beside its entries. */
export interface Surroundings {
	aircraft: Aircraft | null;
	site: Site | null;
	pack: Pack | null;
	photos: readonly Pick<Photo, 'id' | 'jpeg'>[];
}

const withoutTime = (row: object | null): unknown =>
	row && Object.fromEntries(Object.entries(row).filter(([key]) => key !== 'updatedAt'));

/**
 * Where aircraft, site and battery of a running session differ from what its last entry of itself holds. An ended session keeps its own, and
 * so does one begun before every change of them was an entry.
 */
export function changedRows(
	session: Session,
	head: SessionPayload,
	{ aircraft, site, pack }: Omit<Surroundings, 'photos'>,
): string[] {
	if (session.endedAt !== null || session.kind === 'bench' || !head.follows) return [];
	const pairs: [string, object | null, object | null][] = [
		['The limits and equipment of the aircraft', aircraft && snapshotOf(aircraft), head.aircraft],
		['The site', site, head.site],
		['The battery', pack, head.pack],
	];
	return pairs
		.filter(([, now, then]) => canonicalJson(withoutTime(now)) !== canonicalJson(withoutTime(then)))
		.map(([what]) => what);
}

/** What is damaged where it is stored: of the session itself, and while it runs of what it refers to. */
function unreadableRows(session: Session, around: Surroundings | null): ChainRemark[] {
	const of = (where: string, row: { unreadable?: string[] | undefined } | null): ChainRemark[] =>
		row?.unreadable?.length
			? [{ number: 0, where, what: `damaged in storage: ${row.unreadable.map(fieldWords).join(', ')}` }]
			: [];
	const own = of('The session', session);
	if (!around || session.endedAt !== null) return own;
	return [
		...own,
		...of('The aircraft', around.aircraft),
		...of('The site', around.site),
		...of('The battery', around.pack),
	];
}

const bytesOf = (base64: string): Uint8Array => Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));

/** Hashes of photos by their text: a session is verified after each answer, and its photos do not change. */
const photoHashes = new Map<string, string | null>();
const MOST_HASHES = 60;

/** SHA-256 of the bytes of a photo, as its entry holds it; null where they are no base64. */
export function photoHash(jpeg: string): string | null {
	const known = photoHashes.get(jpeg);
	if (known !== undefined) return known;
	let hash: string | null = null;
	try {
		hash = sha256Hex(bytesOf(jpeg));
	} catch {
		// What is no base64 was never a photo of this application.
	}
	if (photoHashes.size >= MOST_HASHES) photoHashes.clear();
	photoHashes.set(jpeg, hash);
	return hash;
}

/** Photos that entries name and whose bytes are missing or others, each with its entry's number. */
function changedPhotos(entries: readonly Entry[], { photos }: Surroundings): ChainRemark[] {
	return entries.flatMap(({ seq, payload }) => {
		if (payload.kind !== 'photo') return [];
		const stored = photos.find(({ id }) => id === payload.photoId);
		const name = payload.caption ? `its photo "${payload.caption}"` : 'its photo';
		if (!stored) return [entry(seq + 1, `${name} is missing`)];
		return photoHash(stored.jpeg) === payload.sha256 ? [] : [entry(seq + 1, `${name} was changed after it was taken`)];
	});
}

/**
 * Verifies one session's chain over what is stored: every hash and link, no gap in the numbers, no entry that cannot be read, the
 * head that the session remembers, and that the session is still what its own entries say. Names each entry by its number.
 *
 * @param around what the session refers to, compared with what its entries hold of it; null where only the chain is at hand
 * @param examined the result of each row: those who verify again after each entry remember it
 */
export function verifyChain(
	rows: readonly Stored[],
	session: Session,
	around: Surroundings | null = null,
	examined: (row: Stored) => Examined = examine,
): ChainFinding {
	const broken: ChainRemark[] = [];
	const remarks: ChainRemark[] = [];
	const numbered = rows
		.map((row) => ({ row, seq: seqOf(row) }))
		.sort((a, b) => (a.seq ?? Infinity) - (b.seq ?? Infinity));
	const entries: Entry[] = [];
	let previous = CHAIN_START;
	let expected = 0;
	let before: string | null = null;
	for (const { row, seq } of numbered) {
		if (seq === null) {
			broken.push({
				number: 0,
				where: 'An entry without a number',
				what: 'it was put in, or its number was destroyed',
			});
			continue;
		}
		const number = seq + 1;
		if (seq > expected) {
			const [from, to] = [expected + 1, seq];
			broken.push({
				number: from,
				where: from === to ? `Entry ${from}` : `Entries ${from} to ${to}`,
				what: from === to ? 'it is missing' : 'they are missing',
			});
		} else if (seq < expected) broken.push(entry(number, 'it stands twice'));
		else if (row.previous !== previous) broken.push(entry(number, 'it does not follow the entry before it'));
		const { holds, read } = examined(row);
		if (!holds) broken.push(entry(number, 'its content was changed after it was written'));
		if ('fault' in read) broken.push(entry(number, `it cannot be read (${read.fault})`));
		else {
			entries.push(read.entry);
			const { sessionId, aircraftId, at } = read.entry;
			if (sessionId !== session.id || aircraftId !== session.aircraftId)
				broken.push(entry(number, 'it belongs to another session or aircraft'));
			if (before !== null && at < before)
				remarks.push(entry(number, 'its time is before that of the entry before it: a clock was set back'));
			before = at;
		}
		previous = typeof row.hash === 'string' ? row.hash : '';
		expected = Math.max(expected, seq + 1);
	}
	if (previous !== session.head)
		broken.push({
			number: expected + 1,
			where: `After entry ${expected}`,
			what: 'the session remembers another last entry: entries are missing at the end, or were added',
		});
	if (around) broken.push(...changedPhotos(entries, around));
	broken.push(...unreadableRows(session, around));
	if (rows.length === 0)
		broken.push({ number: 0, where: 'The session', what: 'it has no entries, and every session begins with one' });
	const head = headOf(entries);
	if (head) {
		for (const what of differences(session, head))
			broken.push({ number: 0, where: 'The session', what: `${what} is not what its own entries say` });
		for (const where of around ? changedRows(session, head, around) : [])
			broken.push({ number: 0, where, what: 'changed without an entry of the session' });
	} else if (rows.length > 0 && session.kind !== 'bench')
		remarks.push({
			number: 0,
			where: 'The session',
			what: 'begun before its pilot, place and times were kept in the chain: they are not proved by it',
		});
	return { ok: broken.length === 0, entries: rows.length, broken, remarks };
}
