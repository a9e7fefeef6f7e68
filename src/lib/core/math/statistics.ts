/** Brings the k-th smallest value to place k, smaller ones before it, larger ones after (Hoare's selection). */
function select(a: Float64Array, k: number): number {
	let low = 0;
	let high = a.length - 1;
	while (low < high) {
		const pivot = a[(low + high) >> 1];
		let i = low;
		let j = high;
		while (i <= j) {
			while (a[i] < pivot) i++;
			while (a[j] > pivot) j--;
			if (i <= j) {
				const held = a[i];
				a[i++] = a[j];
				a[j--] = held;
			}
		}
		if (k <= j) high = j;
		else if (k >= i) low = i;
		else break;
	}
	return a[k];
}

/** Value at quantile q (0..1) by linear interpolation between order statistics; NaN for no values. */
export const quantile = (values: ArrayLike<number>, q: number): number => quantileOfOwn(new Float64Array(values), q);

/** The quantile of values that may be put into another order. */
function quantileOfOwn(a: Float64Array, q: number): number {
	if (a.length === 0) return NaN;
	const at = q * (a.length - 1);
	const low = Math.floor(at);
	const lower = select(a, low);
	if (at === low) return lower;
	let upper = Infinity;
	for (let i = low + 1; i < a.length; i++) if (a[i] < upper) upper = a[i];
	return lower + (at - low) * (upper - lower);
}

/** The middle value, the mean of the two middle ones for an even count; NaN for none. */
export const median = (values: ArrayLike<number>): number => quantile(values, 0.5);

/** The arithmetic mean; NaN for none. */
export function mean(values: ArrayLike<number>): number {
	let sum = 0;
	for (let i = 0; i < values.length; i++) sum += values[i];
	return sum / values.length;
}

/** Standard deviation about the mean, divisor n. */
export function standardDeviation(values: ArrayLike<number>): number {
	const m = mean(values);
	let sum = 0;
	for (let i = 0; i < values.length; i++) sum += (values[i] - m) ** 2;
	return Math.sqrt(sum / values.length);
}

/** Median absolute deviation about `centre`, scaled to the standard deviation of a normal distribution (×1.4826). */
export function robustSigma(values: ArrayLike<number>, centre: number = median(values)): number {
	const deviations = new Float64Array(values.length);
	for (let i = 0; i < values.length; i++) deviations[i] = Math.abs(values[i] - centre);
	return 1.4826 * quantileOfOwn(deviations, 0.5);
}

/** Least-squares line through (t, y): slope per unit of t, value at the mean t. */
export function line(t: ArrayLike<number>, y: ArrayLike<number>): { slope: number; mean: number; meanT: number } {
	const meanT = mean(t);
	const meanY = mean(y);
	let top = 0;
	let bottom = 0;
	for (let i = 0; i < t.length; i++) {
		top += (t[i] - meanT) * (y[i] - meanY);
		bottom += (t[i] - meanT) ** 2;
	}
	return { slope: bottom > 0 ? top / bottom : 0, mean: meanY, meanT };
}

/** y with its least-squares line taken out. */
export function detrend(t: ArrayLike<number>, y: ArrayLike<number>): Float64Array {
	const fit = line(t, y);
	return Float64Array.from({ length: t.length }, (_, i) => y[i] - fit.mean - fit.slope * (t[i] - fit.meanT));
}
