import { readNmea, type ReadCounts, type Sentence } from './nmea';
import { addActive, emptyCycle, unionOf } from './activeCycle';
import { countSatellites, type CountEvidence } from './satelliteCount';
import { gsaReader, gsvCollector, type ActiveSatellites } from './satellites';
import type { FixType, Satellite } from '../../schema/gnss';

/** All that the sentences of one instant say. */
export interface Epoch {
	/** Receiver's clock, seconds of day unwrapped over midnight; a jump of the clock starts a new stretch. */
	tS: number;
	/** Counts the jumps of the clock before this epoch. */
	stretch: number;
	fix: boolean;
	latDeg: number | null;
	lonDeg: number | null;
	altM: number | null;
	/** Satellites used: by name over the GSA sentences, else by GGA or GNS; null where nothing tells. */
	satellites: number | null;
	/** True where a sentence that should carry satellites and HDOP stands in this epoch, filled or not. */
	reportsQuality: boolean;
	hdop: number | null;
	fixType: FixType;
}

interface Told {
	type: 'GGA' | 'GNS';
	talker: string;
	used: number;
}

/** An epoch while sentences still tell of it. */
interface Draft extends Epoch, CountEvidence {
	/** Time of day that its sentences carry. */
	tod: number;
	/** The how-manieth of the log. */
	order: number;
	positionRank: number;
	/** What GGA and GNS count, by type and talker; made when first needed: most epochs of a fast log need neither. */
	counts: Told[] | null;
	/** Dilution by GSA: the whole receiver's, where GGA is one of a constellation. */
	gsaHdop: number | null;
	quality: number | null;
	modes: string;
}

export interface Log {
	counts: ReadCounts;
	unknownSentences: number;
	epochs: readonly Epoch[];
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
/** Mode letters of RMC, GLL and GNS that are a fix: autonomous, differential, RTK fixed and float, precise. */
const FIX_MODES = /[ADRFP]/;

const hdopIn = (value: number | null) => (value !== null && value > 0 && value < 99 ? value : null);

/** Reads NMEA text into epochs in order of the receiver's clock. Never throws on the text. */
export function readEpochs(text: string, progress?: (share: number) => void): Log {
	const drafts: Draft[] = [];
	const gsv = gsvCollector();
	const readGsa = gsaReader();
	let current: Draft | null = null;
	const pending: ActiveSatellites[] = [];
	let unknown = 0;

	const at = (tod: number): Draft => {
		let earlier = 0;
		const least = Math.max(0, drafts.length - LOOKED_BACK);
		for (let k = drafts.length - 1; k >= least && earlier < EARLIER; k--) {
			const apart = drafts[k].tod - tod;
			if (apart < -SAME_EPOCH_S) earlier++;
			else if (apart <= SAME_EPOCH_S) return drafts[k];
		}
		const draft: Draft = {
			tod,
			order: drafts.length,
			tS: 0,
			stretch: 0,
			fix: false,
			positionRank: 9,
			latDeg: null,
			lonDeg: null,
			altM: null,
			counts: null,
			active: null,
			told: null,
			tellers: 0,
			satellites: null,
			fixType: 'none',
			gsaHdop: null,
			reportsQuality: false,
			hdop: null,
			quality: null,
			modes: '',
		};
		drafts.push(draft);
		return draft;
	};

	const position = (draft: Draft, rank: number, sentence: Sentence, from: number): boolean => {
		if (rank > draft.positionRank) return true; // a better sentence has told it
		const latDeg = sentence.angle(from, 90);
		const lonDeg = sentence.angle(from + 2, 180);
		if (latDeg === null || lonDeg === null) return false;
		if (rank < draft.positionRank) {
			draft.latDeg = latDeg;
			draft.lonDeg = lonDeg;
			draft.positionRank = rank;
		}
		return true;
	};

	const timed = (tod: number | null): Draft | null => {
		if (tod === null) return null;
		if (current?.tod !== tod) current = at(tod);
		return current;
	};

	const take = (sentence: Sentence) => {
		const { type, talker } = sentence;
		// Half of a log tells the sky, of which only the end is taken apart.
		if (type === 'GSV') {
			gsv.take(sentence, current?.tod ?? 0, current?.order ?? -1);
			return;
		}
		switch (type) {
			case 'GGA': {
				const draft = timed(sentence.time(0));
				if (!draft) return;
				const quality = sentence.number(5) ?? 0;
				const placed = quality >= 1 && quality <= 5 && position(draft, 0, sentence, 1);
				if (placed) draft.fix = true;
				if (draft.quality === null || placed) draft.quality = quality;
				draft.reportsQuality = true;
				const used = sentence.number(6);
				if (used !== null) tell(draft, 'GGA', talker, used);
				draft.hdop = hdopIn(sentence.number(7)) ?? draft.hdop;
				if (placed) draft.altM = sentence.number(8);
				return;
			}
			case 'GNS': {
				const draft = timed(sentence.time(0));
				if (!draft) return;
				const modes = sentence.text(5);
				if (FIX_MODES.test(modes)) {
					draft.fix = true;
					position(draft, 1, sentence, 1);
					draft.altM ??= sentence.number(8);
				}
				draft.modes += modes;
				draft.reportsQuality = true;
				const used = sentence.number(6);
				if (used !== null) tell(draft, 'GNS', talker, used);
				draft.hdop = hdopIn(sentence.number(7)) ?? draft.hdop;
				return;
			}
			case 'RMC': {
				const draft = timed(sentence.time(0));
				if (!draft) return;
				const mode = sentence.text(11).trim();
				if (sentence.is(1, 'A') && (mode === '' || FIX_MODES.test(mode))) {
					draft.fix = true;
					position(draft, 2, sentence, 2);
					draft.modes += mode;
				}
				return;
			}
			case 'GLL': {
				const draft = timed(sentence.time(4));
				if (!draft) return;
				const mode = sentence.text(6).trim();
				if (sentence.is(5, 'A') && (mode === '' || FIX_MODES.test(mode))) {
					draft.fix = true;
					position(draft, 3, sentence, 0);
					draft.modes += mode;
				}
				return;
			}
			case 'GSA': {
				const active = readGsa(sentence);
				if (current) addGsa(current, active);
				else pending.push(active);
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
	if (drafts.length > 0 && drafts[0].active === null) for (const active of pending) addGsa(drafts[0], active);
	const epochs = unwrap(drafts);
	const full = Math.max(0, ...drafts.slice(-MOST_RECENT).map(({ active }) => active?.sentences ?? 0));
	const withGsa = drafts.findLast(({ active }) => active !== null && active.sentences >= full);
	const lastUsed = withGsa?.active ? unionOf(withGsa.active) : new Set<string>();
	const view = gsv.last(10);
	return {
		counts,
		unknownSentences: unknown,
		epochs,
		inView: view && view.map((s) => ({ ...s, used: lastUsed.has(`${s.system} ${s.id}`) })),
	};
}

function addGsa(draft: Draft, active: ActiveSatellites): void {
	draft.reportsQuality = true;
	draft.active ??= emptyCycle();
	addActive(draft.active, active);
	draft.gsaHdop ??= hdopIn(active.hdop);
}

/** One sentence's count into its epoch; a later one of the same kind takes its place. */
function tell(draft: Draft, type: Told['type'], talker: string, used: number): void {
	// A list of one is made whole: one that grows takes room for more than an epoch ever has.
	if (!draft.counts) {
		draft.counts = [{ type, talker, used }];
		return;
	}
	const same = draft.counts.find((told) => told.type === type && told.talker === talker);
	if (same) same.used = used;
	else draft.counts.push({ type, talker, used });
}

/** The count that GGA, else GNS, tells: a combined talker tells the whole, single talkers share the satellites between them. */
function toldCount({ counts }: Draft): number | null {
	if (!counts) return null;
	if (counts.length === 1) return Math.max(0, counts[0].used);
	const type = counts.some((told) => told.type === 'GGA') ? 'GGA' : 'GNS';
	let whole = 0;
	let parts = 0;
	for (const told of counts) {
		if (told.type !== type) continue;
		if (told.talker === 'GN') whole = told.used;
		else parts += told.used;
	}
	return Math.max(whole, parts);
}

/** The receiver's dilution: that of a GGA or GNS for the whole; where each constellation has its own, GSA's. */
function hdopOf({ counts, hdop, gsaHdop }: Draft): number | null {
	const single = counts !== null && counts.length > 1 && !counts.some(({ talker }) => talker === 'GN');
	return single ? (gsaHdop ?? hdop) : (hdop ?? gsaHdop);
}

function fixTypeOf(draft: Draft): FixType {
	if (!draft.fix) return 'none';
	if (draft.quality === 4 || draft.modes.includes('R')) return 'rtk-fixed';
	if (draft.quality === 5 || draft.modes.includes('F')) return 'rtk-float';
	if (draft.quality === 2 || draft.modes.includes('D')) return 'differential';
	const dimension = draft.active?.mode ?? 0;
	if (dimension === 2 || dimension === 3) return dimension === 3 ? '3D' : '2D';
	return draft.altM === null ? '2D' : '3D';
}

/** Drafts in order of the clock, midnight and jumps taken out. Sentences that lag by some seconds stay in their place. */
function unwrap(drafts: readonly Draft[]): readonly Epoch[] {
	const half = DAY_S / 2;
	let offset = 0;
	let stretch = 0;
	let latest = -Infinity;
	let inOrder = true;
	for (const draft of drafts) {
		let t = draft.tod + offset;
		if (latest !== -Infinity) {
			if (t - latest < -half && t + DAY_S - latest < JUMP_FORWARD_S) {
				offset += DAY_S;
				t += DAY_S;
			} else if (t - latest > half && latest - (t - DAY_S) < JUMP_BACK_S) {
				t -= DAY_S; // a sentence of before midnight that comes after it
			} else if (t - latest > JUMP_FORWARD_S || t - latest < -JUMP_BACK_S) {
				stretch++;
				latest = -Infinity;
			}
		}
		inOrder &&= t >= latest;
		latest = Math.max(latest, t);
		draft.tS = t;
		draft.stretch = stretch;
		draft.told = toldCount(draft);
		draft.tellers = draft.counts?.length ?? 0;
	}
	const placed = inOrder
		? drafts
		: drafts.toSorted((a, b) => a.stretch - b.stretch || a.tS - b.tS || a.order - b.order);
	const satellites = countSatellites(placed);
	placed.forEach((draft, k) => {
		draft.satellites = satellites[k];
		draft.hdop = hdopOf(draft);
		draft.fixType = fixTypeOf(draft);
	});
	return placed;
}
