import { createContext } from 'svelte';
import { aircraftDue } from '$lib/core/due/aircraftDue';
import { placedAt } from '$lib/core/due/place';
import { datedAhead, lastDone, lastHover } from '$lib/core/evidence/inForce';
import { affectsSensor, isDueWords, sensorsOf, taskOfSensor } from '$lib/core/due/rules';
import { asOne } from '$lib/store/db';
import { undoneBy } from '$lib/core/session/checklist/undoes';
import { ownTask } from '$lib/core/session/deferred';
import { assessSession } from '$lib/core/session/assess';
import type { TaskState } from '$lib/core/session/task';
import { VERIFIED_BY_HOVER } from '$lib/core/session/tasks/hover';
import type { CalibrationPayload, Entry, EntryPayload, EventKind, Grade } from '$lib/schema/entries';
import type { EventExtent, StationId } from '$lib/schema/records';
import { flightClock } from '$lib/core/facts/flightClock';
import { valueOf, type Conflict } from '$lib/core/facts/facts';
import { FACT_RULES } from '$lib/core/facts/keys';
import { batteryLedger, burnRate } from '$lib/core/facts/ledger';
import { settledTask, type Statement } from '$lib/core/facts/statements';
import { estimateOnPack, flownFlights } from '$lib/core/propulsion/flownFlights';
import { decidedOn } from '$lib/core/session/outcome';
import { plannedReturn } from '$lib/core/session/homeEntry';
import { deferredFor } from '$lib/store/deferred';
import { batteryPast, lastFlights } from '$lib/store/home';
import { live, once } from '$lib/store/live.svelte';
import {
	appendEntry,
	loadSession,
	noteEvent,
	settleFact,
	reopenSession,
	type SessionBundle,
} from '$lib/store/repository';
import { lastFindings } from '$lib/store/rows';
import { units } from '$lib/ui/preferences.svelte';

const calibrationOf = (payload: EntryPayload | undefined): CalibrationPayload | null =>
	payload?.kind === 'calibration' ? payload : null;

const SEEN_WITHIN_MS = 3000;
const LOOK_EVERY_MS = 10;

/** Kinds of entries that say how a thing was known. */
const GRADED: readonly EntryPayload['kind'][] = ['calibration', 'check', 'test', 'wind'];

/** One session as its pages see it: the records, and everything that follows from them. */
export class SessionView {
	#query;
	#past;
	#flights;
	readonly #now: string;

	/** `now` is the time at which the session was opened: what is due is judged by it. */
	constructor(id: () => string, now: string) {
		this.#query = live(() => loadSession(id()), id);
		this.#past = once(async () => {
			const bundle = await loadSession(id());
			if (!bundle) return { findings: [], deferred: [] };
			const { aircraft, session } = bundle;
			const asOf = session.endedAt ?? now;
			const [findings, deferred] = await Promise.all([
				lastFindings(aircraft.id, asOf, id()),
				session.kind === 'flight' ? deferredFor(aircraft.id, session.startedAt, id()) : [],
			]);
			return { findings, deferred };
		}, id);
		this.#flights = once(
			async () => {
				const { aircraft, session } = (await loadSession(id())) ?? {};
				if (!aircraft || !session) return { flown: [], past: [] };
				const [flights, past] = await Promise.all([lastFlights(aircraft.id), batteryPast(session)]);
				return { flown: flownFlights(flights), past };
			},
			() => `${id()} ${this.#query.current?.session.packId ?? ''}`,
		);
		this.#now = now;
	}

	get ready(): boolean {
		return this.#query.ready && this.#past.ready;
	}

	get missing(): boolean {
		return this.ready && !this.#query.current;
	}

	get bundle(): SessionBundle {
		const { current } = this.#query;
		if (!current) throw new Error('the session is read before its pages are shown');
		return current;
	}

	/** A rehearsal: nothing of it counts outside it, and the simulated aircraft counts in it. */
	get rehearsal(): boolean {
		return this.bundle.session.kind === 'rehearsal';
	}

	/**
	 * Whose what is half done here is: of this session, as the aircraft is now. What was measured or seen before something happened to it does not
	 * come back after it.
	 */
	get half(): string {
		const { session, aircraft, entries } = this.bundle;
		const happened = entries.filter(({ payload }) => payload.kind === 'event').length + aircraft.events.length;
		return `${session.id} ${happened}`;
	}

	/** An ended session is only read. */
	get readOnly(): boolean {
		return this.bundle.session.endedAt !== null;
	}

	asOf = $derived.by(() => this.bundle.session.endedAt ?? this.#now);

	/** What was last done for each sensor before this session. */
	done = $derived.by(() => lastDone(this.#past.current?.findings ?? [], this.asOf));

	/** The calibration in force before this session: what new values are compared with. */
	lastCompass = $derived.by(() => calibrationOf(this.done.get('compass')?.payload));

	/** Everything that can fall due, as of this session. */
	due = $derived.by(() => {
		const { aircraft, site } = this.bundle;
		const here = site && placedAt(site, this.asOf);
		return aircraftDue(
			aircraft,
			this.done,
			here,
			this.asOf,
			{},
			datedAhead(this.#past.current?.findings ?? [], this.asOf),
		);
	});

	/** The same with what this session calibrated so far. */
	dueNow = $derived.by(() => {
		const { aircraft, site, entries } = this.bundle;
		const at = entries.at(-1)?.at ?? this.#now;
		const own = this.rehearsal ? [] : entries;
		return aircraftDue(
			aircraft,
			lastDone([...(this.#past.current?.findings ?? []), ...own], at),
			site && placedAt(site, at),
			at,
		);
	});

	/** Calibrated before this session and not flown a test hover since. */
	unverified = $derived.by(() => {
		const flown = lastHover(this.#past.current?.findings ?? [], this.asOf);
		return VERIFIED_BY_HOVER.filter((sensor) => flown && (this.done.get(sensor)?.at ?? '') > flown.at);
	});

	/** What the session's checklist is made from. */
	setting = $derived.by(() => ({ ...this.bundle, deferred: this.#past.current?.deferred ?? [] }));

	state = $derived.by(() => {
		const { due, done, unverified } = this;
		return assessSession({ ...this.setting, due, done, unverified, units: units() });
	});

	get facts() {
		return this.state.facts;
	}

	/** Flights of the aircraft on record, for its burn rate; none until they are read. */
	flown = $derived.by(() => this.#flights.current?.flown ?? []);

	/** Whether earlier flights and the battery's past are read: before, its charge is not shown. */
	get flightsReady(): boolean {
		return this.#flights.ready;
	}

	/** Flight time on the session's battery from a charge, %, by flights on record; null where there are none. */
	estimateFrom(startPct: number | null) {
		const { pack } = this.bundle;
		return pack && startPct !== null && this.flown.length > 0 ? estimateOnPack(pack, startPct, this.flown) : null;
	}

	/** How much of the battery a minute of hovering takes; null where nothing says it. */
	rate = $derived.by(() => {
		const { aircraft, pack } = this.bundle;
		return pack && burnRate(aircraft, pack, this.flown.length > 0 ? estimateOnPack(pack, 100, this.flown) : null);
	});

	/** The battery's charge through its last sessions and this one. */
	ledger = $derived.by(() => {
		const { pack, entries } = this.bundle;
		const past = this.rehearsal ? [] : (this.#flights.current?.past ?? []);
		return pack && batteryLedger(pack, { past, entries }, this.rate, { rehearsal: this.rehearsal });
	});

	/** When to land and to turn back if it takes off now, in minutes; `typedMin` as the pilot entered it. */
	clockFrom(typedMin: number | null) {
		const plan = this.state.record.speaking('way-home');
		return flightClock(this.bundle.pack, this.ledger, {
			estimate: this.estimateFrom(this.ledger?.planPct ?? null),
			typedMin,
			plan: plan?.payload.kind === 'test' ? plannedReturn(plan.payload) : null,
		});
	}

	/** Settles a disagreement: one value from here on, in the record and, where the aircraft differs from it, in its profile. */
	settle({ key }: Conflict, chosen: Statement): Promise<void> {
		const { session } = this.bundle;
		const { unit, label } = FACT_RULES[key];
		const ofProfile = chosen.source === 'profile';
		return settleFact(session.id, 'return', {
			kind: 'check',
			task: settledTask(key),
			outcome: 'done',
			value: typeof chosen.value === 'number' ? chosen.value : null,
			unit,
			waitedS: null,
			reason: ofProfile
				? `${label}: the aircraft was set back to its profile and read again.`
				: `${label}: the profile was updated.`,
			states: [{ key, value: chosen.value }],
			grade: chosen.source === 'measured' ? 'measured' : ofProfile || chosen.source === 'display' ? 'read-off' : 'told',
		});
	}

	/** The session at its last decision, and what was found after it: what the report shows. */
	decided = $derived.by(() => {
		const { due, done, unverified } = this;
		return decidedOn({ ...this.setting, due, done, unverified, units: units() }, this.readOnly);
	});

	/** The compass calibration that holds now: of this session, else of an earlier one. The practice aircraft has none of the real one's. */
	compassInForce = $derived.by(
		() => calibrationOf(this.state.record.speaking('compass')?.payload) ?? (this.rehearsal ? null : this.lastCompass),
	);

	/** The wind in force; null where nobody entered one. */
	wind = $derived.by(() => {
		const { facts } = this;
		const [fromDeg, speedMps, gustMps] = [
			valueOf(facts, 'windFromDeg'),
			valueOf(facts, 'windMps'),
			valueOf(facts, 'gustMps'),
		];
		return fromDeg === null || speedMps === null || gustMps === null ? null : { fromDeg, speedMps, gustMps };
	});

	/** How a thing is known in this session: simulated data are rehearsed wherever they come, and everything in a rehearsal is. */
	grade(usual: Grade, simulated = false): Grade {
		return this.rehearsal || simulated ? 'rehearsed' : usual;
	}

	/**
	 * Writes an entry in the pilot's name; resolves once it is on this device, and the pages have seen it.
	 *
	 * @param also writes that belong to the same fact: all of it is on this device, or nothing
	 */
	async record(
		station: StationId,
		payload: EntryPayload,
		corrects: string | null = null,
		also: (() => Promise<unknown>) | null = null,
	): Promise<Entry> {
		const { session } = this.bundle;
		const graded =
			this.rehearsal && GRADED.includes(payload.kind) ? ({ ...payload, grade: 'rehearsed' } as EntryPayload) : payload;
		const entry = await asOne(async () => {
			const written = await appendEntry(session.id, station, session.pilot, graded, corrects);
			await also?.();
			return written;
		});
		await this.#seen(entry.seq);
		return entry;
	}

	/** Waits until what the pages show includes an entry, so that what comes next is judged by it. */
	async #seen(seq: number): Promise<void> {
		for (let waitedMs = 0; waitedMs < SEEN_WITHIN_MS; waitedMs += LOOK_EVERY_MS) {
			if ((this.bundle.entries.at(-1)?.seq ?? -1) >= seq) return;
			await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS));
		}
	}

	/** Leaves a task undone, by itself and with its reason. */
	setAside({ task, station, title, entry }: TaskState, reason: string, dueAt: StationId | null) {
		const { pilot } = this.bundle.session;
		const about = title.slice(0, 400);
		return this.record(
			station,
			{ kind: 'aside', task, about, reason, signedBy: pilot, ...(dueAt ? { dueAt } : {}) },
			entry?.id ?? null,
		);
	}

	/** Leaves something for the next session in the pilot's own words; it comes back at a station. */
	leave(words: string, dueAt: StationId) {
		const { pilot } = this.bundle.session;
		const about = words.trim().slice(0, 400);
		return this.record('close', {
			kind: 'aside',
			task: ownTask(about),
			about,
			reason: 'left for next time',
			signedBy: pilot,
			dueAt,
		});
	}

	/** Checks that an event makes to do: those answered or skipped, and calibrations that it makes due. */
	reopens(what: EventKind, extent: EventExtent = {}): { task: string; about: string }[] {
		const undone = undoneBy(what, extent);
		const answered = this.state.stations
			.flatMap(({ tasks }) => tasks)
			.filter(({ task, entry }) => entry !== null && undone.has(task))
			.map(({ task, title }) => ({ task, about: title.slice(0, 200) }));
		const sensors = sensorsOf(this.bundle.aircraft).filter((sensor) => affectsSensor(what, extent, sensor));
		return [
			...answered,
			...sensors
				.map((sensor) => ({ task: taskOfSensor(sensor), about: isDueWords(sensor) }))
				.filter(({ task }) => !answered.some((one) => one.task === task)),
		];
	}

	async happened(what: EventKind, note: string, extent: EventExtent = {}): Promise<void> {
		const { aircraft, session } = this.bundle;
		await noteEvent(aircraft.id, { what, note, ...extent }, session.id);
		this.#past.again();
	}

	reopen(reason: string) {
		return reopenSession(this.bundle.session.id, reason);
	}

	/** Where a task is done: its own page, or its place in the station's list. */
	taskHref({ task, station, page }: Pick<TaskState, 'task' | 'station' | 'page'>): string {
		const { aircraft, session } = this.bundle;
		if (page === 'indoor') return `/aircraft/${aircraft.id}/indoor`;
		if (page === 'troubleshooting') return this.finderHref();
		if (page === 'record') return `/session/${session.id}/sheet`;
		if (page === 'wind' || page === 'conflict') return this.href(station);
		return page ? this.href(station, page) : `${this.href(station)}?item=${task}`;
	}

	/** Where causes are found for what the aircraft does, with a sign that was seen already. */
	finderHref(sign?: string, about = ''): string {
		const { aircraft, session } = this.bundle;
		return `/finder?aircraft=${aircraft.id}&session=${session.id}${sign ? `&sign=${sign}` : ''}${about ? `&about=${about}` : ''}`;
	}

	href(station: StationId, task?: string): string {
		return `/session/${this.bundle.session.id}/${station}${task ? `/${task}` : ''}`;
	}
}

export const [getSessionView, setSessionView] = createContext<SessionView>();
