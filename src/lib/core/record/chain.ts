import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import canonicalize from 'canonicalize';
import { entryBodySchema, type Entry, type EntryBody } from '../../schema/records';

/** The hash before the first entry of a chain. */
export const CHAIN_START = '0'.repeat(64);

/** SHA-256 of text (UTF-8) or bytes, as 64 hexadecimal digits. */
export const sha256Hex = (data: string | Uint8Array): string =>
	bytesToHex(sha256(typeof data === 'string' ? utf8ToBytes(data) : data));

/** Canonical JSON of a value (RFC 8785): one text for one meaning, whatever the order of keys. */
export function canonicalJson(value: unknown): string {
	const text = canonicalize(value);
	if (text === undefined) throw new Error('only JSON values have a canonical form');
	return text;
}

/** hash = SHA-256(previous ‖ canonical entry), previous as its 64 hexadecimal digits. */
export const hashOf = (previous: string, body: EntryBody): string => sha256Hex(previous + canonicalJson(body));

/** The entry with its place in the chain. */
export function link(previous: string, body: EntryBody): Entry {
	return { ...body, previous, hash: hashOf(previous, body) };
}

/** What is hashed of a stored entry: its body without the two hashes. */
export const bodyOf = (entry: Entry): EntryBody => entryBodySchema.parse(entry);

export interface ChainFinding {
	ok: boolean;
	entries: number;
	/** Each place where the chain does not hold, with the entry's number and what is wrong. */
	broken: { seq: number; what: string }[];
}

/**
 * Verifies one session's chain: every hash, every link, no gap in the numbers, and the head that the session remembers.
 * Says which entry was changed, removed or put in.
 */
export function verifyChain(entries: readonly Entry[], head: string): ChainFinding {
	const sorted = entries.toSorted((a, b) => a.seq - b.seq);
	const broken: ChainFinding['broken'] = [];
	let previous = CHAIN_START;
	sorted.forEach((entry, k) => {
		if (entry.seq !== k)
			broken.push({ seq: entry.seq, what: `entry ${k + 1} is missing, or entry ${entry.seq + 1} stands twice` });
		if (entry.previous !== previous) broken.push({ seq: entry.seq, what: 'it does not follow the entry before it' });
		if (hashOf(entry.previous, bodyOf(entry)) !== entry.hash)
			broken.push({ seq: entry.seq, what: 'its content was changed after it was written' });
		previous = entry.hash;
	});
	if (previous !== head)
		broken.push({ seq: sorted.length, what: 'the last entry is not the one the session remembers' });
	return { ok: broken.length === 0, entries: sorted.length, broken };
}
