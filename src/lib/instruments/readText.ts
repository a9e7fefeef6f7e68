import { InputError } from '$lib/core/finding/inputError';

const MIB = 1024 * 1024;
/** The largest log that is read on this device. */
export const MAX_FILE_BYTES = 32 * MIB;

type Utf16 = 'utf-16le' | 'utf-16be';

/** UTF-16 by its byte order mark, as spreadsheets write it; null where there is none. */
const markedAs = ([a, b]: Uint8Array): Utf16 | null =>
	a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : null;

/** So many bytes tell UTF-16 without a mark: one of the two bytes of nearly every letter and digit is zero, and no other text has zeros. */
const LOOKED_AT = 1024;
function unmarkedAs(bytes: Uint8Array): Utf16 | null {
	const head = bytes.subarray(0, LOOKED_AT);
	const zeros = [0, 0];
	head.forEach((byte, i) => (zeros[i % 2] += byte === 0 ? 1 : 0));
	const [even, odd] = zeros.map((count) => count / Math.ceil(head.length / 2));
	if (odd > 0.9 && even < 0.05) return 'utf-16le';
	return even > 0.9 && odd < 0.05 ? 'utf-16be' : null;
}

/**
 * A file's text, of whatever Unicode it tells. Receivers write bytes, not UTF-8: `latin1` keeps one byte one character.
 * @throws InputError naming the file where it is too large or cannot be read.
 */
export async function readText(file: File, encoding: 'utf-8' | 'latin1' = 'utf-8'): Promise<string> {
	if (file.size > MAX_FILE_BYTES)
		throw new InputError(
			'too-large',
			file.name,
			`${file.name} has ${(file.size / MIB).toFixed(0)} MB; up to ${MAX_FILE_BYTES / MIB} MB are read. Cut out the part that matters.`,
		);
	try {
		const bytes = new Uint8Array(await file.arrayBuffer());
		if (bytes.length === 0) throw new InputError('empty', file.name, `${file.name} is empty.`);
		return new TextDecoder(markedAs(bytes) ?? unmarkedAs(bytes) ?? encoding).decode(bytes);
	} catch (error) {
		if (error instanceof InputError) throw error;
		throw new InputError('unreadable', file.name, `${file.name} cannot be read from this device.`);
	}
}
