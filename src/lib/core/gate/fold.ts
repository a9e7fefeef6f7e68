import type { Entry, Mark, StationId } from '../../schema/records';
import { latestByTask } from '../checklist/run';
import { STATIONS } from './stations';
import {
	benchState,
	compassState,
	hoverState,
	indoorState,
	itemStates,
	measuredState,
	RANK,
	windState,
	worst,
	type SessionEvidence,
	type TaskState,
} from './tasks';

export interface StationState {
	id: StationId;
	title: string;
	mark: Mark;
	summary: string;
	tasks: TaskState[];
}

export interface GateState {
	stations: StationState[];
	/** Everything before the flight that is not clear, worst first. */
	blocking: TaskState[];
	clear: TaskState[];
	holds: number;
	headline: string;
	decision: Entry | null;
}

function summaryOf(mark: Mark, tasks: readonly TaskState[]): string {
	const open = tasks.filter((task) => task.mark === 'unseen').length;
	const notable = tasks.find((task) => task.mark === mark);
	if (mark === 'clear') return tasks.length === 0 ? '' : 'all seen';
	if (mark === 'unseen') return open === tasks.length ? 'not begun' : `${open} to see`;
	const title = notable?.title ?? '';
	return title.length > 34 ? `${title.slice(0, 33)}…` : title;
}

function headlineOf(holds: number, open: number, cautions: number): string {
	const things = (n: number) =>
		(['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six'][n] ?? String(n)) + (n === 1 ? ' thing' : ' things');
	if (holds > 0) return `${things(holds)} ${holds === 1 ? 'stands' : 'stand'} between you and take-off`;
	if (open > 0) return `${things(open)} ${open === 1 ? 'has' : 'have'} not been seen yet`;
	if (cautions > 0) return `Nothing here blocks the flight; ${things(cautions).toLowerCase()} to mind`;
	return 'Nothing here blocks the flight';
}

/**
 * Folds all evidence of a session into marks with reasons and the next action. Nothing is clear that was not seen; what
 * was set aside stays visible with its reason.
 */
export function foldSession(evidence: SessionEvidence): GateState {
	const { aircraft, entries } = evidence;
	const latest = latestByTask(entries);
	const tasks: TaskState[] = itemStates(evidence);
	if (evidence.benchDue.length > 0) tasks.push(benchState(evidence, entries, latest));
	const indoor = indoorState(evidence, latest);
	if (indoor) tasks.push(indoor);
	if (aircraft.compasses > 0) tasks.push(measuredState('site-field', latest), compassState(evidence, latest));
	if (aircraft.hasPosition) tasks.push(measuredState('position', latest));
	if (aircraft.hasPosition && aircraft.kind !== 'racer' && aircraft.kind !== 'toy')
		tasks.push(windState(evidence, latest));
	if (aircraft.rotors > 0) tasks.push(hoverState(evidence, entries, latest));

	const before = tasks.filter(({ station }) => station !== 'close');
	const blocking = before.filter(({ mark }) => mark !== 'clear').toSorted((a, b) => RANK[a.mark] - RANK[b.mark]);
	const count = (mark: Mark) => blocking.filter((task) => task.mark === mark).length;
	const decision = latest.get('flight:session') ?? null;
	const flown = decision?.payload.kind === 'decision' ? decision.payload.decision : null;

	const stations = STATIONS.map(({ id, title }): StationState => {
		const own = tasks.filter(({ station }) => station === id);
		const mark: Mark =
			id === 'fly' ? (flown === 'fly' ? 'clear' : flown === 'hold' ? 'hold' : 'unseen') : worst(own.map((t) => t.mark));
		const summary =
			id === 'fly'
				? flown === 'fly'
					? 'decided: fly'
					: flown === 'hold'
						? 'held'
						: 'not decided'
				: summaryOf(mark, own);
		return { id, title, mark, summary, tasks: own };
	});
	return {
		// A station with nothing to do for this aircraft is not on its line.
		stations: stations.filter(({ id, tasks: own }) => id === 'fly' || own.length > 0),
		blocking,
		clear: before.filter(({ mark }) => mark === 'clear'),
		holds: count('hold'),
		headline: headlineOf(count('hold'), count('unseen'), count('caution')),
		decision,
	};
}
