/** Prints a table under a heading. */
export function report(title: string, rows: Record<string, string | number>[]): void {
	console.log(`\n${title}`);
	console.table(rows);
}

/** Median time of a call in milliseconds, after warming up. */
export function timeMs(call: () => unknown, runs = 15): number {
	for (let k = 0; k < 5; k++) call();
	const times = Array.from({ length: runs }, () => timeOnce(call));
	return times.sort((a, b) => a - b)[Math.floor(runs / 2)];
}

/** The best times of two calls taken by turns, in milliseconds: another program's second falls on neither alone. */
export function byTurns(rounds: number, ours: () => unknown, plain: () => unknown): [number, number] {
	let [best, alone] = [Infinity, Infinity];
	for (let round = 0; round < rounds; round++) {
		alone = Math.min(alone, timeOnce(plain));
		best = Math.min(best, timeOnce(ours));
	}
	return [best, alone];
}

function timeOnce(call: () => unknown): number {
	const from = performance.now();
	call();
	return performance.now() - from;
}

export const rms = (values: number[]): number => Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / values.length);
