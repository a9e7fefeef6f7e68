import { createContext } from 'svelte';
import { sensorDue } from '$lib/core/due/due';
import { aircraftDue } from '$lib/features/due/fleetDue';
import { foldSession } from '$lib/core/gate/fold';
import { VERIFIED_BY_HOVER, type TaskState } from '$lib/core/gate/tasks';
import { runChecklist } from '$lib/core/checklist/run';
import { checklistFor } from '$lib/core/checklist/items';
import type { CalibrationPayload, EntryPayload, StationId } from '$lib/schema/records';
import { live } from '$lib/store/live.svelte';
import { appendEntry, loadSession, type SessionBundle } from '$lib/store/repository';
import { units } from '$lib/ui/preferences.svelte';

export const calibrationOf = (payload: EntryPayload | undefined): CalibrationPayload | null =>
	payload?.kind === 'calibration' ? payload : null;

/** Tasks that have a page of their own. */
export const OWN_PAGE: readonly string[] = ['compass', 'site-field', 'position', 'hover', 'bench-due', 'indoor'];

/** One session as its pages see it: the records, and everything that follows from them. */
export class SessionView {
	#query;
	readonly #now: string;

	/** `now` is the time at which the session was opened: what is due is judged by it. */
	constructor(id: () => string, now: string) {
		this.#query = live(() => loadSession(id()), id);
		this.#now = now;
	}

	get ready(): boolean {
		return this.#query.ready;
	}

	get missing(): boolean {
		return this.#query.ready && !this.#query.current;
	}

	get bundle(): SessionBundle {
		const { current } = this.#query;
		if (!current) throw new Error('the session is read before its pages are shown');
		return current;
	}

	/** The calibration in force before this session: what new values are compared with. */
	lastCompass = $derived.by(() => calibrationOf(this.bundle.lastCompass?.payload));

	due = $derived.by(() => {
		const { aircraft, session, site, lastCompass } = this.bundle;
		if (aircraft.compasses === 0) return null;
		const last = lastCompass && this.lastCompass ? { at: lastCompass.at, place: this.lastCompass.place } : null;
		return sensorDue('compass', aircraft, last, site, session.endedAt ?? this.#now);
	});

	/** Everything but the compass that can fall due, as of the start of this session. */
	benchDue = $derived.by(() => {
		const { aircraft, session, site, done } = this.bundle;
		return aircraftDue(aircraft, done, site, session.endedAt ?? this.#now).filter(({ sensor }) => sensor !== 'compass');
	});

	/** Calibrated before this session and not flown a test hover since. */
	unverified = $derived.by(() => {
		const { done, lastHover } = this.bundle;
		return VERIFIED_BY_HOVER.filter((sensor) => lastHover && (done.get(sensor)?.at ?? '') > lastHover.at);
	});

	gate = $derived.by(() => {
		const { aircraft, entries, lastCompass } = this.bundle;
		return foldSession({
			aircraft,
			entries,
			due: this.due,
			benchDue: this.benchDue,
			compassSince: lastCompass?.at ?? null,
			unverified: this.unverified,
			units: units(),
		});
	});

	items = $derived.by(() => runChecklist(checklistFor(this.bundle.aircraft), this.bundle.entries));

	/** The compass calibration that holds now: of this session, else of an earlier one. */
	compassInForce = $derived.by(() => {
		const own = this.bundle.entries.findLast(
			({ payload }) => payload.kind === 'calibration' && payload.accepted === 'accepted',
		);
		return calibrationOf(own?.payload) ?? this.lastCompass;
	});

	/** The wind as last entered. */
	wind = $derived.by(() => {
		const entry = this.bundle.entries.findLast(({ payload }) => payload.kind === 'wind');
		return entry?.payload.kind === 'wind' ? entry.payload : null;
	});

	/** Writes an entry in the pilot's name; resolves once it is on this device. */
	record(station: StationId, payload: EntryPayload, corrects: string | null = null) {
		const { session } = this.bundle;
		return appendEntry(session.id, station, session.pilot, payload, corrects);
	}

	/** Where a task of the gate is done: its own page, or its place in the station's list. */
	taskHref({ task, station }: Pick<TaskState, 'task' | 'station'>): string {
		if (task === 'indoor') return `/aircraft/${this.bundle.aircraft.id}/indoor`;
		return this.href(station, OWN_PAGE.includes(task) ? task : undefined);
	}

	href(station: StationId, task?: string): string {
		return `/session/${this.bundle.session.id}/${station}${task ? `/${task}` : ''}`;
	}
}

export const [getSessionView, setSessionView] = createContext<SessionView>();
