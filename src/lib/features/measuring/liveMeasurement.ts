import type { Reason, Verdict } from '$lib/schema/common';
import type { Figure } from '$lib/core/figures/figure';

/** What a live measurement found, as any instrument shows and keeps it. */
export interface Found {
	verdict: Verdict;
	reasons: readonly Reason[];
	figures: readonly Figure[];
	answer: unknown;
}

/** What compass, position and hover have in common: one measurement, followed live or read from a file. */
export interface LiveMeasurement {
	/** The finding as a headline, or what to do next. */
	readonly title: string;
	/** Nothing runs and nothing was found. */
	readonly idle: boolean;
	/** The data are simulated. */
	readonly practice: boolean;
	readonly sourceName: string;
	readonly found: Found | null;
	readFile(file: File): Promise<void>;
	/** Back to the beginning. */
	repeat(): void;
	dispose(): void;
}
