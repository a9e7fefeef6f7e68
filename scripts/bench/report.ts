/** Prints a table under a heading. */
export function report(title: string, rows: Record<string, string | number>[]): void {
	console.log(`\n${title}`);
	console.table(rows);
}

/** Median time of a call in milliseconds, after warming up. */
export function timeMs(call: () => unknown, runs = 15): number {
	for (let k = 0; k < 5; k++) call();
	const times = Array.from({ length: runs }, () => {
		const from = performance.now();
		call();
		return performance.now() - from;
	});
	return times.sort((a, b) => a - b)[Math.floor(runs / 2)];
}

export const rms = (values: number[]): number => Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / values.length);
