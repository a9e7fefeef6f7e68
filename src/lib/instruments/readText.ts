import { InputError } from '$lib/core/finding/inputError';

const MIB = 1024 * 1024;
/** The largest log that is read on this device. */
export const MAX_FILE_BYTES = 32 * MIB;

/** UTF-16 by its byte order mark, as spreadsheets write it; null where there is none. */
const markedAs = ([a, b]: Uint8Array): 'utf-16le' | 'utf-16be' | null =>
	a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : null;

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
		return new TextDecoder(markedAs(bytes) ?? encoding).decode(bytes);
	} catch {
		throw new InputError('unreadable', file.name, `${file.name} cannot be read from this device.`);
	}
}
