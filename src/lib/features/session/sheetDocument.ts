import { localDay } from '$lib/words/calendar';
import { gradeOf } from '$lib/core/evidence/grade';
import type { ChainFinding } from '$lib/core/record/chain';
import { crewWords } from '$lib/core/session/crew';
import { MARK_OF_VERDICT } from '$lib/core/evidence/standing';
import { begunSmall } from '$lib/words/begun';
import { plain } from '$lib/words/plain';
import { reasonFigures } from '$lib/ui/reasonFigures';
import { wordedIn } from '$lib/messages/message';
import { entryWords, limitWords, taskWords } from '$lib/core/session/entryWords';
import { isBefore, stationTitle } from '$lib/core/session/stations';
import type { Decided } from '$lib/core/session/outcome';
import type { TaskState } from '$lib/core/session/task';
import { wholeQuantity, type UnitSystem } from '$lib/words/units';
import { KIND_WORDS } from '$lib/features/aircraft/kindWords';
import type { Entry } from '$lib/schema/entries';
import type { Aircraft, Mark, Site } from '$lib/schema/records';
import type { SessionBundle } from '$lib/store/repository';
import { showDate, showZoned } from '$lib/ui/format';
import { GRADE_WORDS, MARK_WORDS } from '$lib/ui/marks';

/** A session as a document: what the page shows, the printer prints and the PDF holds. */
export interface SheetDocument {
	title: string;
	reference: string;
	under: string;
	rehearsal: boolean;
	verdict: string;
	/** Half a page: who, what, where, when, decided how. */
	facts: readonly { label: string; value: string }[];
	/** A decision was made: the exceptions are those that it was made on. */
	decided: boolean;
	/** Everything that was not OK at the decision, with its reason. */
	exceptions: readonly { mark: Mark; word: string; what: string; why: string }[];
	/** What was found after the decision. */
	after: readonly { mark: Mark; word: string; what: string; why: string }[];
	entries: readonly { no: string; at: string; station: string; what: string; how: string; by: string; hash: string }[];
	chain: string;
	head: string;
	foot: string;
}

const FOOT =
	'Winglogos shows what was seen and what was not. The pilot in command decides, by the maker’s manual and the local rules.';

/** By which a sheet is named to others: its day and the beginning of its chain’s head. */
export const referenceOf = ({ startedAt, head }: { startedAt: string; head: string }): string =>
	`${localDay(startedAt)} ${head.slice(0, 8).toUpperCase()}`;

const last = <K extends Entry['payload']['kind']>(
	entries: readonly Entry[],
	kind: K,
	more: (e: Entry) => boolean = () => true,
) => entries.findLast((entry) => entry.payload.kind === kind && more(entry));

/** Who said yes as the second person, and how often. */
function confirmers(entries: readonly Entry[]): string {
	const counts: Record<string, number> = {};
	for (const { payload } of entries)
		if (payload.kind === 'check' && payload.confirmedBy)
			counts[payload.confirmedBy] = (counts[payload.confirmedBy] ?? 0) + (payload.confirms?.length ?? 1);
	return Object.entries(counts)
		.map(([name, n]) => `${name}, ${n} ${n === 1 ? 'answer' : 'answers'}`)
		.join('; ');
}

export const chainWords = (chain: ChainFinding): string =>
	chain.ok
		? `The chain of ${chain.entries} ${chain.entries === 1 ? 'entry' : 'entries'} holds.`
		: `The chain does not hold: ${chain.broken.map(({ where, what }) => `${where}: ${what}`).join('; ')}.`;

const degrees = (value: number, plus: string, minus: string) =>
	`${Math.abs(value).toFixed(5)}° ${value < 0 ? minus : plus}`;

/** A site by its name and where it lies. */
export const placeWords = ({ name, latDeg, lonDeg }: Site): string =>
	`${name}, ${degrees(latDeg, 'north', 'south')}, ${degrees(lonDeg, 'east', 'west')}`;

/** From when to when, with the zone of the writer's clock told once. */
function spanWords(
	from: string,
	to: string | null | undefined,
	zones: readonly [number | undefined, number | undefined],
) {
	const [begun, ended] = [showZoned(from, zones[0]), to ? showZoned(to, zones[1]) : ''];
	const [clock, zone] = begun.split(' ');
	const same = ended.endsWith(` ${zone}`);
	return `${showDate(from)}, ${ended ? `${same ? clock : begun} to ${ended}` : `${begun}, not ended`}`;
}

/** The reasons of a finding that give it its mark, with value and limit. */
function reasonWords({ mark, entry, reasons }: TaskState, units: UnitSystem): string[] {
	if (mark === 'aside' || entry?.payload.kind === 'check') return [];
	return reasons
		.filter(({ level }) => MARK_OF_VERDICT[level ?? 'pass'] === mark)
		.map((reason) => {
			const figures = reasonFigures(reason, units);
			return `${plain(wordedIn(reason, units).text)}${figures ? ` (${figures})` : ''}.`;
		});
}

function exceptionsOf(
	tasks: readonly TaskState[],
	{ aircraft, units }: { aircraft: Aircraft; units: UnitSystem },
): SheetDocument['exceptions'] {
	const open = tasks.filter(({ mark }) => mark !== 'clear');
	/** One finding may answer two items: each is named then. */
	const answersTwo = ({ entry, task }: TaskState) =>
		entry?.payload.kind === 'test' && open.some((other) => other.entry?.id === entry.id && other.task !== task);
	return open.map((state) => ({
		mark: state.mark,
		word: MARK_WORDS[state.mark],
		what: answersTwo(state) ? `${taskWords(state.task, aircraft)}: ${begunSmall(state.title)}` : state.title,
		why: [...reasonWords(state, units).filter((words) => plain(words) !== state.title), state.detail]
			.filter(Boolean)
			.join(' '),
	}));
}

/** The heading above the exceptions, on screen and on paper. */
export const exceptionsTitle = ({ decided, exceptions }: Pick<SheetDocument, 'decided' | 'exceptions'>): string =>
	decided
		? `${exceptions.length > 0 ? 'Exceptions' : 'No exception'} at the decision`
		: exceptions.length > 0
			? 'Open items'
			: 'No open item';

/** What a decision was made on: everything before its gate; all of it where nothing was decided. */
function tasksBefore({ decision, state }: Decided): readonly TaskState[] {
	const all = state.stations.flatMap(({ tasks }) => tasks);
	if (decision?.payload.kind !== 'decision') return all;
	const gate = decision.payload.task === 'arm' ? 'arm' : 'fly';
	return all.filter(({ station }) => station === gate || isBefore(station, gate));
}

/** What a pilot, a client or an insurer reads of a session. */
export function sheetDocument(
	bundle: SessionBundle,
	{ decided: split, units }: { decided: Decided; units: UnitSystem },
): SheetDocument {
	const { session, aircraft, site, pack, entries, chain } = bundle;
	const words = (entry: Entry | undefined) => (entry ? entryWords(entry, aircraft, units) : '');
	const deciding = (task: 'arm' | 'flight') =>
		entries.flatMap(({ payload }) => (payload.kind === 'decision' && payload.task === task ? [payload] : [])).at(-1);
	const decided = (task: 'arm' | 'flight') => {
		const payload = deciding(task);
		return payload ? words({ ...entries[0], payload: { ...payload, limits: [] } }).replace(/^Decision /, '') : '';
	};
	const begun = entries[0];
	const snapshot = aircraft.snapshots?.findLast(({ at }) => at <= (session.endedAt ?? session.startedAt));
	const decidedTasks = tasksBefore(split);
	const facts: readonly [string, string][] = [
		['Pilot in command', session.pilot],
		[
			'Crew',
			session.crew?.length ? `${crewWords(session.crew)}${session.signals ? `; signals: ${session.signals}` : ''}` : '',
		],
		['Confirmed by', confirmers(entries)],
		['Decision before arming', decided('arm')],
		['Decision before flight', decided('flight')],
		['Limits in force', limitWords((deciding('flight') ?? deciding('arm'))?.limits, units)],
		['Wind', words(last(entries, 'wind', ({ seq }) => split.decision === null || seq < split.decision.seq))],
		[
			'Aircraft',
			[
				`${aircraft.name}, ${KIND_WORDS[aircraft.kind].toLowerCase()}`,
				aircraft.description,
				aircraft.firmware && `firmware ${aircraft.firmware}`,
				aircraft.serial && `serial ${aircraft.serial}`,
			]
				.filter(Boolean)
				.join('; ')
				.replaceAll('.;', ';'),
		],
		[
			'Settings',
			snapshot
				? `as kept on ${showDate(snapshot.at)}: ${snapshot.values.length} values${snapshot.note ? `, ${snapshot.note}` : ''}`
				: '',
		],
		['Pack', pack ? `${pack.name}, ${pack.cells} cells, ${pack.capacityMah} mAh, ${pack.cycles} cycles` : ''],
		[
			'Place',
			site
				? `${placeWords(site)}, ${site.altUnknown ? 'height not known' : `${wholeQuantity(site.altM, 'height', units)} above sea`}${site.rules ? `; ${site.rules}` : ''}`
				: '',
		],
		['From, to', spanWords(session.startedAt, session.endedAt, [begun?.zoneMin, entries.at(-1)?.zoneMin])],
	];
	return {
		title: session.title,
		reference: referenceOf(session),
		under: `${aircraft.name}${site ? ` at ${site.name}` : ''}, ${showDate(session.startedAt)}`,
		rehearsal: session.kind === 'rehearsal',
		verdict: split.decision ? split.outcome.words : split.state.fly.headline,
		decided: split.decision !== null,
		facts: facts.filter(([, value]) => value !== '').map(([label, value]) => ({ label, value })),
		exceptions: exceptionsOf(decidedTasks, { aircraft, units }),
		after: exceptionsOf(split.after, { aircraft, units }),
		entries: entries.map((entry) => {
			const grade = gradeOf(entry.payload);
			return {
				no: String(entry.seq + 1),
				at: showZoned(entry.at, entry.zoneMin),
				station: stationTitle(entry.station, aircraft),
				what: `${words(entry)}${entry.corrects ? ' · corrects an earlier entry' : ''}`,
				how: grade ? GRADE_WORDS[grade] : '',
				by: entry.by,
				hash: entry.hash.slice(0, 10),
			};
		}),
		chain: chainWords(chain),
		head: session.head,
		foot: FOOT,
	};
}
