import { examine, type Examined, type Stored } from '$lib/core/record/chain';
import type { Entry } from '$lib/schema/entries';

/** Results of rows examined before, by their whole text: a row that was changed since is examined again. */
const known = new Map<string, { text: string; result: Examined }>();
/** More than the longest sessions have. */
const MOST_KNOWN = 20_000;
/** The page draws and answers after so much work, milliseconds. */
const AT_A_TIME_MS = 12;

/** The result of a row; at once where the same row was examined before. */
export function examined(row: Stored): Examined {
	const text = JSON.stringify(row);
	const id = String(row.id);
	const before = known.get(id);
	if (before?.text === text) return before.result;
	if (known.size >= MOST_KNOWN) known.clear();
	const result = examine(row);
	known.set(id, { text, result });
	return result;
}

/** Examines rows piece by piece, so that a long session blocks no page; the entries among them, in order of their numbers. */
export async function examineAll(rows: readonly Stored[]): Promise<Entry[]> {
	const entries: Entry[] = [];
	let since = performance.now();
	for (const row of rows) {
		const { read } = examined(row);
		if ('entry' in read) entries.push(read.entry);
		if (performance.now() - since < AT_A_TIME_MS) continue;
		await new Promise((resolve) => setTimeout(resolve));
		since = performance.now();
	}
	return entries.sort((a, b) => a.seq - b.seq);
}
