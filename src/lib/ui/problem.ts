import { z } from 'zod';

const NOTHING = 'Nothing was recorded.';

/** Errors of the browser's storage by name, with what to do. */
const STORAGE: Record<string, string> = {
	QuotaExceededError: `The storage of this device is full. ${NOTHING} Free space on the device, or export and delete old sessions, then try again.`,
	MissingAPIError: `This browser stores no data for this site. ${NOTHING} Use another browser, or allow site data in its settings.`,
	SecurityError: `This browser refuses to store data for this site. ${NOTHING} Allow site data in its settings, or leave private browsing.`,
	OpenFailedError: `The data on this device cannot be opened. ${NOTHING} Close other tabs of Winglogos and reload the page.`,
	VersionError: `A newer version of Winglogos wrote the data on this device. ${NOTHING} Reload the page to get it.`,
	DatabaseClosedError: `The data on this device were closed or deleted in another tab. ${NOTHING} Reload the page.`,
	InvalidStateError: `The data on this device were closed or deleted in another tab. ${NOTHING} Reload the page.`,
	StoreTimeoutError: `The data on this device do not answer. ${NOTHING} Close other tabs of Winglogos and reload the page.`,
};

/** Names that other parts of a browser raise too: they are about storage only behind an error of the store. */
const AMBIGUOUS = ['SecurityError', 'InvalidStateError'];

/** Names of an error and of those behind it, outermost first. */
function namesOf(error: unknown): string[] {
	if (!(error instanceof Error || error instanceof DOMException)) return [];
	const inner = 'inner' in error ? error.inner : error.cause;
	return [error.name, ...namesOf(inner)];
}

/** The message of the error behind all others, on one line. */
function innermost(error: unknown): string {
	if (!(error instanceof Error || error instanceof DOMException)) return String(error);
	const inner = 'inner' in error ? error.inner : error.cause;
	return inner ? innermost(inner) : (error.message.split('\n')[0] ?? '');
}

/** What went wrong and what to do about it, in the words of this product whoever raised it. */
export function problemWords(error: unknown): string {
	if (error instanceof z.ZodError)
		return `${error.issues.map(({ path, message }) => `${path.join('.') || 'Entry'} ${message}`).join('; ')}. ${NOTHING}`;
	// The error behind an abort or a failed opening says why.
	const known = namesOf(error).findLast((name, depth) => name in STORAGE && (depth > 0 || !AMBIGUOUS.includes(name)));
	if (known === 'OpenFailedError') return `${STORAGE[known] ?? ''} The browser reports: ${innermost(error)}`;
	if (known) return STORAGE[known] ?? '';
	if (!(error instanceof Error)) return String(error);
	return error.message.split('\n')[0] ?? '';
}
