/** Decimals beyond which nothing is written. */
const MOST_DECIMALS = 9;

/** Decimals that an uncertainty leaves: to its first digit, to its second where the first is a one. */
export function decimalsOf(sigma: number): number {
	const place = Math.floor(Math.log10(sigma));
	const leads = Number((sigma / 10 ** place).toPrecision(2));
	return Math.max(0, Math.min(MOST_DECIMALS, (leads < 2 ? 1 : 0) - place));
}

const signed = (value: number, decimals: number): string => {
	const text = Math.abs(value).toFixed(decimals);
	return value < 0 && Number(text) !== 0 ? `−${text}` : text;
};

/**
 * A figure as it is written: as many decimals as its uncertainty leaves; where none is told, as many as are asked for. Minus is
 * a minus sign; what does not exist is a dash.
 */
export function showFigure(
	value: number | null,
	sigma: number | null | undefined,
	digits = 2,
): { value: string; sigma: string } {
	const known = typeof sigma === 'number' && Number.isFinite(sigma) && sigma > 0;
	const decimals = known ? decimalsOf(sigma) : digits;
	return {
		value: value === null || !Number.isFinite(value) ? '–' : signed(value, decimals),
		sigma: known ? sigma.toFixed(decimals) : '',
	};
}

/** Digits of the largest value of a column whose uncertainty is not told. */
const COLUMN_DIGITS = 3;

/** Decimals that the figures of a column share: none where all are whole, else three digits of the largest. */
export function columnDecimals(values: readonly number[]): number {
	const seen = values.filter((v) => Number.isFinite(v) && v !== 0);
	if (seen.every((v) => Number.isInteger(v))) return 0;
	const largest = seen.reduce((high, v) => Math.max(high, Math.abs(v)), 0);
	return Math.max(0, Math.min(MOST_DECIMALS, COLUMN_DIGITS - 1 - Math.floor(Math.log10(largest))));
}

/** A number as it is read where its uncertainty is not told: three significant digits, no exponent for everyday sizes. */
export function showNumber(value: number): string {
	const size = Math.abs(value);
	const digits = () => {
		if (Number.isInteger(value) && size < 1e6) return String(size);
		if (size >= 100) return size.toFixed(0);
		if (size >= 10) return size.toFixed(1);
		return size >= 0.1 ? size.toFixed(2) : size.toPrecision(2);
	};
	return `${value < 0 ? '−' : ''}${digits()}`;
}

/** A value beside its limit: no finer than a tenth of the limit's second digit, for what is far below it needs no digits. */
export function showBeside(value: number, limit: number | undefined): string {
	if (!limit || Number.isInteger(value)) return showNumber(value);
	const decimals = Math.max(0, Math.min(MOST_DECIMALS, 2 - Math.floor(Math.log10(Math.abs(limit)))));
	const text = signed(value, decimals);
	return text.length < showNumber(value).length ? text : showNumber(value);
}

/** A share as a percentage. */
export const showShare = (share: number): string => `${(100 * share).toFixed(share < 0.1 ? 1 : 0)} %`;

/** A figure in a line of several: its name, its value with as many digits as it earns, its uncertainty and unit. */
export function figureWords(figure: {
	label: string;
	value: number | null;
	unit: string;
	sigma?: number | null | undefined;
}): string {
	const { label, value, unit, sigma } = figure;
	const shown = sigma ? showFigure(value, sigma) : { value: value === null ? '–' : showNumber(value), sigma: '' };
	const number = shown.sigma === '' ? shown.value : `${shown.value} ± ${shown.sigma}`;
	return `${label} ${number}${unit === '' || unit === '°' ? unit : ` ${unit}`}`;
}

/** A difference with its sign: "+4", "−0.5". */
export const showSigned = (value: number, digits = 0): string =>
	`${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(digits)}`;
