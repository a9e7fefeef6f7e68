import { readNmea, type ReadCounts, type Sentence } from './nmea';
import { ActiveCycle } from './activeCycle';
import { EpochTable } from './epochTable';
import { countSatellites } from './satelliteCount';
import { positionLimits as limits } from './limits';
import { GSA_HDOP, gsaReader, gsvCollector, satelliteKey, type ActiveSatellites } from './satellites';
import { ReportedCounts } from './reportedCounts';
import type { FixType, Satellite } from '../../schema/gnss';

/** The instants of a log in order of the receiver's clock. Columns are as long as `length`; NaN stands for what nothing tells. */
export interface Epochs {
	length: number;
	/** Receiver's clock, seconds of day unwrapped over midnight; a jump of the clock starts a new stretch. */
	tS: Float64Array;
	/** Counts the jumps of the clock before this epoch. */
	stretch: Int32Array;
	/** 1 where there is a fix. */
	fix: Uint8Array;
	latDeg: Float64Array;
	lonDeg: Float64Array;
	altM: Float64Array;
	/** Satellites used: by name over the GSA sentences, else by GGA or GNS. */
	satellites: Float64Array;
	/** 1 where a sentence that should carry satellites and HDOP stands in this epoch, filled or not. */
	reportsQuality: Uint8Array;
	hdop: Float64Array;
	/** The kind of fix of one epoch. */
	fixType: (k: number) => FixType;
}

export interface Log {
	counts: ReadCounts;
	unknownSentences: number;
	epochs: Epochs;
	/** Satellites of the last full GSV cycle; null where there was none. */
	inView: Satellite[] | null;
}

const DAY_S = 86_400;
const SAME_EPOCH_S = 0.0051;
/** Further than this in one step, forwards or (beyond interleaving) backwards, the clock was set, not waited for. */
const JUMP_FORWARD_S = 3600;
const JUMP_BACK_S = 10;
/** A sentence that lags finds its epoch among so many before; no further once so many earlier ones were passed. */
const [LOOKED_BACK, EARLIER] = [256, 4];
/** Among so many epochs the fullest cycle shows what is used: the last may have been cut. */
const MOST_RECENT = 3;
/** Satellites that were last seen so long before the latest are in view no more. */
const IN_VIEW_S = 10;

/** Which sentence's place is taken before which; none yet is the last. */
const [BY_GGA, BY_GNS, BY_RMC, BY_GLL, BY_NONE] = [0, 1, 2, 3, 4];

/** Mode letters of RMC, GLL and GNS: a fix of any kind, and which of the better ones. */
const [ANY_FIX, RTK_FIXED, RTK_FLOAT, DIFFERENTIAL] = [1, 2, 4, 8];
/** Autonomous, differential, RTK fixed and float, precise. */
const MODES: Partial<Record<string, number>> = {
	A: ANY_FIX,
	D: ANY_FIX | DIFFERENTIAL,
	R: ANY_FIX | RTK_FIXED,
	F: ANY_FIX | RTK_FLOAT,
	P: ANY_FIX,
};

/** The modes that a field's letters stand for, a bit each. */
function modesIn(letters: string): number {
	let modes = 0;
	for (const letter of letters) modes |= MODES[letter] ?? 0;
	return modes;
}

const hdopIn = (value: number | null) => (value !== null && value > 0 && value < 99 ? value : NaN);

/** Reads NMEA text into epochs in order of the receiver's clock. Never throws on the text. */
export function readEpochs(text: string, progress?: (share: number) => void): Log {
	const table = new EpochTable();
	const gsv = gsvCollector();
	const readGsa = gsaReader();
	const noCycle = new ActiveCycle();
	const pending: { active: ActiveSatellites; hdop: number }[] = [];
	const reported = new ReportedCounts(table);
	/** The row that the last time of day belongs to; −1 before the first. */
	let current = -1;
	let unknown = 0;

	const rowAt = (tod: number): number => {
		const { tod: tods } = table.columns;
		let earlier = 0;
		const least = Math.max(0, table.length - LOOKED_BACK);
		for (let k = table.length - 1; k >= least && earlier < EARLIER; k--) {
			const apart = tods[k] - tod;
			if (apart < -SAME_EPOCH_S) earlier++;
			else if (apart <= SAME_EPOCH_S) return k;
		}
		const row = table.add(tod);
		table.columns.positionRank[row] = BY_NONE;
		return row;
	};

	/** Makes the row of a sentence's time current; false where it carries none. */
	const timed = (tod: number | null): boolean => {
		if (tod === null) return false;
		if (current < 0 || table.columns.tod[current] !== tod) current = rowAt(tod);
		return true;
	};

	const position = (rank: number, sentence: Sentence, from: number): boolean => {
		const { columns } = table;
		if (rank > columns.positionRank[current]) return true; // a better sentence has reported it
		const latDeg = sentence.angle(from, 90);
		const lonDeg = sentence.angle(from + 2, 180);
		if (latDeg === null || lonDeg === null) return false;
		if (rank < columns.positionRank[current]) {
			columns.latDeg[current] = latDeg;
			columns.lonDeg[current] = lonDeg;
			columns.positionRank[current] = rank;
		}
		return true;
	};

	/** What GGA and GNS tell alike: how many satellites, and how well they stand. */
	const quality = (type: 'GGA' | 'GNS', sentence: Sentence): void => {
		const { columns } = table;
		columns.reportsQuality[current] = 1;
		const used = sentence.number(6);
		if (used !== null && used <= limits.mostSatellites.value) reported.tell(current, type, sentence.talker, used);
		const hdop = hdopIn(sentence.number(7));
		if (hdop === hdop) columns.hdop[current] = hdop;
	};

	/** What RMC and GLL tell alike: valid or not, perhaps the mode, and the place. */
	const valid = (sentence: Sentence, status: number, mode: number, rank: number, from: number): void => {
		if (!sentence.is(status, 'A')) return;
		const letters = sentence.text(mode).trim();
		const modes = modesIn(letters);
		if (letters !== '' && modes === 0) return;
		table.columns.fix[current] = 1;
		table.columns.modes[current] |= modes;
		position(rank, sentence, from);
	};

	const addActive = (row: number, active: ActiveSatellites, hdop: number): void => {
		const { columns } = table;
		columns.reportsQuality[row] = 1;
		table.active[row] = (table.active[row] ?? noCycle).with(active);
		if (Number.isNaN(columns.gsaHdop[row])) columns.gsaHdop[row] = hdop;
	};

	const take = (sentence: Sentence) => {
		switch (sentence.type) {
			// Half of a log tells the sky, of which only the end is taken apart.
			case 'GSV':
				gsv.take(sentence, current < 0 ? 0 : table.columns.tod[current], current);
				return;
			case 'GGA': {
				if (!timed(sentence.time(0))) return;
				const { columns } = table;
				const kind = sentence.number(5) ?? 0;
				const placed = kind >= 1 && kind <= 5 && position(BY_GGA, sentence, 1);
				if (placed) {
					columns.fix[current] = 1;
					columns.altM[current] = sentence.number(8) ?? NaN;
				}
				if (placed || Number.isNaN(columns.quality[current])) columns.quality[current] = kind;
				quality('GGA', sentence);
				return;
			}
			case 'GNS': {
				if (!timed(sentence.time(0))) return;
				const { columns } = table;
				const modes = modesIn(sentence.text(5));
				columns.modes[current] |= modes;
				if (modes !== 0) {
					columns.fix[current] = 1;
					position(BY_GNS, sentence, 1);
					if (Number.isNaN(columns.altM[current])) columns.altM[current] = sentence.number(8) ?? NaN;
				}
				quality('GNS', sentence);
				return;
			}
			case 'RMC':
				if (timed(sentence.time(0))) valid(sentence, 1, 11, BY_RMC, 2);
				return;
			case 'GLL':
				if (timed(sentence.time(4))) valid(sentence, 5, 6, BY_GLL, 0);
				return;
			case 'GSA': {
				const [active, hdop] = [readGsa(sentence), hdopIn(sentence.number(GSA_HDOP))];
				if (current >= 0) addActive(current, active, hdop);
				else pending.push({ active, hdop });
				return;
			}
			// Speed, course and date: nothing asks for them.
			case 'VTG':
			case 'ZDA':
				return;
			default:
				unknown++;
		}
	};

	const counts = readNmea(text.includes('\0') ? text.replaceAll('\0', '') : text, take, progress);
	// What came before the first time of day belongs to a cycle that began before the log, unless nothing of its own follows.
	if (table.length > 0 && table.active[0] === null) for (const { active, hdop } of pending) addActive(0, active, hdop);
	reported.addUp();
	const recent = table.active.slice(-MOST_RECENT);
	const full = Math.max(0, ...recent.map((cycle) => cycle?.sentences ?? 0));
	const lastUsed = table.active.findLast((cycle) => cycle !== null && cycle.sentences >= full)?.union;
	const view = gsv.last(IN_VIEW_S);
	return {
		counts,
		unknownSentences: unknown,
		epochs: unwrapped(table),
		inView: view && view.map((s) => ({ ...s, used: lastUsed?.has(satelliteKey(s)) ?? false })),
	};
}

/** Rows in order of the clock, midnight and jumps taken out. Sentences that lag by some seconds stay in their place. */
function unwrapped(read: EpochTable): Epochs {
	const half = DAY_S / 2;
	const { tod, tS, stretch } = read.columns;
	let offset = 0;
	let stretches = 0;
	let latest = -Infinity;
	let inOrder = true;
	for (let k = 0; k < read.length; k++) {
		let t = tod[k] + offset;
		if (latest !== -Infinity) {
			if (t - latest < -half && t + DAY_S - latest < JUMP_FORWARD_S) {
				offset += DAY_S;
				t += DAY_S;
			} else if (t - latest > half && latest - (t - DAY_S) < JUMP_BACK_S) {
				t -= DAY_S; // a sentence of before midnight that comes after it
			} else if (t - latest > JUMP_FORWARD_S || t - latest < -JUMP_BACK_S) {
				stretches++;
				latest = -Infinity;
			}
		}
		inOrder &&= t >= latest;
		latest = Math.max(latest, t);
		tS[k] = t;
		stretch[k] = stretches;
	}
	const table = inOrder
		? read
		: read.inOrder(
				Array.from({ length: read.length }, (_, k) => k).sort(
					(a, b) => stretch[a] - stretch[b] || tS[a] - tS[b] || a - b,
				),
			);
	const { length, columns } = table;
	return {
		length,
		tS: columns.tS.subarray(0, length),
		stretch: columns.stretch.subarray(0, length),
		fix: columns.fix.subarray(0, length),
		latDeg: columns.latDeg.subarray(0, length),
		lonDeg: columns.lonDeg.subarray(0, length),
		altM: columns.altM.subarray(0, length),
		satellites: countSatellites(table),
		reportsQuality: columns.reportsQuality.subarray(0, length),
		hdop: columns.hdop.subarray(0, length),
		fixType: (k) => fixTypeOf(table, k),
	};
}

function fixTypeOf({ columns, active }: EpochTable, k: number): FixType {
	if (columns.fix[k] === 0) return 'none';
	const [quality, modes] = [columns.quality[k], columns.modes[k]];
	if (quality === 4 || modes & RTK_FIXED) return 'rtk-fixed';
	if (quality === 5 || modes & RTK_FLOAT) return 'rtk-float';
	if (quality === 2 || modes & DIFFERENTIAL) return 'differential';
	const dimension = active[k]?.mode ?? 0;
	if (dimension === 2 || dimension === 3) return dimension === 3 ? '3D' : '2D';
	return Number.isNaN(columns.altM[k]) ? '2D' : '3D';
}
