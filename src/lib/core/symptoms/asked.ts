import type { Aircraft, AircraftKind } from '../../schema/records';
import type { RecentEvent, SymptomKind, SymptomRequest } from '../../schema/symptoms';
import { hasPart } from '../aircraft/capabilities';

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

/** What pilots also call a sign, in words that its sentence does not have. */
const ALSO: Readonly<Record<string, string>> = {
	'pc-not-seen': 'usb not connect recognised recognized laptop port',
	'plug-dies': 'smoke short spark bench bulb',
	'winds-up': 'rev run away idle climb spool without propellers wind winding faster bench',
	'motor-silent': 'dead stopped spin',
	'motor-rough': 'bearing noise click',
	'cal-refused': 'calibration fails error stuck',
	'nozzle-poor': 'blocked clogged uneven',
	'link-blinks': 'bind receiver flashing connect',
	'radio-ignored': 'no response does not respond receiver bind dead stick',
	'no-fix': 'gps satellite home point',
	'few-sats': 'gps satellites',
	'lock-comes-goes': 'gps loses signal',
	'picture-breaks': 'video static lost goggles',
	'picture-blur': 'focus video',
	'no-start': 'beep will not turn on dead boot',
	'heading-off': 'compass wrong direction',
	'no-arm': 'refuses armed arming motors start',
	'arm-msg': 'error refuses arming',
	pinned: 'stuck lift off take take-off will not fly stays ground',
	flips: 'flip flipped somersault tumble crash take off takeoff roll',
	'tilts-wrong': 'reversed inverted opposite',
	'yaw-wrong': 'rotates turns round turn reversed',
	'revs-bounces': 'jumps hops rev runaway',
	heavy: 'weak power sluggish lift',
	leans: 'drifts drift tilts slides',
	'drifts-wind': 'drift position hold lost floats away',
	circles: 'circling orbit spiral bowl swirls',
	buzz: 'oscillates oscillation vibrates noise whine loud surge',
	'runs-up': 'flyaway rockets shoots climb',
	shakes: 'vibrates oscillation jello jitter',
	bobs: 'height altitude up down yoyo',
	'creeps-height': 'altitude drifts rises',
	'nose-turns': 'yaw drift spins rotates heading',
	'jumps-aside': 'jerks glitch gps lurches',
	'stops-short': 'obstacle brakes',
	veers: 'curves crooked straight line',
	'horizon-tilted': 'crooked camera gimbal level',
	'link-near': 'range signal weak',
	drops: 'fell falls failsafe crash',
	'no-return': 'home failsafe',
	'return-wrong': 'home flyaway wrong direction',
	sags: 'battery pack voltage',
	'short-flight': 'battery minutes time',
	misses: 'landing inaccurate off offset',
	'lands-unsure': 'landing touchdown disarm',
	'motors-hot': 'temperature burn warm',
	'one-hot': 'temperature burn warm',
};

/** Words that stand in any sentence and tell nothing. */
const FILLING = new Set(
	'a an and are as at but by does for from get gets has have i in is it its my of on or so take that the then this to when will with'.split(
		' ',
	),
);
/** Where no sentence has all the words asked for, those that have most of them are shown; with less than this share, none. */
const LEAST_SHARE = 0.5;

const wordsIn = (text: string): string[] => text.toLowerCase().match(/[a-z0-9]+/g) ?? [];
const stem = (word: string) => (word.length > 3 ? word.replace(/(ing|s)$/, '') : word);

/**
 * Signs and causes by what a pilot would say: a word asked must begin a word of the text, or of what else it is called. All words
 * where any sentence has them all, else as many as any has; all signs where nothing is asked.
 */
export function saidOf<T extends { text: string; id?: string }>(all: readonly T[], asked: string): T[] {
	const said = wordsIn(asked);
	const telling = said.filter((word) => !FILLING.has(word));
	const wanted = telling.length > 0 ? telling : said;
	if (wanted.length === 0) return [...all];
	const hits = all.map(({ text, id = '' }) => {
		const own = wordsIn(`${text} ${ALSO[id] ?? ''}`);
		return wanted.filter((w) => own.some((o) => o.startsWith(stem(w)) || stem(o) === stem(w))).length;
	});
	const most = hits.reduce((a, b) => Math.max(a, b), 0);
	if (most < LEAST_SHARE * wanted.length || most === 0) return [];
	return all.filter((_, k) => hits[k] === most);
}
