import type { Entry } from '../../schema/entries';
import type { Mark, StationId } from '../../schema/records';
import { sayIn } from '$lib/messages/message';
import type { UnitSystem } from '$lib/words/units';
import { leftWords } from './deferred';
import { taskOf } from '../evidence/about';
import { gatherFacts, type Facts } from '../facts/facts';
import { withConsistentReasons } from './consistent';
import { readSession, type SessionEvidence, type SessionRecord } from './sessionRecord';
import { isBefore, STATIONS, stationTitle } from './stations';
import { RANK, worst, type TaskState } from './task';
import { benchStates } from './tasks/bench';
import { conflictStates, orStale } from './tasks/conflicts';
import { itemStates } from './tasks/items';
import { TASKS } from './tasks/list';
import { propellersOffState } from './tasks/propellersOff';
import { responseStop } from './tasks/responseStop';

export interface StationState {
	id: StationId;
	title: string;
	mark: Mark;
	summary: string;
	/** The worst finding, where it is a hold: what the station's page says first. */
	headline: string | null;
	tasks: TaskState[];
}

/** One of the two gates: everything up to it, and whether it was answered. */
export interface GateState {
	id: 'arm' | 'fly';
	headline: string;
	/** Everything that is not clear, worst first. */
	blocking: TaskState[];
	clear: TaskState[];
	/** Holds and things nobody saw: each is settled or set aside by itself before the gate opens. */
	unsettled: number;
	/** The decision in force, whichever way it went. */
	decision: Entry | null;
	/** Answered with "go", and nothing unsettled since. */
	open: boolean;
}

export interface SessionState {
	record: SessionRecord;
	facts: Facts;
	stations: StationState[];
	arm: GateState;
	fly: GateState;
	/** Of the flight after the second gate. */
	flight: { tookOff: Entry | null; landed: Entry | null };
}

const LONGEST_SUMMARY = 34;

/** What a headline says before it goes into the figures: its first clause, or as many of its words as find room. */
function inShort(title: string): string {
	const clause = title.length > LONGEST_SUMMARY ? title.split(/[:;,] /)[0] : title;
	if (clause.length <= LONGEST_SUMMARY) return clause;
	return `${clause.slice(0, LONGEST_SUMMARY).replace(/\s+\S*$/, '')}…`;
}

function summaryOf(mark: Mark, tasks: readonly TaskState[]): string {
	const open = tasks.filter((task) => task.mark === 'unseen').length;
	if (mark === 'clear') return tasks.length === 0 ? '' : 'all seen';
	if (mark === 'unseen') return open === tasks.length ? 'not begun' : `${open} to see`;
	// What was found says more than that everything stops.
	const worstOf =
		tasks.find((task) => task.mark === mark && task.task !== 'response-stop') ??
		tasks.find((task) => task.mark === mark);
	return inShort((mark === 'hold' ? worstOf?.found : worstOf?.title) ?? '');
}

const COUNTS = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six'];
const things = (n: number) => `${COUNTS[n] ?? n} ${n === 1 ? 'thing' : 'things'}`;

function headlineOf(id: GateState['id'], blocking: readonly TaskState[]): string {
	const count = (mark: Mark) => blocking.filter((task) => task.mark === mark).length;
	const holds = count('hold');
	const open = count('unseen');
	const end = id === 'arm' ? 'arming' : 'take-off';
	if (holds > 0) {
		const rest = open > 0 ? `; ${open} not seen yet` : '';
		return `${things(holds)} ${holds === 1 ? 'stands' : 'stand'} between you and ${end}${rest}`;
	}
	if (open > 0) return `${things(open)} ${open === 1 ? 'has' : 'have'} not been seen yet`;
	const free = id === 'arm' ? 'Nothing here blocks arming' : 'Nothing here blocks the flight';
	const more = [
		...(count('caution') > 0 ? [`${things(count('caution')).toLowerCase()} to mind`] : []),
		...(count('aside') > 0 ? [`${things(count('aside')).toLowerCase()} set aside`] : []),
	];
	return [free, ...more].join('; ');
}

function gateOf(id: GateState['id'], tasks: readonly TaskState[], record: SessionRecord): GateState {
	const before = tasks.filter(({ station }) => isBefore(station, id) || station === id);
	const blocking = before.filter(({ mark }) => mark !== 'clear').toSorted((a, b) => RANK[a.mark] - RANK[b.mark]);
	const unsettled = blocking.filter(({ mark }) => mark === 'hold' || mark === 'unseen').length;
	const decision = record.decision(id === 'arm' ? 'arm' : 'flight');
	const go = decision?.payload.kind === 'decision' && decision.payload.decision === 'fly';
	return {
		id,
		headline: headlineOf(id, blocking),
		blocking,
		clear: before.filter(({ mark }) => mark === 'clear'),
		unsettled,
		decision,
		open: go && unsettled === 0,
	};
}

/** The mark and word of a gate's own station. */
function gateStation({ id, decision, open }: GateState): Pick<StationState, 'mark' | 'summary'> {
	const held = decision?.payload.kind === 'decision' && decision.payload.decision === 'hold';
	if (open) return { mark: 'clear', summary: id === 'arm' ? 'decided: arm' : 'decided: fly' };
	if (held) return { mark: 'hold', summary: 'held' };
	return { mark: 'unseen', summary: decision ? 'to decide again' : 'not decided' };
}

/** What lies behind a gate or a stop that is not answered cannot be answered yet. */
function shutBehind(
	tasks: readonly TaskState[],
	arm: GateState,
	stop: TaskState | null,
	propellers: TaskState | null,
	record: SessionRecord,
) {
	/** The answer that stopped it stays open for a correction. */
	const stopped = record.stop && taskOf(record.stop.payload);
	const shutOf = ({ task, station, mark, page }: TaskState): string => {
		if (mark === 'aside') return '';
		if (station === 'power-up' && propellers && task !== 'propellers-off' && page !== 'indoor')
			return 'First what needs the propellers off: a motor that starts by itself then hurts nobody.';
		if (station !== 'response' && station !== 'hover') return '';
		if (stop) return task === 'response-stop' || task === stopped ? '' : 'Stopped: log what was changed first.';
		return arm.open || task === 'response-stop' ? '' : 'The first gate, Arm, has not been answered.';
	};
	return tasks.map((task) => ({ ...task, shut: shutOf(task) || task.shut }));
}

/** A task's words in the pilot's units: what a finding says is worded again, what somebody wrote stays as it was written. */
function inUnits(task: TaskState, units: UnitSystem): TaskState {
	const say = (words: string) => sayIn(words, task.reasons, units);
	return { ...task, title: say(task.title), found: say(task.found), detail: say(task.detail), next: say(task.next) };
}

/**
 * All evidence of a session as marks with reasons and the next action, by station, with the two gates. Nothing is clear that was not
 * seen; what was set aside stays visible with its reason.
 */
export function assessSession(given: SessionEvidence): SessionState {
	const { aircraft } = given;
	const record = readSession(given);
	const facts = gatherFacts(given);
	const evidence = { ...given, facts };
	const left = new Map((evidence.deferred ?? []).map((one) => [one.task, leftWords(one)]));
	const done = [
		...itemStates(evidence, record),
		...benchStates(evidence, record),
		...conflictStates(evidence),
		...TASKS.filter((task) => task.applies(evidence, record)).map((task) => task.state(evidence, record)),
	].map((known) => {
		const task = withConsistentReasons(orStale(known, evidence, facts), evidence, record);
		const words = task.mark === 'unseen' ? left.get(task.task) : undefined;
		return words ? { ...task, detail: `${words} ${task.detail}`.trim() } : task;
	});
	const propellers = propellersOffState(done, aircraft);
	const stop = responseStop(record);
	const all = [...(propellers ? [propellers] : []), ...(stop ? [stop] : []), ...done].map((task) =>
		inUnits(task, evidence.units),
	);
	// At the gates what is due, and what was found, stand for themselves: each is counted once.
	const counted = (tasks: readonly TaskState[]) =>
		tasks.filter((task) => task.task !== propellers?.task && task.task !== stop?.task);
	const arm = gateOf('arm', counted(all), record);
	const tasks = shutBehind(all, arm, stop, propellers, record);
	const fly = gateOf('fly', counted(tasks), record);
	const stations = STATIONS.map(({ id }): StationState => {
		const own = tasks.filter(({ station }) => station === id);
		const mark = worst(own.map((task) => task.mark));
		const gate = id === 'arm' ? arm : id === 'fly' ? fly : null;
		return {
			id,
			title: stationTitle(id, aircraft),
			mark,
			summary: summaryOf(mark, own),
			headline: own.find((task) => task.mark === 'hold')?.found ?? null,
			tasks: own,
			...(gate ? gateStation(gate) : {}),
		};
	});
	const flown = (what: 'took-off' | 'landed') =>
		record.entries.findLast(({ payload }) => payload.kind === 'flight' && payload.what === what) ?? null;
	return {
		record,
		facts,
		// A station with nothing to do for this aircraft is not on its line.
		stations: stations.filter(({ id, tasks: own }) => id === 'arm' || id === 'fly' || own.length > 0),
		arm: gateOf('arm', counted(tasks), record),
		fly: { ...fly, open: fly.open && arm.open },
		flight: { tookOff: flown('took-off'), landed: flown('landed') },
	};
}
