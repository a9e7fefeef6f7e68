import { KEPT_MS, oneByOne, underwayDb, type Draft } from './underwayDb';

const inTurn = oneByOne();

/** A page that opens waits this long for its drafts, and then goes on without them. */
const OPEN_WITHIN_MS = 3000;

/** All drafts of this device, read when the page was opened: a form is filled in without waiting. */
const drafts = new Map<string, Draft>();
/** Changes that are not on the disk yet, null for a draft forgotten: however fast it is typed, one write of each waits its turn. */
const pending = new Map<string, Draft | null>();
/** A page that is loaded again hands the changes of its last moment to the next: no write of the database ends in time. */
const HANDED = 'winglogos-drafts';
let toOthers: BroadcastChannel | null = null;

function setHere(key: string, draft: Draft | null): void {
	if (draft) drafts.set(key, draft);
	else drafts.delete(key);
}

const writeDraft = (key: string, draft: Draft | null): Promise<unknown> =>
	draft ? underwayDb.drafts.put(draft) : underwayDb.drafts.delete(key);

/** Writes the latest of a draft, and again what was typed meanwhile. */
function persist(key: string): void {
	void inTurn(async () => {
		const latest = pending.get(key) ?? null;
		try {
			await writeDraft(key, latest);
		} finally {
			if (pending.get(key) === latest) pending.delete(key);
			else persist(key);
		}
	});
}

function handOver(): void {
	if (pending.size === 0) return;
	try {
		sessionStorage.setItem(HANDED, JSON.stringify([...pending]));
	} catch {
		// A browser that stores none loses the last moment.
	}
}

/** The changes that the page before this one handed over. */
function takeHanded(): [string, Draft | null][] {
	try {
		const handed = JSON.parse(sessionStorage.getItem(HANDED) ?? '[]') as [string, Draft | null][];
		sessionStorage.removeItem(HANDED);
		return handed;
	} catch {
		return []; // none, or no such storage
	}
}

/** Reads what was typed and not saved; resolves where it is read, or cannot be. What other pages type from then on is known here too. */
export async function openDrafts(): Promise<void> {
	const handed = takeHanded();
	for (const [key, draft] of handed) setHere(key, draft);
	const read = inTurn(async () => {
		await underwayDb.drafts
			.where('at')
			.below(Date.now() - KEPT_MS)
			.delete();
		const forgotten = new Set(handed.flatMap(([key, draft]) => (draft ? [] : [key])));
		for (const draft of await underwayDb.drafts.toArray())
			if (!drafts.has(draft.key) && !forgotten.has(draft.key)) drafts.set(draft.key, draft);
		for (const [key, draft] of handed) await writeDraft(key, draft);
	});
	if (typeof addEventListener !== 'undefined') addEventListener('pagehide', handOver);
	if (!toOthers && typeof BroadcastChannel !== 'undefined') {
		toOthers = new BroadcastChannel('winglogos-drafts');
		toOthers.onmessage = ({ data }: MessageEvent<{ key: string; draft: Draft | null }>) =>
			setHere(data.key, data.draft);
	}
	await Promise.race([read, new Promise((resolve) => setTimeout(resolve, OPEN_WITHIN_MS))]);
}

/** What was typed and not saved, if it is not too old; null where there is none. `now` in milliseconds. */
export function recallDraft(key: string, now: number): unknown {
	const draft = drafts.get(key);
	if (!draft || now - draft.at >= KEPT_MS) return null;
	try {
		return JSON.parse(draft.text);
	} catch {
		return null; // unreadable drafts are no drafts
	}
}

/** Keeps a draft, written at once; an empty one, null, is forgotten. What is recorded does not depend on it: a store that is full keeps none. */
export function rememberDraft(key: string, value: unknown, now: number): void {
	const draft = value === null ? null : { key, at: now, text: JSON.stringify(value) };
	setHere(key, draft);
	toOthers?.postMessage({ key, draft });
	const waits = pending.has(key);
	pending.set(key, draft);
	if (!waits) persist(key);
}
