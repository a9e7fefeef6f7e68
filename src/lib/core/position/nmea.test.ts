import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import { sentence as withChecksum } from '../../rig/receiver';
import { readNmea, type ReadCounts, type Sentence } from './nmea';

interface Read {
	line: number;
	talker: string;
	type: string;
	body: string;
	fields: string[];
}

/** All that is read of a text, taken out of the one sentence that the reader fills again and again. */
function read(text: string): { sentences: Read[]; counts: ReadCounts } {
	const sentences: Read[] = [];
	const counts = readNmea(text, (s) =>
		sentences.push({
			line: s.line,
			talker: s.talker,
			type: s.type,
			body: s.body,
			fields: Array.from({ length: s.count }, (_, k) => s.text(k)),
		}),
	);
	return { sentences, counts };
}

/** What a reader sees of one sentence made of these fields. */
function seen<T>(fields: readonly string[], look: (s: Sentence) => T): T {
	let out: T | undefined;
	readNmea(withChecksum(['GPXYZ', ...fields].join(',')), (s) => (out = look(s)));
	if (out === undefined) throw new Error('The sentence was not read.');
	return out;
}

const field = fc.stringMatching(/^[A-Za-z0-9.+\- ]{0,12}$/);
const fields = fc.array(field, { maxLength: 24 });
const address = fc.constantFrom('GPGGA', 'GNRMC', 'PXABC', 'GLGSV', 'AIVDM', 'X');

describe('a sentence', () => {
	it('is its address and its fields, however it is mixed with others and whichever line ends it has', () => {
		fc.assert(
			fc.property(
				fc.array(fc.tuple(address, fields), { maxLength: 12 }),
				fc.constantFrom('\r\n', '\n', '\r'),
				fc.boolean(),
				(made, end, ended) => {
					const lines = made.map(([name, list]) => withChecksum([name, ...list].join(',')));
					const { sentences, counts } = read(lines.join(end) + (ended ? end : ''));
					expect(counts).toEqual({ sentences: made.length, checksumErrors: 0, withoutChecksum: 0, problems: [] });
					expect(sentences).toEqual(
						made.map(([name, list], k) => ({
							line: k + 1,
							talker: name.length === 5 && name[0] !== 'P' ? name.slice(0, 2) : '',
							type: name.length === 5 && name[0] !== 'P' ? name.slice(2) : name,
							body: list.join(','),
							fields: list,
						})),
					);
				},
			),
		);
	});

	it('with one byte changed on the way is not taken, but its neighbours are', () => {
		fc.assert(
			fc.property(fields, fc.nat(), fc.integer({ min: 1, max: 15 }), (list, at, bits) => {
				const whole = withChecksum(['GPGGA', ...list].join(','));
				const place = 1 + (at % (whole.lastIndexOf('*') - 1));
				const code = whole.charCodeAt(place) ^ bits;
				// What a changed byte turns into a mark or a line's end is another text.
				fc.pre(!'$!*\r\n'.includes(String.fromCharCode(code)));
				const broken = whole.slice(0, place) + String.fromCharCode(code) + whole.slice(place + 1);
				const { sentences, counts } = read([whole, broken, whole].join('\r\n'));
				expect(sentences.map(({ line }) => line)).toEqual([1, 3]);
				expect(counts).toMatchObject({ sentences: 2, checksumErrors: 1 });
				expect(counts.problems).toEqual([{ line: 2, what: 'the checksum is wrong', text: broken.slice(0, 90) }]);
			}),
		);
	});

	it('is found after what was glued before it, and before what follows its checksum', () => {
		fc.assert(
			fc.property(fields, fc.stringMatching(/^[A-Za-z0-9,.]{0,20}$/), (list, stray) => {
				const whole = withChecksum(['GPGGA', ...list].join(','));
				for (const row of [stray + whole, `$GPRMC,${stray}${whole}`, `${whole}${stray}`, `  ${whole}`])
					expect(read(row).sentences).toMatchObject([{ type: 'GGA', fields: list }]);
			}),
		);
	});

	it.each([
		['without a checksum', '$GPGGA,1,2', { withoutChecksum: 1, checksumErrors: 0 }],
		['with half a checksum', '$GPGGA,1,2*4', { withoutChecksum: 1, checksumErrors: 0 }],
		['with a checksum of other letters', '$GPGGA,1,2*ZZ', { withoutChecksum: 1, checksumErrors: 0 }],
		['with another’s checksum', '$GPGGA,1,2*00', { withoutChecksum: 0, checksumErrors: 1 }],
		['that is a comment', '# $GPGGA,1,2*00', { withoutChecksum: 0, checksumErrors: 0 }],
		['that is no sentence', 'GPGGA,1,2', { withoutChecksum: 0, checksumErrors: 0 }],
	])('%s is counted for what it is', (_what, row, counts) => {
		for (const end of ['', '\r\n', '\n', '\r']) {
			const found = read(row + end);
			expect(found.sentences).toEqual([]);
			expect(found.counts).toMatchObject({ sentences: 0, ...counts });
		}
	});

	it('tells the share read, rising, on a long text', () => {
		const shares: number[] = [];
		readNmea(
			Array.from({ length: 20_000 }, (_, k) => withChecksum(`GPXYZ,${k}`)).join('\n'),
			() => undefined,
			(share) => shares.push(share),
		);
		expect(shares).toHaveLength(4);
		expect(shares.toSorted((a, b) => a - b)).toEqual(shares);
		expect(shares.every((share) => share > 0 && share < 1)).toBe(true);
	});
});

describe('a field', () => {
	it('is a number just where it is a plain decimal one', () => {
		fc.assert(
			fc.property(fc.stringMatching(/^ ?[+-]?[0-9]{0,18}[.:e]?[0-9]{0,6} ?$/), (text) => {
				const plain = text.trim();
				const expected = /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : null;
				expect(seen([text], (s) => s.number(0))).toEqual(expected);
			}),
			{ numRuns: 500 },
		);
	});

	it('is a time of day to its last digit', () => {
		const two = (most: number) => fc.integer({ min: 0, max: most });
		const twoDigits = (value: number) => String(value).padStart(2, '0');
		fc.assert(
			fc.property(two(23), two(59), two(60), fc.stringMatching(/^(\.[0-9]{0,6})?$/), (h, m, s, rest) => {
				const text = `${twoDigits(h)}${twoDigits(m)}${twoDigits(s)}${rest}`;
				const seconds = Number(`${s}${rest}`);
				expect(seen([text], (sentence) => sentence.time(0))).toBeCloseTo(h * 3600 + m * 60 + seconds, 9);
			}),
		);
	});

	it.each(['', '1234', '12345', '240000', '126000', '120061', '1200005', '12:00:00', '-20000', '1a0000', '120000.5x'])(
		'%j is no time of day',
		(text) => {
			expect(seen([text], (s) => s.time(0) ?? 'none')).toBe('none');
		},
	);

	it('is an angle with the hemisphere in the field after it', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 0, max: 179 }),
				evenly(0, 59.9999),
				fc.constantFrom('N', 'S', 'E', 'W'),
				(degrees, minutes, side) => {
					const [whole, part] = minutes.toFixed(5).split('.');
					const text = `${String(degrees).padStart(3, '0')}${whole.padStart(2, '0')}.${part}`;
					const expected = (side === 'S' || side === 'W' ? -1 : 1) * (degrees + Number(`${whole}.${part}`) / 60);
					const found = seen([text, side], (s) => s.angle(0, 180) ?? 'none');
					expect(found).toBeCloseTo(expected, 9);
					const beyond = seen([text, side], (s) => s.angle(0, 90) ?? 'none');
					if (Math.abs(expected) > 90) expect(beyond).toBe('none');
				},
			),
		);
	});

	it.each([
		['', 'N'],
		['12', 'N'],
		['5460.0', 'N'],
		['-5412.0', 'N'],
		['5412.0', ''],
		['5412.0', 'X'],
		['5412.0', 'NN'],
		['5412.0 ', 'N'],
		['9100.0', 'N'],
	])('%j %j is no latitude', (text, side) => {
		expect(seen([text, side], (s) => s.angle(0, 90) ?? 'none')).toBe('none');
	});

	it('that is not there is empty: no text, no number, no time, no angle', () => {
		expect(
			seen(['1'], (s) => [
				s.text(1),
				s.number(1),
				s.time(1),
				s.angle(0, 90),
				s.is(1, ''),
				s.span(1, 9),
				s.spans(1, 9, ''),
			]),
		).toEqual(['', null, null, null, false, '', true]);
	});

	it('and its neighbours are compared without being cut out', () => {
		fc.assert(
			fc.property(fc.array(field, { minLength: 3, maxLength: 10 }), fc.nat(9), fc.nat(12), (list, first, before) => {
				const words = list.slice(first, Math.max(first, before)).join(',');
				const [span, same, other] = seen(list, (s) => [
					s.span(first, before),
					s.spans(first, before, words),
					s.spans(first, before, `${words}x`),
				]);
				expect([span, same, other]).toEqual([words, true, false]);
			}),
		);
	});
});
