import { idOf } from '../figures/figure';
import { regress } from '../math/regress';
import { mean } from '../math/statistics';
import type { Kept } from './kept';
import type { Standing } from './standing';

export interface HistoryPoint {
	at: string;
	value: number;
	sigma: number | null;
	temperatureC: number | null;
}

export interface FigureHistory {
	id: string;
	/** As the newest record calls it. */
	label: string;
	unit: string;
	points: HistoryPoint[];
	/** The last beside the one before it; null where there is only one. */
	moved: { by: number; sigma: number | null; real: boolean | null } | null;
	/** Runs within a day of the last, and their standard deviation: how well the routine repeats itself. */
	sameDay: { runs: number; spread: number } | null;
	/** Change per degree Celsius with one sigma; null where temperatures are too few or too alike. */
	perDegree: { slope: number; sigma: number; spanC: number } | null;
}

/** A difference beyond twice its own sigma is taken for real. */
const REAL_SIGMAS = 2;
const LEAST_TEMPERATURES = 4;
const LEAST_SPAN_C = 10;
const DAY_MS = 86_400_000;

const counts = ({ standing }: Kept) => standing === 'in-force';

/** Why a kept entry does not count, in a word; empty where it does. */
export const STANDING_WORDS: Record<Standing, string> = {
	'in-force': '',
	'kept-beside': 'kept beside, not taken over',
	'set-aside': 'set aside',
	rehearsed: 'rehearsed, not evidence',
	told: 'told, not evidence',
	failed: 'failed',
	ahead: 'dated ahead, does not count yet',
	'no-evidence': '',
};

/**
 * Every figure of a sensor through its calibrations, oldest first, what does not count left out: how far the last moved from the one
 * before, whether that is more than both are uncertain, and how it follows temperature (least squares, Huber's weights).
 */
export function historyOf(kept: readonly Kept[]): FigureHistory[] {
	const real = kept.filter(counts).toSorted((a, b) => (a.at < b.at ? -1 : 1));
	const named = new Map<string, { label: string; unit: string }>();
	for (const { figures } of real)
		for (const { id, label, unit } of figures) named.set(idOf({ id, label, unit }), { label, unit });
	return [...named].map(([id, { label, unit }]) => {
		const points = real.flatMap(({ at, figures, temperatureC }) => {
			const figure = figures.find((one) => idOf(one) === id && one.unit === unit);
			return figure && figure.value !== null
				? [{ at, value: figure.value, sigma: figure.sigma ?? null, temperatureC }]
				: [];
		});
		return {
			id,
			label,
			unit,
			points,
			moved: movedOf(points),
			sameDay: sameDay(points),
			perDegree: perDegree(points),
		};
	});
}

function movedOf(points: readonly HistoryPoint[]): FigureHistory['moved'] {
	const [before, last] = points.slice(-2);
	if (!last) return null;
	const by = last.value - before.value;
	const sigma = before.sigma === null || last.sigma === null ? null : Math.hypot(before.sigma, last.sigma);
	return { by, sigma, real: sigma === null ? null : Math.abs(by) > REAL_SIGMAS * sigma };
}

function sameDay(points: readonly HistoryPoint[]): FigureHistory['sameDay'] {
	const last = points.at(-1);
	if (!last) return null;
	const runs = points.filter(({ at }) => Date.parse(last.at) - Date.parse(at) <= DAY_MS).map(({ value }) => value);
	if (runs.length < 2) return null;
	const middle = mean(runs);
	return {
		runs: runs.length,
		spread: Math.sqrt(runs.reduce((sum, v) => sum + (v - middle) ** 2, 0) / (runs.length - 1)),
	};
}

function perDegree(points: readonly HistoryPoint[]): FigureHistory['perDegree'] {
	const warm = points.flatMap(({ value, temperatureC }) => (temperatureC === null ? [] : [{ value, temperatureC }]));
	const spanC = Math.max(...warm.map((p) => p.temperatureC)) - Math.min(...warm.map((p) => p.temperatureC));
	if (warm.length < LEAST_TEMPERATURES || spanC < LEAST_SPAN_C) return null;
	const found = regress(
		[new Float64Array(warm.length).fill(1), Float64Array.from(warm, (p) => p.temperatureC)],
		Float64Array.from(warm, (p) => p.value),
		true,
	);
	return found && { slope: found.coefficients[1], sigma: found.sigmas[1], spanC };
}

/** What the history says, in a sentence. */
export function historyTitle(kept: readonly Kept[], figures: readonly FigureHistory[], name: string): string {
	const n = kept.filter(counts).length;
	if (n === 0) return `${name}: nothing is on record yet`;
	if (n === 1) return `${name}: one is on record, nothing to compare it with`;
	const real = figures.filter(({ moved }) => moved?.real);
	if (real.length > 0) {
		const worst = real.reduce((a, b) =>
			Math.abs((b.moved?.by ?? 0) / (b.moved?.sigma ?? 1)) > Math.abs((a.moved?.by ?? 0) / (a.moved?.sigma ?? 1))
				? b
				: a,
		);
		const by = worst.moved?.by ?? 0;
		return `${name}: ${worst.label.toLowerCase()} moved by ${by < 0 ? '−' : ''}${Math.abs(by).toPrecision(2)} ${worst.unit}, more than it is uncertain`;
	}
	return figures.some(({ moved }) => moved?.real === false)
		? `${name}: nothing moved by more than it is uncertain`
		: `${name}: ${n} are on record; their uncertainty is not, so none can be told from another`;
}
