import type { Satellite } from '../../schema/gnss';
import { numberIn, type Sentence } from './nmea';

const BY_TALKER: Record<string, string> = {
	GP: 'GPS',
	GL: 'GLONASS',
	GA: 'Galileo',
	GB: 'BeiDou',
	BD: 'BeiDou',
	GQ: 'QZSS',
	QZ: 'QZSS',
	GI: 'NavIC',
};
/** System ids of NMEA 0183 version 4.10 and later, last field of GSA. */
const BY_SYSTEM_ID: Record<string, string> = {
	'1': 'GPS',
	'2': 'GLONASS',
	'3': 'Galileo',
	'4': 'BeiDou',
	'5': 'QZSS',
	'6': 'NavIC',
};

/** System and plain number of a satellite: receivers number them in several ways, so one satellite must get one name. */
export function nameSatellite(system: string | undefined, rawId: number): { system: string; id: number } {
	if (system === undefined || system === 'GPS') {
		if (rawId >= 33 && rawId <= 64) return { system: 'SBAS', id: rawId };
		if (rawId >= 65 && rawId <= 96) return { system: 'GLONASS', id: rawId - 64 };
		if (rawId >= 120 && rawId <= 158) return { system: 'SBAS', id: rawId - 87 };
		if (rawId >= 193 && rawId <= (system ? 202 : 200)) return { system: 'QZSS', id: rawId - 192 };
		if (system === undefined && rawId >= 201 && rawId <= 263) return { system: 'BeiDou', id: rawId - 200 };
		if (system === undefined && rawId >= 301 && rawId <= 336) return { system: 'Galileo', id: rawId - 300 };
		if (system === undefined && rawId >= 401 && rawId <= 463) return { system: 'BeiDou', id: rawId - 400 };
		return { system: 'GPS', id: rawId };
	}
	if (system === 'GLONASS' && rawId > 64) return { system, id: rawId - 64 };
	if (system === 'Galileo' && rawId > 300) return { system, id: rawId - 300 };
	if (system === 'BeiDou' && rawId > 400) return { system, id: rawId - 400 };
	if (system === 'BeiDou' && rawId > 200) return { system, id: rawId - 200 };
	if (system === 'QZSS' && rawId > 192) return { system, id: rawId - 192 };
	return { system, id: rawId };
}

/** One name for one satellite, whichever talker tells of it. */
export const satelliteKey = ({ system, id }: { system: string; id: number }) => `${system} ${id}`;

const idIn = (field: string | undefined): number | null => {
	const id = numberIn(field);
	return id !== null && Number.isInteger(id) && id > 0 ? id : null;
};

/** What one GSA sentence names. Sentences that say the same, dilution aside, are one and the same object. */
export interface ActiveSatellites {
	/** Talker, system and main constellation: a second report of the same replaces the first in its epoch. */
	readonly key: string;
	readonly mode: number | null;
	/** How many places of the sentence are filled. */
	readonly filled: number;
	readonly all: ReadonlySet<string>;
}

function activeIn(talker: string, system: string, mode: number | null, places: string): ActiveSatellites {
	const name = BY_SYSTEM_ID[system] ?? BY_TALKER[talker];
	const named = places
		.split(',')
		.map(idIn)
		.flatMap((id) => (id === null ? [] : [nameSatellite(name, id)]));
	const counts = new Map<string, number>();
	for (const satellite of named) counts.set(satellite.system, (counts.get(satellite.system) ?? 0) + 1);
	const [main] = [...counts].reduce<[string, number]>((best, entry) => (entry[1] > best[1] ? entry : best), ['', 0]);
	return { key: `${talker}/${system} ${main}`, mode, filled: named.length, all: new Set(named.map(satelliteKey)) };
}

/** So many different sentences are remembered, the latest first: a cycle has a handful, and they change as satellites rise and set. */
const REMEMBERED = 12;
/** 2 modes, 12 places, 3 dilutions, then perhaps the system's number. */
const [MODE, PLACES, PLACES_END, SYSTEM] = [1, 2, 14, 17];
/** Which field of a GSA sentence holds the horizontal dilution. */
export const GSA_HDOP = 15;

/** Reads GSA sentences, short ones and those with a system id included. What they name changes seldom: it is taken apart once. */
export function gsaReader() {
	const remembered: { talker: string; system: string; places: string; active: ActiveSatellites }[] = [];
	return (sentence: Sentence): ActiveSatellites => {
		const { talker } = sentence;
		const mode = sentence.number(MODE);
		const system = sentence.text(SYSTEM).trim();
		const same = (one: (typeof remembered)[number]) =>
			one.talker === talker &&
			one.system === system &&
			one.active.mode === mode &&
			sentence.spans(PLACES, PLACES_END, one.places);
		let k = 0;
		while (k < remembered.length && !same(remembered[k])) k++;
		if (k === remembered.length) {
			const places = sentence.span(PLACES, PLACES_END);
			remembered.push({ talker, system, places, active: activeIn(talker, system, mode, places) });
		}
		const found = remembered[k];
		for (; k > 0; k--) remembered[k] = remembered[k - 1];
		remembered[0] = found;
		if (remembered.length > REMEMBERED) remembered.length = REMEMBERED;
		return found.active;
	};
}

/** What the sentences of a cycle say, as it came: only the last cycles are ever read, so only those are taken apart. */
interface Cycle {
	expected: number;
	next: number;
	talker: string;
	bodies: string[];
	atS: number;
	/** The epoch in which it ended. */
	epoch: number;
}

type Seen = Omit<Satellite, 'used'>;

function satellitesIn({ talker, bodies }: Cycle): Seen[] {
	const out: Seen[] = [];
	for (const body of bodies) {
		const fields = body.split(',');
		for (let k = COUNTS; k + 3 < fields.length; k += 4) {
			const id = idIn(fields[k]);
			if (id === null) continue;
			out.push({
				...nameSatellite(BY_TALKER[talker], id),
				elevationDeg: numberIn(fields[k + 1]),
				azimuthDeg: numberIn(fields[k + 2]),
				snrDb: numberIn(fields[k + 3]),
			});
		}
	}
	return out;
}

/** The signal's number that stands last where the blocks of four leave one field over. */
const signalOf = (sentence: Sentence): string =>
	(sentence.count - COUNTS) % 4 === 1 ? sentence.text(sentence.count - 1).trim() : '';

/** Counts of sentences, its own number, and satellites stand before the blocks of four. */
const COUNTS = 3;

/**
 * Gathers GSV sentences into full blocks. Receivers send one block a talker and signal, with or without the signal's number: all
 * blocks of a talker that end in one epoch are its view, and one that the end of the log cut off is taken from the epoch before.
 */
export function gsvCollector() {
	const open = new Map<string, Cycle>();
	const views = new Map<string, { now: Cycle[]; before: Cycle[] }>();
	const keep = (key: string, cycle: Cycle) => {
		const view = views.get(key) ?? { now: [], before: [] };
		if (view.now.length > 0 && view.now[0].epoch !== cycle.epoch) views.set(key, { now: [cycle], before: view.now });
		else views.set(key, { now: [...view.now, cycle], before: view.before });
	};
	/** The open block that a sentence of another signal goes on with: some receivers count all bands of a talker in one block. */
	const bandsKey = (talker: string, goesOn: (cycle: Cycle) => boolean): string =>
		[...open].find(([, cycle]) => cycle.talker === talker && goesOn(cycle))?.[0] ?? '';
	return {
		/** `atS` is the time and `epoch` the number of the instant in which the sentence came. */
		take(sentence: Sentence, atS: number, epoch: number) {
			const { talker } = sentence;
			const [total, number] = [sentence.number(0), sentence.number(1)];
			if (total === null || number === null || total <= 0 || number <= 0) return;
			const own = talker + signalOf(sentence);
			const goesOn = (cycle: Cycle | undefined) => cycle?.next === number && cycle.expected === total;
			const key = number === 1 || goesOn(open.get(own)) ? own : bandsKey(talker, goesOn);
			const cycle: Cycle | undefined =
				number === 1 ? { expected: total, next: 1, talker, bodies: [], atS, epoch } : open.get(key);
			if (!cycle) {
				open.delete(own); // a log that starts in mid-cycle, or a lost sentence
				return;
			}
			cycle.bodies.push(sentence.body);
			cycle.next++;
			cycle.atS = atS;
			cycle.epoch = epoch;
			open.set(key, cycle);
			if (number !== total) return;
			open.delete(key);
			keep(key, cycle);
		},
		/** Satellites of the last full blocks, each once with its strongest signal; null where there was no full block. */
		last(withinS: number): Seen[] | null {
			const blocks = [...views.values()].flatMap(({ now, before }) => [...now, ...before.slice(now.length)]);
			if (blocks.length === 0) return null;
			const latest = Math.max(...blocks.map(({ atS }) => atS));
			const seen = new Map<string, Seen>();
			for (const cycle of blocks) {
				if (latest - cycle.atS > withinS) continue;
				for (const satellite of satellitesIn(cycle)) {
					const before = seen.get(satelliteKey(satellite));
					if (!before || (satellite.snrDb ?? -1) > (before.snrDb ?? -1)) seen.set(satelliteKey(satellite), satellite);
				}
			}
			return [...seen.values()];
		},
	};
}
