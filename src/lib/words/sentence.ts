import { toUnit, unitSymbol, type Quantity, type UnitSystem } from './units';

/** Units of the core that a pilot may wish to read in others; degrees Celsius stay: some are temperatures, others differences of them. */
export const SPOKEN: Readonly<Record<string, Quantity | undefined>> = { m: 'height', 'm/s': 'speed' };
/** A number or a span of numbers with metres or metres a second behind it. */
const MEASURE = /(?<![\w.])(\d+(?:\.\d+)?)(?: (to|and|or) (\d+(?:\.\d+)?))? (m\/s|m)(?![\w/²³])/g;
/** One digit alone would round a foot to three. */
const LEAST_DIGITS = 2;

/** A figure in another unit with as many digits as it was told with. */
function converted(told: string, quantity: Quantity, units: UnitSystem): string {
	const digits = told.replace('.', '').replace(/^0+/, '').length;
	return String(Number(toUnit(Number(told), quantity, units).toPrecision(Math.max(LEAST_DIGITS, digits))));
}

/**
 * A sentence of the core, which speaks in metres and metres a second, in the pilot's units. What has other units already stays as it
 * is, so that a sentence may pass twice.
 */
export function sentenceIn(text: string, units: UnitSystem): string {
	return text.replace(
		MEASURE,
		(whole, first: string, word: string | undefined, second: string | undefined, unit: string) => {
			const quantity = SPOKEN[unit];
			if (!quantity) return whole;
			const symbol = unitSymbol(quantity, units);
			if (symbol === unit) return whole;
			const numbers = [first, second]
				.filter((told) => told !== undefined)
				.map((told) => converted(told, quantity, units));
			return `${numbers.join(` ${word} `)} ${symbol}`;
		},
	);
}
