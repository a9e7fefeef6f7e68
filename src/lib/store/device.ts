const KEY = 'winglogos-device';

/** A name of this device for what is kept apart by device; made once, not a secret, nothing of the pilot's. */
export function deviceId(): string {
	try {
		const kept = localStorage.getItem(KEY);
		if (kept) return kept;
		const made = [...crypto.getRandomValues(new Uint8Array(4))].map((b) => b.toString(16).padStart(2, '0')).join('');
		localStorage.setItem(KEY, made);
		return made;
	} catch {
		return 'this'; // blocked site data: one book for all
	}
}

let asked = false;

/** Asks the browser, once, not to clear what is stored when space is short; with the first thing that is worth keeping. */
export function askToKeep(): void {
	if (asked || typeof navigator === 'undefined' || !navigator.storage?.persist) return;
	asked = true;
	navigator.storage.persist().catch(() => {
		// Refused: the Data page says that it may be cleared.
	});
}

export interface StorageTold {
	/** Whether the browser keeps it until the user clears it; null where it does not tell. */
	kept: boolean | null;
	usedBytes: number | null;
	freeBytes: number | null;
}

/** What the browser tells of the space that this takes. */
export async function storageTold(): Promise<StorageTold> {
	const storage = typeof navigator === 'undefined' ? undefined : navigator.storage;
	const [kept, { usage = null, quota = null }] = await Promise.all([
		storage?.persisted?.() ?? null,
		storage?.estimate?.() ?? ({} as StorageEstimate),
	]);
	return { kept, usedBytes: usage, freeBytes: usage === null || quota === null ? null : quota - usage };
}
