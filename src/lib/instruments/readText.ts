import { InputError } from '$lib/core/finding/inputError';

const MIB = 1024 * 1024;
/** The largest log that is read on this device. */
export const MAX_FILE_BYTES = 32 * MIB;

/**
 * A file's text. Receivers write bytes, not UTF-8: `latin1` keeps one byte one character.
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
		return new TextDecoder(encoding).decode(await file.arrayBuffer());
	} catch {
		throw new InputError('unreadable', file.name, `${file.name} cannot be read from this device.`);
	}
}
