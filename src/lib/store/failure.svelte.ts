import { db } from './db';

/** Why the data on this device could not be read, for the page in view; null where they could. */
let error = $state.raw<unknown>(null);

export const storeFailure = {
	get error() {
		return error;
	},
	/** Told by every query that fails. */
	tell(caught: unknown) {
		error = caught;
	},
	forget() {
		error = null;
	},
};

/** An open that takes longer is waited for no more: another tab holds the data, or the disk hangs. */
const OPEN_WITHIN_MS = 5000;
let listening = false;
const named = (name: string) => Object.assign(new Error(name), { name });

/**
 * Opens the store where it is not open yet. A query that follows its tables is not told that this failed, or that it never answers; here it
 * is. From then on it is noticed when another tab deletes or replaces the data.
 */
export function openStore(): Promise<void> {
	const late = setTimeout(() => storeFailure.tell(named('StoreTimeoutError')), OPEN_WITHIN_MS);
	if (!listening) db.on('versionchange', () => storeFailure.tell(named('DatabaseClosedError')));
	listening = true;
	return db.open().then(
		() => {
			clearTimeout(late);
			if (error instanceof Error && error.name === 'StoreTimeoutError') storeFailure.forget();
		},
		(caught: unknown) => {
			clearTimeout(late);
			storeFailure.tell(caught);
		},
	);
}

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
