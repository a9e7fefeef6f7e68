import { convert } from 'geo-coordinates-parser';
import { InputError } from '../finding/inputError';

/** Two plain decimal numbers: the commonest form. */
const DECIMALS = /^([+-]?\d{1,3}(?:\.\d+)?)\s*[,;\s]\s*([+-]?\d{1,3}(?:\.\d+)?)$/;
/** Digits of a degree that are kept: a tenth of a metre. */
const DIGITS = 6;

/**
 * A position as people paste it, in decimal degrees, degrees and minutes, or with seconds, with letters or signs: latitude first.
 * @throws InputError where it is no position on Earth.
 */
export function readPosition(text: string): { latDeg: number; lonDeg: number } {
	const plain = DECIMALS.exec(text.trim().replaceAll('−', '-'));
	try {
		const { decimalLatitude: latDeg, decimalLongitude: lonDeg } = plain
			? { decimalLatitude: Number(plain[1]), decimalLongitude: Number(plain[2]) }
			: convert(text.trim(), DIGITS);
		if (Math.abs(latDeg) <= 90 && Math.abs(lonDeg) <= 180) return { latDeg, lonDeg };
	} catch {
		// The package throws for what it cannot read, without saying what: one sentence serves for all.
	}
	throw new InputError(
		'no-position',
		'position',
		`"${text.trim().slice(0, 40)}" is no position. Latitude first, as in 54.2113, -3.0642 or 54°12′40″N 3°3′51″W.`,
	);
}
