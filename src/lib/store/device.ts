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
