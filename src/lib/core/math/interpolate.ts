/** Values of a column at increasing times `at` by linear interpolation; the ends are held. `t` must increase. */
export function interpolate(t: ArrayLike<number>, values: ArrayLike<number>, at: ArrayLike<number>): Float64Array {
	const out = new Float64Array(at.length);
	if (t.length < 2) return out.fill(values[0]);
	let k = 0;
	for (let i = 0; i < at.length; i++) {
		while (k < t.length - 2 && t[k + 1] < at[i]) k++;
		const s = Math.max(0, Math.min(1, (at[i] - t[k]) / (t[k + 1] - t[k])));
		out[i] = values[k] + s * (values[k + 1] - values[k]);
	}
	return out;
}
