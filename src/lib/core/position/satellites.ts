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

/** The satellites that one sentence names; the same object wherever the next sentence names the same. */
export interface NamedSatellites {
	all: ReadonlySet<string>;
	/** The constellation that most of them belong to: what tells two sentences of one combined talker apart. */
	main: string;
}

export interface ActiveSatellites {
	/** Where the sentence stands in its epoch: talker and system, so that a second report of the same replaces it. */
	source: string;
	mode: number | null;
	/** How many places of the sentence are filled. */
	filled: number;
	used: NamedSatellites;
	hdop: number | null;
}

function nameAll(fields: readonly string[], system: string | undefined): NamedSatellites & { filled: number } {
	const named = fields.map(idIn).flatMap((id) => (id === null ? [] : [nameSatellite(system, id)]));
	const counts = new Map<string, number>();
	for (const satellite of named) counts.set(satellite.system, (counts.get(satellite.system) ?? 0) + 1);
	const [main] = [...counts].reduce<[string, number]>((best, entry) => (entry[1] > best[1] ? entry : best), ['', 0]);
	return { all: new Set(named.map(satelliteKey)), main, filled: named.length };
}

/** So many different sentences are remembered: a cycle has a handful, and they change as satellites rise and set. */
const REMEMBERED = 64;

/** Reads GSA sentences, short ones and those with a system id included. What they name changes seldom: it is taken apart once. */
export function gsaReader() {
	const named = new Map<string, ReturnType<typeof nameAll>>();
	return ({ talker, fields }: Sentence): ActiveSatellites => {
		// 2 modes, 12 ids, 3 dilutions, then perhaps the system id.
		const systemField = fields.length >= 18 ? fields[17].trim() : '';
		const source = `${talker}/${systemField}`;
		const ids = fields.slice(2, 14);
		const key = `${source} ${ids.join()}`;
		let used = named.get(key);
		if (!used) {
			if (named.size >= REMEMBERED) named.clear();
			used = nameAll(ids, BY_SYSTEM_ID[systemField] ?? BY_TALKER[talker]);
			named.set(key, used);
		}
		return { source, mode: numberIn(fields[1]), filled: used.filled, used, hdop: numberIn(fields[15]) };
	};
}

/** The sentences of a cycle as they came: only the last cycles are ever read, so only those are taken apart. */
interface Cycle {
	expected: number;
	next: number;
	talker: string;
	sentences: Sentence[];
	atS: number;
	/** The epoch in which it ended. */
	epoch: number;
}

type Seen = Omit<Satellite, 'used'>;

function satellitesIn({ talker, sentences }: Cycle): Seen[] {
	const out: Seen[] = [];
	for (const { fields } of sentences) {
		// 3 counts, then blocks of four, then perhaps the signal.
		for (let k = 3; k + 3 < fields.length; k += 4) {
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
function signalOf(body: string): string {
	let fields = 1;
	for (let i = body.indexOf(','); i >= 0; i = body.indexOf(',', i + 1)) fields++;
	return (fields - 3) % 4 === 1 ? body.slice(body.lastIndexOf(',') + 1).trim() : '';
}

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
	return {
		/** `atS` is the time and `epoch` the number of the instant in which the sentence came. */
		take(sentence: Sentence, atS: number, epoch: number) {
			const { talker, body } = sentence;
			// Its two counts stand first; the rest is taken apart only where it is read.
			const [total, number] = (body ?? '').split(',', 2).map(Number);
			if (!(total > 0) || !(number > 0)) return;
			const key = talker + signalOf(body ?? '');
			const cycle = number === 1 ? { expected: total, next: 1, talker, sentences: [], atS, epoch } : open.get(key);
			if (!cycle || cycle.next !== number || cycle.expected !== total) {
				open.delete(key); // a log that starts in mid-cycle, or a lost sentence
				return;
			}
			cycle.sentences.push(sentence);
			cycle.next++;
			Object.assign(cycle, { atS, epoch });
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
