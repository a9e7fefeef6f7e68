import { db } from './db';

/** Why the data on this device could not be read, for the page in view; empty where they could. */
let reason = $state('');

export const storeFailure = {
	get reason() {
		return reason;
	},
	/** Told by every query that fails. */
	tell(error: unknown) {
		const said = error instanceof Error ? error.message || error.name : String(error);
		// What lies behind it follows on further lines, and mostly says the same again.
		[reason] = said.split('\n');
	},
	forget() {
		reason = '';
	},
};

/** Opens the store where it is not open yet. A query that follows its tables is not told that this failed; here it is. */
export const openStore = (): Promise<void> =>
	db.open().then(
		() => undefined,
		(error: unknown) => storeFailure.tell(error),
	);

const answerOf = <T>(request: IDBRequest<T>) =>
	new Promise<T>((resolve, reject) => {
		request.onsuccess = () => resolve(request.result);
		request.onerror = () => reject(request.error ?? new Error('The store does not answer.'));
	});

/**
 * All rows of all tables as they lie there, whatever version wrote them: past every upgrade and check, for when those fail. Rejects
 * where the browser cannot open the store at all.
 */
export async function readRaw(): Promise<Record<string, unknown[]>> {
	db.close({ disableAutoOpen: false });
	const raw = await answerOf(indexedDB.open(db.name));
	try {
		const names = [...raw.objectStoreNames];
		if (names.length === 0) return {};
		const transaction = raw.transaction(names, 'readonly');
		const tables = await Promise.all(
			names.map(async (name) => [name, await answerOf(transaction.objectStore(name).getAll())] as const),
		);
		return Object.fromEntries(tables);
	} finally {
		raw.close();
	}
}
