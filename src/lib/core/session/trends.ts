import { flightsOf } from '../evidence/flights';
import { isEvidence } from '../evidence/standing';
import type { FigureName } from '../figures/catalogue';
import { figureId, idOf } from '../figures/figure';
import type { Entry, RecordedFigure } from '../../schema/entries';
import type { Aircraft } from '../../schema/records';
import { compareRepeats, studentTail, type Comparison, type Measurement } from '../record/repeats';
import { toUnit, unitSymbol, type Quantity, type UnitSystem } from '../../words/units';

/** One value of a figure that is followed through the sessions of an aircraft. */
export interface TrendPoint {
	at: string;
	value: number;
	sigma: number | null;
}

export interface Trend {
	id: string;
	/** As it stands in a sentence. */
	name: string;
	unit: string;
	quantity?: Quantity;
	lowerIsBetter: boolean;
	points: readonly TrendPoint[];
	/** The first that passed: what later ones are held against. */
	baseline: TrendPoint | null;
}

interface Kind extends Pick<Trend, 'id' | 'name' | 'unit' | 'lowerIsBetter'> {
	quantity?: Quantity;
	task: string;
	/** The figures it follows; the largest of an entry counts. */
	of: (figure: RecordedFigure) => boolean;
}

const oneOf =
	(...names: FigureName[]) =>
	(figure: RecordedFigure): boolean =>
		names.some((name) => idOf(figure) === name);

const KINDS: readonly Kind[] = [
	{
		id: 'wander',
		name: 'Hold radius in the hover',
		unit: 'm',
		quantity: 'height',
		lowerIsBetter: true,
		task: 'hover',
		of: oneOf('hold-radius', 'hold-diameter'),
	},
	{
		id: 'farthest',
		name: 'Farthest in a hover seen by eye',
		unit: 'm',
		quantity: 'height',
		lowerIsBetter: true,
		task: 'hover',
		of: oneOf('farthest'),
	},
	{
		id: 'height',
		name: 'Height spread',
		unit: 'm',
		quantity: 'height',
		lowerIsBetter: true,
		task: 'hover',
		of: oneOf('height-spread'),
	},
	{ id: 'lock', name: 'Time to lock', unit: 's', lowerIsBetter: true, task: 'position', of: oneOf('gps-lock-time') },
	{
		id: 'hot',
		name: 'Hottest part',
		unit: '°C',
		quantity: 'temperature',
		lowerIsBetter: true,
		task: 'temperatures',
		of: (one) => idOf(one).startsWith('temperature/') && idOf(one) !== figureId('temperature', 'air'),
	},
];

const counted = (entry: Entry): boolean => entry.payload.kind === 'test' && isEvidence(entry);

/** Landings and minutes flown, told by the notes of each flight. */
function flown(entries: readonly Entry[]): { landings: TrendPoint[]; minutes: TrendPoint[] } {
	const landings: TrendPoint[] = [];
	const minutes: TrendPoint[] = [];
	for (const flight of flightsOf(entries))
		if (flight.landed && flight.minutes !== null)
			minutes.push({ at: flight.landed.at, value: flight.minutes, sigma: null });
	for (const { at, payload } of entries)
		if (payload.kind === 'flight' && payload.landing)
			landings.push({ at, value: payload.landing.distanceM, sigma: null });
	return { landings, minutes };
}

/**
 * Figures of an aircraft through its sessions, oldest first: wander, height, lock, landing, minutes in the air, heat. `entries` are those of
 * its flights that count; what was rehearsed or set aside is left out.
 */
export function trendsOf(entries: readonly Entry[]): Trend[] {
	const inOrder = entries.toSorted((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.seq - b.seq));
	const measured = KINDS.map(({ task, of, ...kind }): Trend => {
		let baseline: TrendPoint | null = null;
		const points = inOrder.flatMap((entry) => {
			const { payload, at } = entry;
			if (payload.kind !== 'test' || payload.task !== task || !counted(entry)) return [];
			const own = payload.figures.filter((f) => of(f) && f.value !== null);
			if (own.length === 0) return [];
			const most = own.reduce((a, b) => ((b.value ?? 0) > (a.value ?? 0) ? b : a));
			const value = (most.value ?? 0) / (idOf(most) === 'hold-diameter' ? 2 : 1);
			const point = { at, value, sigma: most.sigma ?? null };
			if (payload.verdict === 'pass') baseline ??= point;
			return [point];
		});
		return { ...kind, points, baseline };
	});
	const { landings, minutes } = flown(inOrder);
	const first = (points: readonly TrendPoint[]) => points.at(0) ?? null;
	return [
		...measured,
		{
			id: 'landing',
			name: 'Landing from its mark',
			unit: 'm',
			quantity: 'height' as const,
			lowerIsBetter: true,
			points: landings,
			baseline: first(landings),
		},
		{ id: 'minutes', name: 'In the air', unit: 'min', lowerIsBetter: false, points: minutes, baseline: first(minutes) },
	].filter(({ points }) => points.length > 0);
}

/** A trend in the pilot's own units. */
export function trendIn(trend: Trend, system: UnitSystem): Trend {
	const { quantity, points, baseline } = trend;
	if (!quantity) return trend;
	// A deviation has the factor of its unit, not its zero.
	const factor = toUnit(1, quantity, system) - toUnit(0, quantity, system);
	const own = ({ at, value, sigma }: TrendPoint): TrendPoint => ({
		at,
		value: toUnit(value, quantity, system),
		sigma: sigma === null ? null : sigma * factor,
	});
	const all = points.map(own);
	return {
		...trend,
		unit: unitSymbol(quantity, system),
		points: all,
		baseline: baseline && (all[points.indexOf(baseline)] ?? null),
	};
}

/** A moment that may have changed something: a calibration, or an event of the aircraft. */
export interface Change {
	at: string;
	words: string;
}

/** What lies on both sides of a change, and how many more flights on each side would settle it; null where none within reach would. */
export interface BeforeAfter {
	comparison: Comparison;
	more: number | null;
}

const MOST_MORE = 30;
const SETTLED = 0.05;

/** Values before and after a moment against each other; null where one side is empty. */
export function beforeAfter({ points, name, unit, lowerIsBetter }: Trend, at: string): BeforeAfter | null {
	const side = (keep: (p: TrendPoint) => boolean): Measurement[] =>
		points.filter(keep).map(({ value, sigma }) => ({ value, sigma }));
	const [before, after] = [side((p) => p.at < at), side((p) => p.at >= at)];
	if (before.length === 0 || after.length === 0) return null;
	const comparison = compareRepeats(before, after, { what: name, unit, lowerIsBetter });
	return {
		comparison,
		more: comparison.byChance !== null && comparison.byChance < SETTLED ? 0 : moreOf(before, after),
	};
}

/** Flights more on each side until a difference as large as this one would stand out from scatter like this; null beyond thirty. */
function moreOf(before: readonly Measurement[], after: readonly Measurement[]): number | null {
	const all = [before, after].map((list) => {
		const mean = list.reduce((s, { value }) => s + value, 0) / list.length;
		return { mean, n: list.length, squares: list.reduce((s, { value }) => s + (value - mean) ** 2, 0) };
	});
	const [a, b] = all;
	const freedom = a.n + b.n - 2;
	const difference = Math.abs(b.mean - a.mean);
	if (freedom < 1 || difference === 0) return null;
	const variance = (a.squares + b.squares) / freedom;
	for (let k = 1; k <= MOST_MORE; k++) {
		const t = difference / Math.sqrt(variance * (1 / (a.n + k) + 1 / (b.n + k)));
		if (studentTail(t, freedom + 2 * k) < SETTLED) return k;
	}
	return null;
}

/** Changes of an aircraft that its figures may follow, oldest first. */
export const changesOf = (
	{ events }: Pick<Aircraft, 'events'>,
	calibrations: readonly Change[],
	words: Record<string, string>,
): Change[] =>
	[
		...events.map(({ at, kind, note }) => ({
			at,
			words: note ? `${words[kind] ?? kind}: ${note}` : (words[kind] ?? kind),
		})),
		...calibrations,
	].toSorted((a, b) => (a.at < b.at ? -1 : 1));
