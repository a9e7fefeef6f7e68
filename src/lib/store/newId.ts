/** A new identifier: random, also where the browser has no secure context. */
export function newId(): string {
	const bytes = crypto.getRandomValues(new Uint8Array(12));
	return [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');
}
