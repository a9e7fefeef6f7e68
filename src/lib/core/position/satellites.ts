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
		if (rawId >= 193 && rawId <= 202) return { system: 'QZSS', id: rawId - 192 };
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

interface Cycle {
	expected: number;
	next: number;
	satellites: Omit<Satellite, 'used'>[];
}

/** Gathers GSV sentences into full cycles, one per talker and signal. */
export function gsvCollector() {
	const open = new Map<string, Cycle>();
	const full = new Map<string, { atS: number; satellites: Omit<Satellite, 'used'>[] }>();
	return {
		take({ talker, fields }: Sentence, atS: number) {
			const total = numberIn(fields[0]);
			const number = numberIn(fields[1]);
			if (total === null || number === null) return;
			const blocks = fields.slice(3);
			const signal = blocks.length % 4 === 1 ? (blocks.pop() ?? '').trim() : '';
			const key = `${talker}/${signal}`;
			const cycle = number === 1 ? { expected: total, next: 1, satellites: [] } : open.get(key);
			if (!cycle || cycle.next !== number || cycle.expected !== total) {
				open.delete(key); // a log that starts in mid-cycle, or a lost sentence
				return;
			}
			for (let k = 0; k + 3 < blocks.length; k += 4) {
				const id = idIn(blocks[k]);
				if (id === null) continue;
				cycle.satellites.push({
					...nameSatellite(BY_TALKER[talker], id),
					elevationDeg: numberIn(blocks[k + 1]),
					azimuthDeg: numberIn(blocks[k + 2]),
					snrDb: numberIn(blocks[k + 3]),
				});
			}
			cycle.next++;
			open.set(key, cycle);
			if (number !== total) return;
			open.delete(key);
			full.set(key, { atS, satellites: cycle.satellites });
		},
		/** Satellites of the last full cycles, each once with its strongest signal; null where there was no full cycle. */
		last(withinS: number): Omit<Satellite, 'used'>[] | null {
			if (full.size === 0) return null;
			const latest = Math.max(...[...full.values()].map(({ atS }) => atS));
			const seen = new Map<string, Omit<Satellite, 'used'>>();
			for (const { atS, satellites } of full.values()) {
				if (latest - atS > withinS) continue;
				for (const satellite of satellites) {
					const before = seen.get(satelliteKey(satellite));
					if (!before || (satellite.snrDb ?? -1) > (before.snrDb ?? -1)) seen.set(satelliteKey(satellite), satellite);
				}
			}
			return [...seen.values()];
		},
	};
}
