import type { HoverSeenRequest, SeenCategory, SeenKind, SeenView } from '../../schema/hoverSeen';
import { seenLimits as limits } from './seenLimits';

type Distance = NonNullable<SeenView['farthest']>;
type Measures = Pick<HoverSeenRequest, 'stepM' | 'aircraft'>;

const metresOf = (unit: Distance['unit'], { stepM, aircraft }: Measures): number =>
	unit === 'steps' ? stepM : unit === 'lengths' ? aircraft.lengthM : 1;

/** A distance told in steps, lengths or metres, in metres; none at all counts as half a unit. */
export const inMetres = ({ value, unit }: Distance, measures: Measures): number =>
	(value === 0 ? 0.5 : value) * metresOf(unit, measures);

/** One watcher's view of one hover, as it counts. */
export interface Seen {
	view: SeenView;
	/** Seconds that count, and those that the table is asked with. */
	windowS: number;
	tableS: number;
	category: SeenCategory;
	/** The way it circled for longer; clockwise is to the right. */
	sense: 'cw' | 'ccw' | null;
	stillShare: number;
	shares: ReadonlyMap<SeenKind, number>;
	/** Share of the time of the longest creeping one way. */
	creepShare: number;
	gap: boolean;
	farthestM: number | null;
	farthestSigmaM: number | null;
	enoughMarks: boolean;
	longEnough: boolean;
}

/** What a watcher's marks amount to: each holds until the next. */
export function readView(view: SeenView, measures: Measures): Seen {
	const { marks, durationS, farthest } = view;
	const windowS = Math.min(durationS, limits.mostS.value);
	const shares = new Map<SeenKind, number>();
	const ways = new Map<string, number>();
	const turning = { left: 0, right: 0 };
	marks.forEach(({ t, kind, sense, frame, dirDeg }, i) => {
		const heldS = Math.max(0, Math.min(marks[i + 1]?.t ?? durationS, windowS) - t);
		shares.set(kind, (shares.get(kind) ?? 0) + heldS / windowS);
		if (kind === 'circling' && sense) turning[sense] += heldS;
		if (kind === 'creeping') {
			const way = `${frame} ${(dirDeg ?? 0) % 360}`;
			ways.set(way, (ways.get(way) ?? 0) + heldS / windowS);
		}
	});
	const turned = turning.left + turning.right;
	const share = turned / windowS;
	const oneWay = Math.max(turning.left, turning.right) >= limits.oneSense.value * turned;
	const stops = [0, ...marks.map(({ t }) => t), durationS];
	const farthestM = farthest ? inMetres(farthest, measures) : null;
	const unitM = farthest ? metresOf(farthest.unit, measures) : 0;
	return {
		view,
		windowS,
		tableS: Math.max(limits.leastS.value, windowS),
		category: turned === 0 ? 'none' : share >= limits.mostly.value && oneWay ? 'mostly' : 'some',
		sense: turned === 0 ? null : turning.right >= turning.left ? 'cw' : 'ccw',
		stillShare: Math.min(1, shares.get('still') ?? 0),
		shares,
		creepShare: Math.max(0, ...ways.values()),
		gap: stops.some((t, i) => i > 0 && t - stops[i - 1] > limits.gapS.value),
		farthestM,
		farthestSigmaM:
			farthestM === null
				? null
				: Math.hypot(0.25 * farthestM, 0.5 * unitM, farthest?.unit === 'steps' ? 0.1 * farthestM : 0),
		enoughMarks: marks.length >= limits.leastMarks.value && marks.some(({ t }) => t > durationS / 2),
		longEnough: durationS >= limits.leastS.value,
	};
}

const ORDER: Record<SeenCategory, number> = { none: 0, some: 1, mostly: 2 };

/** The view that counts against the hover: circling first, then how far it went. */
export const worstView = (seen: readonly Seen[]): Seen | undefined =>
	seen.toSorted((a, b) => ORDER[b.category] - ORDER[a.category] || (b.farthestM ?? 0) - (a.farthestM ?? 0))[0];
