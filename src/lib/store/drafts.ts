import { KEPT_MS, oneByOne, underwayDb, type Draft } from './underwayDb';

const inTurn = oneByOne();

/** A page that opens waits this long for its drafts, and then goes on without them. */
const OPEN_WITHIN_MS = 3000;

/** All drafts of this device, read when the page was opened: a form is filled in without waiting. */
const drafts = new Map<string, Draft>();
/** The drafts that are not on the disk yet: however fast it is typed, one write of each waits its turn. */
const unwritten = new Set<string>();
let toOthers: BroadcastChannel | null = null;

function setHere(key: string, draft: Draft | null): void {
	if (draft) drafts.set(key, draft);
	else drafts.delete(key);
}

/** Reads what was typed and not saved; resolves where it is read, or cannot be. What other pages type from then on is known here too. */
export async function openDrafts(): Promise<void> {
	const read = inTurn(async () => {
		await underwayDb.drafts
			.where('at')
			.below(Date.now() - KEPT_MS)
			.delete();
		for (const draft of await underwayDb.drafts.toArray()) if (!drafts.has(draft.key)) drafts.set(draft.key, draft);
	});
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
	if (unwritten.has(key)) return;
	unwritten.add(key);
	void inTurn(async () => {
		unwritten.delete(key);
		const latest = drafts.get(key);
		await (latest ? underwayDb.drafts.put(latest) : underwayDb.drafts.delete(key));
	});
}
