import type { Aircraft, AircraftKind, Occasion, Pack, Part, Session, Site, Venue } from '../../../schema/records';
import type { Entry } from '../../../schema/entries';
import { undoneByDoing } from '../../evidence/undoneByDoing';
import type { Payload } from '../../facts/keys';
import { daysBetween } from '../../../words/calendar';
import type { Deferred } from '../deferred';
import { comesHome, hasPart, isFactory, showsData } from '../../aircraft/capabilities';

/** All that a checklist is made from: this aircraft, this place, this pack, this day. */
export interface Setting {
	aircraft: Aircraft;
	session?: Pick<Session, 'occasion' | 'venue'> | undefined;
	site?: Site | null | undefined;
	pack?: Pack | null | undefined;
	/** What was left undone in earlier sessions and comes back. */
	deferred?: readonly Deferred[] | undefined;
	/** What this session recorded so far. */
	entries?: readonly Entry[] | undefined;
}

/** When an item is asked, and how that is said to the pilot. */
export interface Condition {
	holds(setting: Setting): boolean;
	because: string;
	/** It is about the occasion, and passes with it: what was left undone then is asked later all the same. */
	passes?: true;
}

const of = (because: string, holds: (aircraft: Aircraft) => boolean): Condition => ({
	because,
	holds: ({ aircraft }) => holds(aircraft),
});

/** Asked of nobody else; not said as a reason, since its absence is what is meant. */
export const not = (condition: Condition, because = ''): Condition => ({
	because,
	holds: (setting) => !condition.holds(setting),
});

export const kind = (because: string, ...kinds: AircraftKind[]): Condition =>
	of(because, (a) => kinds.includes(a.kind));
export const part = (which: Part, because: string): Condition => of(because, (a) => hasPart(a, which));
export const anyPart = (because: string, ...which: Part[]): Condition =>
	of(because, (a) => which.some((p) => hasPart(a, p)));
export const occasion = (because: string, ...which: Occasion[]): Condition => ({
	because,
	holds: ({ session }) => which.includes(session?.occasion ?? 'routine'),
	passes: true,
});
export const venue = (because: string, which: Venue): Condition => ({
	because,
	holds: ({ session }) => (session?.venue ?? 'open') === which,
});

export const wing = kind('a wing', 'wing');
export const toy = kind('a small indoor drone', 'toy');
/** Built or opened by its pilot: straps, leads and nuts are in reach, and there is a mode that holds nothing. */
export const built = of('built or opened by its pilot', (a) => !isFactory(a));
/** Answers a stick on the ground before it lifts. */
export const nudged = of('built, and it lifts straight up', (a) => !isFactory(a) && a.kind !== 'wing');
export const homing = of('it is to come home by itself', comesHome);
export const withCompass = of('it has a compass', (a) => a.compasses > 0);
export const mounted = (where: NonNullable<Aircraft['compassMounts']>[number], because: string): Condition =>
	of(because, (a) => a.compassMounts?.includes(where) ?? false);
export const twoCompasses = of('it has more than one compass', (a) => a.compasses > 1);
/** The payload that the session stated last; of an aircraft with one payload, that one. Null while an aircraft of both has not been asked. */
export function payloadFitted({ aircraft, entries = [] }: Setting): Payload | null {
	const carried = PAYLOADS.filter((one) => hasPart(aircraft, one));
	if (carried.length < 2) return carried[0] ?? null;
	const stated = entries.findLast(
		({ payload }) => payload.kind === 'check' && payload.states?.some(({ key }) => key === 'payload'),
	)?.payload;
	const value = stated?.kind === 'check' ? stated.states?.find(({ key }) => key === 'payload')?.value : undefined;
	return PAYLOADS.find((one) => one === value) ?? null;
}
const PAYLOADS = ['tank', 'spreader'] as const satisfies readonly Payload[];

/** It works with this payload, and the other one is not fitted. */
export const carrying = (which: Payload, because: string): Condition => ({
	because,
	holds: (setting) => hasPart(setting.aircraft, which) && (payloadFitted(setting) ?? which) === which,
});

/** Shows its state by lights alone. */
export const lightsOnly = of('it shows its state by lights alone', ({ gives }) => gives === 'lights');
export const withoutData = of('it shows no data', (a) => !showsData(a));
export const roof = venue('under a roof', 'roof');
export const people = venue('people are near', 'people');
export const water = venue('over water', 'water');
export const outdoors = not(roof);
/** Days for which an anomaly that was logged is looked for again. */
const ANOMALY_DAYS = 14;

/** The last anomaly logged before the session, where it is recent enough to be looked for again. */
export function lateAnomaly({ aircraft, entries }: Setting): Aircraft['events'][number] | null {
	const begun = entries?.[0]?.at;
	if (!begun) return null;
	return (
		aircraft.events.findLast(
			({ kind: what, at }) => what === 'odd-flight' && at <= begun && daysBetween(at, begun) <= ANOMALY_DAYS,
		) ?? null
	);
}
export const afterAnomaly: Condition = {
	because: `an anomaly was logged in the last ${ANOMALY_DAYS} days`,
	holds: (setting) => lateAnomaly(setting) !== null,
};
/** Something of it is new or was opened: nothing of before can be relied on. */
export const untried = occasion(
	'untried since it was built, repaired, updated or crashed',
	'first',
	'repair',
	'update',
	'crash',
);
export const opened = occasion('it was built, repaired or crashed', 'first', 'repair', 'crash');
export const first = occasion('its first flight ever', 'first');
export const crashed = occasion('it crashed', 'crash');
export const updated = occasion('its software or settings changed', 'update');
export const stored = occasion('it was stored', 'storage');
/** Its modes are on switches: built, or its radio was entered. */
export const switched = of(
	'its modes are on switches',
	(a) => !isFactory(a) || (a.controls ?? []).some(({ does }) => does !== 'payload'),
);
/** It can hold its height: a switch position says so, or it holds its position and so its height. */
export const heightHeld = of(
	'it can hold its height',
	(a) =>
		a.ladder?.heightRung !== false && (a.hasPosition || (a.controls ?? []).some(({ does }) => does === 'height-hold')),
);
/** Its pilot is of the school that hovers under a roof first. */
export const hallFirst = of('its first hover is under a roof, as chosen', (a) => a.ladder?.firstHover === 'indoors');
export const videoLimit: Condition = {
	because: 'the place says what a video transmitter may send with',
	holds: ({ site }) => site?.videoMaxMw !== undefined,
};
/** Something was calibrated in this session that the aircraft takes over with a restart. */
export const calibrated: Condition = {
	because: 'it was calibrated in this session',
	passes: true,
	holds: ({ entries = [] }) =>
		entries.some(
			({ payload }) =>
				(payload.kind === 'calibration' ? payload.accepted === 'accepted' : payload.kind === 'test') &&
				'verdict' in payload &&
				payload.verdict !== 'fail' &&
				undoneByDoing(payload).includes('restarted'),
		),
};
/** Its charge is read in per cent, not in volts. */
export const inPercent: Condition = {
	because: 'its charge is shown in per cent',
	holds: ({ pack, aircraft }) => (pack?.chemistry ? pack.chemistry === 'percent' : isFactory(aircraft)),
};
