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

export interface ActiveSatellites {
	/** Where the sentence stands in its epoch: talker and system, so that a second report of the same replaces it. */
	source: string;
	mode: number | null;
	used: string[];
	hdop: number | null;
}

/** Reads a GSA sentence, short ones and those with a system id included. */
export function readGsa({ talker, fields }: Sentence): ActiveSatellites {
	// 2 modes, 12 ids, 3 dilutions, then perhaps the system id.
	const systemField = fields.length >= 18 ? fields[17].trim() : '';
	const system = BY_SYSTEM_ID[systemField] ?? BY_TALKER[talker];
	const used = fields
		.slice(2, 14)
		.map(idIn)
		.filter((id) => id !== null)
		.map((id) => satelliteKey(nameSatellite(system, id)));
	return { source: `${talker}/${systemField}`, mode: numberIn(fields[1]), used, hdop: numberIn(fields[15]) };
}

/** The sentences of a cycle as they came: only the last cycles are ever read, so only those are taken apart. */
interface Cycle {
	expected: number;
	next: number;
	talker: string;
	sentences: string[][];
	atS: number;
	/** The epoch in which it ended. */
	epoch: number;
}

type Seen = Omit<Satellite, 'used'>;

function satellitesIn({ talker, sentences }: Cycle): Seen[] {
	const out: Seen[] = [];
	for (const fields of sentences) {
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
		take({ talker, fields }: Sentence, atS: number, epoch: number) {
			const total = Number(fields[0]);
			const number = Number(fields[1]);
			if (!(total > 0) || !(number > 0)) return;
			const signal = (fields.length - 3) % 4 === 1 ? fields[fields.length - 1].trim() : '';
			const key = talker + signal;
			const cycle = number === 1 ? { expected: total, next: 1, talker, sentences: [], atS, epoch } : open.get(key);
			if (!cycle || cycle.next !== number || cycle.expected !== total) {
				open.delete(key); // a log that starts in mid-cycle, or a lost sentence
				return;
			}
			cycle.sentences.push(fields);
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
