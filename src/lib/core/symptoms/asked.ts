import type { Aircraft, AircraftKind } from '../../schema/records';
import type { RecentEvent, SymptomKind, SymptomRequest } from '../../schema/symptoms';
import { hasPart } from '../session/capabilities';

/** The kind of the table that an aircraft is taken for. */
const KIND: Record<AircraftKind, SymptomKind> = {
	camera: 'camera',
	'large-camera': 'camera',
	multirotor: 'multirotor',
	wing: 'wing',
	sprayer: 'sprayer',
	spreader: 'sprayer',
	racer: 'racer',
	longrange: 'longrange',
	toy: 'toy',
};

/** Events that change what is likely; the others say nothing here. */
const EVENTS: Partial<Record<string, RecentEvent>> = {
	new: 'new',
	firmware: 'firmware',
	knock: 'knock',
	part: 'part',
	journey: 'journey',
};

const DAY_MS = 86_400_000;
/** What happened longer ago has been flown since. */
const RECENT_DAYS = 30;

/** What is known of an aircraft before anything is told: kind, equipment, and what happened to it lately. `now` as ISO time. */
export function knownOf(aircraft: Aircraft, now: string): Pick<SymptomRequest, 'kind' | 'has' | 'recent'> {
	const since = Date.parse(now) - RECENT_DAYS * DAY_MS;
	const lately = aircraft.events.filter(({ at }) => Date.parse(at) >= since && at <= now);
	return {
		kind: KIND[aircraft.kind],
		has: {
			compasses: aircraft.compasses,
			position: aircraft.hasPosition,
			camera: hasPart(aircraft, 'camera') || hasPart(aircraft, 'video'),
		},
		recent: [...new Set(lately.flatMap(({ kind }) => EVENTS[kind] ?? []))],
	};
}

/** Signs and causes by what a pilot would say: every word asked must begin a word of the text. */
export function saidOf<T extends { text: string }>(all: readonly T[], asked: string): T[] {
	const words = (text: string) => text.toLowerCase().match(/[a-z0-9]+/g) ?? [];
	const wanted = words(asked);
	if (wanted.length === 0) return [...all];
	const stem = (word: string) => (word.length > 3 ? word.replace(/(ing|s)$/, '') : word);
	return all.filter(({ text }) => {
		const own = words(text);
		return wanted.every((w) => own.some((o) => o.startsWith(stem(w)) || stem(o) === stem(w)));
	});
}
