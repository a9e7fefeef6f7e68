import { describe, expect, it } from 'vitest';
import { firstRows, readTable } from '$lib/core/record/csv';
import { MAX_FILE_BYTES, readText } from './readText';

const text = 't [s],mx [uT]\r\n0,20\r\n0.5,21\r\n';
const utf16 = (value: string, little: boolean) => {
	const bytes = new Uint8Array(2 * value.length);
	const view = new DataView(bytes.buffer);
	[...value].forEach((c, k) => view.setUint16(2 * k, c.charCodeAt(0), little));
	return bytes;
};

describe('the text of a file', () => {
	it.each([
		['UTF-8', new TextEncoder().encode(text)],
		['UTF-16, little end first', utf16(`\ufeff${text}`, true)],
		['UTF-16, big end first', utf16(`\ufeff${text}`, false)],
		['UTF-16 without a mark, little end first', utf16(text, true)],
		['UTF-16 without a mark, big end first', utf16(text, false)],
	])('in %s is the same table', async (_, bytes) => {
		const read = await readText(new File([bytes as BlobPart], 'log.csv'));
		expect(firstRows(readTable(read, 'log.csv'), 10)).toEqual([
			['0', '20'],
			['0.5', '21'],
		]);
	});

	it('that holds nothing is told by name', async () => {
		await expect(readText(new File([], 'a.nmea'), 'latin1')).rejects.toThrow('a.nmea is empty.');
	});

	it('in Latin-1 keeps one byte one character', async () => {
		expect(await readText(new File([new Uint8Array([0x24, 0xb0])], 'a.nmea'), 'latin1')).toBe('$°');
	});

	it('that is too large is refused by name, with its size', async () => {
		const large = { name: 'day.csv', size: MAX_FILE_BYTES + 1e6 } as File;
		await expect(readText(large)).rejects.toThrow(/day\.csv has 33 MB/);
	});
});
