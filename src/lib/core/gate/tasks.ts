import { showSigma } from '../frames/words';
import type { Reason, Verdict } from '../../schema/common';
import type { Aircraft, Entry, Mark, Sensor, StationId } from '../../schema/records';
import { runChecklist } from '../checklist/run';
import { checklistFor } from '../checklist/items';
import { SENSOR_RULES, type SensorDue } from '../due/due';
import { dayOf } from '../frames/calendar';
import { reason } from '../frames/reasons';
import { formatQuantity, type UnitSystem } from '../frames/units';
import { toRestore } from '../radio/indoor';
import { windLimits } from './limits';

/** One thing that is or is not in the way, with its reason and the next action. */
export interface TaskState {
	task: string;
	station: StationId;
	mark: Mark;
	/** The sentence a pilot would say about it. */
	title: string;
	detail: string;
	reasons: Reason[];
	next: string;
	entry: Entry | null;
}

export interface SessionEvidence {
	aircraft: Aircraft;
	entries: readonly Entry[];
	due: SensorDue | null;
	/** Everything else that can fall due, as of the start of the session. */
	benchDue: readonly SensorDue[];
	/** Date of the compass calibration in force from an earlier session, if any. */
	compassSince: string | null;
	/** What was calibrated in earlier records and has not flown a test hover since. */
	unverified: readonly Sensor[];
	units: UnitSystem;
}

/** Worst first; what nobody saw stands before what was seen as a caution. */
export const RANK: Record<Mark, number> = { hold: 0, unseen: 1, caution: 2, aside: 3, clear: 4 };

/** Calibrations whose proof is how the aircraft hovers. */
export const VERIFIED_BY_HOVER: readonly Sensor[] = [
	'compass',
	'accelerometer',
	'gyro',
	'level',
	'mounting',
	'vision',
	'speed-controllers',
];

const MARK_OF: Record<Verdict, Mark> = { pass: 'clear', caution: 'caution', fail: 'hold' };

export const worst = (marks: readonly Mark[]): Mark =>
	marks.reduce<Mark>((a, b) => (RANK[b] < RANK[a] ? b : a), 'clear');

/** Tasks that are measured, not ticked: what to say while nobody has seen them. */
const MEASURED = {
	'site-field': {
		station: 'site',
		unseen: 'The field of this place has not been measured',
		next: 'Stand still for five seconds',
	},
	position: { station: 'position', unseen: 'No lock has been seen', next: 'Watch the receiver lock' },
	hover: { station: 'hover', unseen: 'The test hover has not been reviewed', next: 'Review a hover' },
} as const satisfies Record<string, { station: StationId; unseen: string; next: string }>;

const state = (fields: Partial<TaskState> & Pick<TaskState, 'task' | 'station' | 'mark' | 'title'>): TaskState => ({
	detail: '',
	reasons: [],
	next: '',
	entry: null,
	...fields,
});

function asideState(entry: Entry, task: string, station: StationId, title: string): TaskState | null {
	if (entry.payload.kind !== 'decision' || entry.payload.decision !== 'aside') return null;
	return state({
		task,
		station,
		mark: 'aside',
		title: `${title}: set aside`,
		detail: `Reason: ${entry.payload.reason}. ${entry.payload.signedBy}.`,
		next: 'Take it up again',
		entry,
	});
}

/** The later of two entries about one task, by number. */
const later = (a: Entry | undefined, b: Entry | undefined) => (a && b ? (a.seq > b.seq ? a : b) : (a ?? b));

export function measuredState(task: keyof typeof MEASURED, latest: Map<string, Entry>): TaskState {
	const { station, unseen, next } = MEASURED[task];
	const entry = later(latest.get(task), latest.get(`measurement-aside:${task}`));
	if (!entry) return state({ task, station, mark: 'unseen', title: unseen, next });
	const aside = asideState(entry, task, station, unseen);
	if (aside) return aside;
	if (entry.payload.kind !== 'test') return state({ task, station, mark: 'unseen', title: unseen, next });
	const { verdict, headline, reasons, sourceName } = entry.payload;
	return state({
		task,
		station,
		mark: MARK_OF[verdict],
		title: headline,
		detail: `From ${sourceName}.`,
		reasons,
		next: reasons[0]?.next ?? (verdict === 'pass' ? '' : 'Measure again'),
		entry,
	});
}

export function compassState(evidence: SessionEvidence, latest: Map<string, Entry>): TaskState {
	const shared = { task: 'compass', station: 'site' as const };
	const entry = later(latest.get('compass'), latest.get('measurement-aside:compass'));
	const aside = entry && asideState(entry, 'compass', 'site', 'Compass calibration');
	if (aside) return aside;
	if (entry?.payload.kind === 'calibration' && entry.payload.accepted === 'accepted') {
		const { verdict, reasons, headingSigmaDeg } = entry.payload;
		const limit = evidence.aircraft.compassHeadingLimitDeg;
		const loose = headingSigmaDeg > limit;
		return state({
			...shared,
			mark: verdict === 'fail' ? 'hold' : loose ? 'caution' : MARK_OF[verdict],
			title:
				verdict === 'fail'
					? 'The accepted compass calibration does not hold'
					: `The heading is known to ±${showSigma(headingSigmaDeg)}°`,
			detail: `Wanted ±${limit.toFixed(1)}°. Calibrated from ${entry.payload.sourceName}.`,
			reasons,
			next: verdict === 'pass' && !loose ? '' : 'Calibrate the compass again',
			entry,
		});
	}
	if (evidence.due?.due === false && evidence.compassSince)
		return state({
			...shared,
			mark: 'clear',
			title: 'The compass is not due',
			detail: `Kept since ${dayOf(evidence.compassSince)}; school: ${evidence.due.chosen.name.toLowerCase()}.`,
			reasons: evidence.due.evidence,
		});
	return state({
		...shared,
		mark: 'unseen',
		title: 'The compass is due and not calibrated here',
		detail: evidence.due?.chosen.reasons[0]?.text ?? '',
		reasons: evidence.due?.chosen.reasons ?? [],
		next: 'Calibrate the compass',
	});
}

/** Settings of a room that are still set; null where there are none. */
export function indoorState({ aircraft }: SessionEvidence, latest: Map<string, Entry>): TaskState | null {
	const left = toRestore(aircraft);
	if (left.length === 0) return null;
	const title = `${aircraft.name} is still set for indoors`;
	const aside = latest.get('measurement-aside:indoor');
	const set = aside && asideState(aside, 'indoor', 'power-up', title);
	if (set) return set;
	const names = left.map(({ name }) => name.toLowerCase()).join(', ');
	return state({
		task: 'indoor',
		station: 'power-up',
		mark: 'hold',
		title,
		detail: `To put back: ${names}.`,
		reasons: [
			reason(
				'fail',
				'indoor-settings',
				'Outdoors, an aircraft that hovers when the link is lost does not come home.',
				left.length,
				{ value: 0, unit: 'settings', source: 'The list kept when it went indoors' },
				'Put them back, or set this aside where you fly under a roof today.',
			),
		],
		next: 'Put them back',
	});
}

/** The sensor whose calibration an entry accepts, where a hover is what verifies it. */
function calibrates({ payload }: Entry): Sensor | null {
	if (payload.kind === 'calibration') return payload.accepted === 'accepted' ? 'compass' : null;
	if (payload.kind !== 'test' || !payload.sensor || payload.verdict === 'fail') return null;
	return VERIFIED_BY_HOVER.includes(payload.sensor) ? payload.sensor : null;
}

/** The test hover: it verifies every calibration before it, and a calibration after it asks for it again. */
export function hoverState(
	{ unverified }: SessionEvidence,
	entries: readonly Entry[],
	latest: Map<string, Entry>,
): TaskState {
	const found = measuredState('hover', latest);
	const flownAt = found.entry?.seq ?? -1;
	const since = new Set(entries.filter(({ seq }) => seq > flownAt).flatMap((entry) => calibrates(entry) ?? []));
	if (!found.entry) for (const sensor of unverified) since.add(sensor);
	if (since.size === 0 || found.mark === 'aside') return found;
	const names = [...since].map((sensor) => SENSOR_RULES[sensor].name.toLowerCase()).join(', ');
	return {
		...found,
		mark: 'unseen',
		title: found.entry ? `Hover again: calibrated since the hover: ${names}` : found.title,
		detail: `It verifies what was calibrated: ${names}. The values before stay in the record.`,
		reasons: [
			reason(
				'caution',
				'unverified',
				`Calibrated and not flown since: ${names}.`,
				since.size,
				undefined,
				'Review a hover',
			),
			...found.reasons,
		],
		next: 'Review a hover',
		entry: null,
	};
}

/** The bench: what is due and was not done in this session; done here, the worst finding speaks. */
export function benchState(
	{ benchDue, aircraft }: SessionEvidence,
	entries: readonly Entry[],
	latest: Map<string, Entry>,
): TaskState {
	const shared = { task: 'bench-due', station: 'bench' as const };
	const found = new Map<string, Entry>();
	for (const entry of entries)
		if (entry.payload.kind === 'test' && entry.payload.sensor && !entry.payload.practice)
			found.set(entry.payload.sensor, entry);
	const aside = latest.get('measurement-aside:bench-due');
	const open = benchDue.filter(({ due, sensor }) => due && !found.has(sensor));
	const last = [...found.values()].reduce<Entry | undefined>((a, b) => later(a, b), undefined);
	if (aside && later(aside, last) === aside && open.length > 0) {
		const set = asideState(aside, shared.task, shared.station, 'What is due on the bench');
		if (set) return set;
	}
	if (open.length > 0) {
		const names = open.map(({ name }) => name.toLowerCase());
		const said = names.length > 3 ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more` : names.join(', ');
		return state({
			...shared,
			mark: 'unseen',
			title: `Due on ${aircraft.name}: ${said}`,
			detail: open[0].chosen.reasons[0]?.text ?? '',
			reasons: open.flatMap(({ chosen }) => chosen.reasons.slice(0, 1)),
			next: 'Open the bench',
		});
	}
	const marks = [...found.values()].map((entry) =>
		entry.payload.kind === 'test'
			? { entry, mark: MARK_OF[entry.payload.verdict], title: entry.payload.headline }
			: null,
	);
	const bad = marks
		.filter((m) => m !== null && m.mark !== 'clear')
		.toSorted((a, b) => RANK[a?.mark ?? 'clear'] - RANK[b?.mark ?? 'clear'])[0];
	if (bad && bad.entry.payload.kind === 'test')
		return state({
			...shared,
			mark: bad.mark,
			title: bad.title,
			detail: `From ${bad.entry.payload.sourceName}.`,
			reasons: bad.entry.payload.reasons,
			next: 'Do it again',
			entry: bad.entry,
		});
	return state({
		...shared,
		mark: 'clear',
		title: found.size > 0 ? 'What was due on the bench is done' : 'Nothing on the bench is due',
		detail: `By the school of ${aircraft.name}.`,
		reasons: benchDue.flatMap(({ evidence }) => evidence.slice(0, 1)),
		next: '',
		entry: last ?? null,
	});
}

export function windState({ aircraft, units }: SessionEvidence, latest: Map<string, Entry>): TaskState {
	const entry = latest.get('wind') ?? null;
	const shared = { task: 'wind', station: 'return' as const, entry };
	const speed = (mps: number) => formatQuantity(mps, 'speed', units);
	if (entry?.payload.kind !== 'wind')
		return state({
			...shared,
			mark: 'unseen',
			title: 'The wind has not been entered, so the return is not judged',
			next: 'Enter the wind',
		});
	const { gustMps, speedMps } = entry.payload;
	const limit = windLimits.returnShare.value * aircraft.returnSpeedMps;
	const detail = `Return speed ${speed(aircraft.returnSpeedMps)}; wind ${speed(speedMps)}, gusts ${speed(gustMps)}.`;
	const why = (level: Verdict, text: string) =>
		reason(level, 'wind-return', text, gustMps, {
			value: aircraft.returnSpeedMps,
			unit: 'm/s',
			source: 'Return speed of this aircraft',
		});
	if (Math.max(gustMps, speedMps) >= aircraft.returnSpeedMps)
		return state({
			...shared,
			mark: 'hold',
			title: `Gusts are stronger than ${aircraft.name} returns`,
			detail,
			reasons: [why('fail', 'Coming home against a gust it would stand still or drift away.')],
			next: 'Raise the return speed or shorten the day',
		});
	if (Math.max(gustMps, speedMps) > limit)
		return state({
			...shared,
			mark: 'caution',
			title: 'Little is left of the return speed against the gusts',
			detail,
			reasons: [why('caution', 'Higher up the wind is stronger still.')],
			next: 'Stay upwind and near',
		});
	return state({
		...shared,
		mark: 'clear',
		title: 'The return is faster than the gusts',
		detail,
		reasons: [why('pass', 'Enough speed is left to come home against a gust at head height.')],
	});
}

export function itemStates(evidence: SessionEvidence): TaskState[] {
	return runChecklist(checklistFor(evidence.aircraft), evidence.entries).map(({ item, mark, entry, check }) => {
		const value =
			check && check.value !== null
				? item.limit?.quantity
					? formatQuantity(check.value, item.limit.quantity, evidence.units)
					: `${check.value} ${check.unit}`
				: '';
		const said: Record<Mark, string> = {
			clear: value,
			unseen: item.why,
			aside: `Set aside: ${check?.reason ?? ''}. ${entry?.by ?? ''}.`,
			hold: `Not as it should be${value ? `: ${value}` : ''}. ${check?.reason ?? ''}`,
			caution: `Not as it should be${value ? `: ${value}` : ''}. ${check?.reason ?? ''}`,
		};
		return state({
			task: item.id,
			station: item.station,
			mark,
			title: item.text,
			detail: said[mark].trim(),
			next: mark === 'unseen' ? 'Check it' : mark === 'clear' ? '' : 'Put it right and check again',
			entry,
		});
	});
}
