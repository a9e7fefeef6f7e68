import { calibrationPayload } from '../core/compass/payload';
import { fitCompass } from '../core/compass/review';
import { checklistFor, type Item } from '../core/checklist/items';
import { checkSite } from '../core/compass/site';
import { fieldAt } from '../core/earth/field';
import { seededRng } from '../core/frames/random';
import { reviewHover } from '../core/hover/review';
import { reviewGnss } from '../core/position/review';
import { CHAIN_START, link } from '../core/record/chain';
import { imuTruth, NO_FAULTS, receiverTruth, rigHover, type RigFaults } from './rig';
import { imuOf } from './imu';
import { receiverOf } from './receiver';
import { RECIPES, scriptedHands } from './turning';
import type { Aircraft, Backup, Entry, EntryPayload, Pack, Session, Site, StationId, Wind } from '../schema/records';

const DAY_MS = 86_400_000;

/** Names of the demo: an invented wetland trust, its people and its aircraft. */
const PILOTS = { ines: 'Ines Marlowe', jonas: 'Jonas Fell' } as const;

const baseAircraft = {
	description: '',
	compasses: 1,
	hasPosition: true,
	minReturnDistanceM: 15,
	lock: { minSatellites: 8, maxHdop: 2, holdS: 30 },
	compassHeadingLimitDeg: 1,
	school: 'after-events' as const,
	lights: '',
	manual: '',
};

/** Everything the demo shows, made by seeded code as of `now`: about two months of a small crew's records. */
export function makeDemo(now: Date): Backup {
	const day = (ago: number, hour = 9, minute = 0) => {
		const at = new Date(now.getTime() - ago * DAY_MS);
		if (ago > 0) at.setHours(hour, minute, 0, 0);
		return at.toISOString();
	};
	const event = (id: string, ago: number, kind: Aircraft['events'][number]['kind'], note: string) => ({
		id,
		at: day(ago, 16),
		kind,
		note,
	});
	const aircraft: Aircraft[] = [
		{
			...baseAircraft,
			id: 'demo-dunlin',
			name: 'Dunlin',
			kind: 'multirotor',
			description: 'Survey quad with a downward camera.',
			rotors: 4,
			firmware: '4.2',
			returnSpeedMps: 6,
			returnHeightM: 40,
			lights: 'Slow white while the gyro settles; steady white once it may be touched.',
			manual: 'Builder’s notes, pages 3 to 9',
			events: [
				event('e1', 61, 'new', 'delivered and assembled'),
				event('e2', 7, 'part', 'right rear motor replaced'),
				event('e3', 7, 'firmware', '4.1 to 4.2'),
			],
			updatedAt: day(7, 16),
		},
		{
			...baseAircraft,
			id: 'demo-avocet',
			name: 'Avocet',
			kind: 'wing',
			description: 'Flying-wing mapper.',
			rotors: 0,
			firmware: '2.8',
			returnSpeedMps: 14,
			returnHeightM: 60,
			events: [event('e4', 55, 'new', 'first season'), event('e5', 3, 'journey', 'by car to the north shore')],
			updatedAt: day(3, 16),
		},
		{
			...baseAircraft,
			id: 'demo-curlew',
			name: 'Curlew',
			kind: 'sprayer',
			description: 'Six-rotor seed spreader.',
			rotors: 6,
			compasses: 2,
			firmware: '1.9',
			returnSpeedMps: 8,
			returnHeightM: 30,
			school: 'every-day',
			events: [event('e6', 48, 'new', 'leased for the season')],
			updatedAt: day(48, 16),
		},
	];
	const sites: Site[] = [
		{
			id: 'demo-saltings',
			name: 'Hollin Saltings, sea wall',
			latDeg: 54.2113,
			lonDeg: -3.0642,
			altM: 7,
			notes: 'Steel sluice 40 m east of the gate: turn on the grass, not on the wall.',
			updatedAt: day(60),
		},
		{
			id: 'demo-north',
			name: 'Hollin Saltings, north shore',
			latDeg: 54.2391,
			lonDeg: -3.0418,
			altM: 4,
			notes: 'Open to the west; gusts come in off the water.',
			updatedAt: day(60),
		},
		{
			id: 'demo-shed',
			name: 'Trust workshop',
			latDeg: 54.1987,
			lonDeg: -3.0921,
			altM: 12,
			notes: 'Steel door and reinforced floor. Bench work only, no compass.',
			updatedAt: day(60),
		},
	];
	const pack = (
		id: string,
		name: string,
		aircraftId: string,
		cycles: number,
		boughtOn: string,
		capacityMah: number,
		cells: number,
	): Pack => ({
		id,
		name,
		aircraftId,
		cells,
		capacityMah,
		cycles,
		boughtOn,
		notes: '',
		updatedAt: day(4),
	});
	const packs: Pack[] = [
		pack('demo-d1', 'D-1', 'demo-dunlin', 112, '2025-03-02', 5200, 4),
		pack('demo-d3', 'D-3', 'demo-dunlin', 41, '2026-02-11', 5200, 4),
		pack('demo-a2', 'A-2', 'demo-avocet', 63, '2025-09-20', 4000, 4),
		pack('demo-c1', 'C-1', 'demo-curlew', 8, '2026-07-15', 16_000, 6),
	];
	const made = [
		cleanSession(aircraft[0], sites[0], 'demo-d3', day(24, 9, 10)),
		stoppedSession(aircraft[0], sites[0], 'demo-d3', day(16, 13, 40)),
		windySession(aircraft[1], sites[1], 'demo-a2', day(10, 10, 20)),
		openSession(aircraft[0], sites[0], 'demo-d3', new Date(now.getTime() - 55 * 60_000).toISOString()),
	];
	return {
		aircraft,
		sites,
		packs,
		sessions: made.map(({ session }) => session),
		entries: made.flatMap(({ entries }) => entries),
	};
}

/** Writes a session step by step, each entry some minutes after the one before. */
class Scribe {
	readonly entries: Entry[] = [];
	readonly session: Session;
	#at: number;
	#head = CHAIN_START;

	constructor(
		readonly id: string,
		title: string,
		readonly aircraft: Aircraft,
		readonly site: Site,
		packId: string,
		readonly pilot: string,
		startedAt: string,
	) {
		this.#at = Date.parse(startedAt);
		this.session = {
			id,
			title,
			aircraftId: aircraft.id,
			siteId: site.id,
			packId,
			pilot,
			startedAt,
			endedAt: null,
			place: { station: 'plan', task: null },
			head: CHAIN_START,
			updatedAt: startedAt,
		};
	}

	get date(): string {
		return new Date(this.#at).toISOString().slice(0, 10);
	}

	write(station: StationId, payload: EntryPayload): this {
		this.#at += 70_000;
		const seq = this.entries.length;
		const entry = link(this.#head, {
			id: `${this.id}-${seq}`,
			sessionId: this.id,
			aircraftId: this.aircraft.id,
			seq,
			at: new Date(this.#at).toISOString(),
			by: this.pilot,
			station,
			corrects: null,
			payload,
		});
		this.#head = entry.hash;
		this.entries.push(entry);
		this.session.head = entry.hash;
		this.session.updatedAt = entry.at;
		this.session.place = { station, task: null };
		return this;
	}

	check(item: Item, value: number | null = null): this {
		return this.write(item.station, {
			kind: 'check',
			task: item.id,
			outcome: 'done',
			value,
			unit: item.limit?.unit ?? '',
			waitedS: item.type === 'wait' ? (item.waitS ?? 0) + 0.1 : null,
			reason: '',
		});
	}

	/** Answers a station's items as they should be; values given by item. */
	station(id: StationId, values: Record<string, number> = {}, leaveOpen: string[] = []): this {
		for (const item of checklistFor(this.aircraft))
			if (item.station === id && !leaveOpen.includes(item.id))
				this.check(item, item.type === 'measure' ? (values[item.id] ?? null) : null);
		return this;
	}

	wind(wind: Wind): this {
		return this.write('return', { kind: 'wind', task: 'wind', ...wind });
	}

	compass(seed: number, faults: RigFaults, accepted: 'accepted' | 'kept-aside'): this {
		const { latDeg, lonDeg, altM } = this.site;
		const rng = seededRng(seed);
		const { motion, durationS } = scriptedHands(RECIPES.thorough, rng);
		const read = imuOf(imuTruth(seed, faults, this.site, this.date), motion, rng);
		const samples = Array.from({ length: Math.floor(durationS * 25) }, (_, k) => read(k / 25));
		const columns = (key: 'magUt' | 'accelMps2' | 'gyroRadps') => ({
			t: samples.map((s) => s.tS),
			x: samples.map((s) => s[key][0]),
			y: samples.map((s) => s[key][1]),
			z: samples.map((s) => s[key][2]),
		});
		const answer = fitCompass({
			mag: columns('magUt'),
			accel: columns('accelMps2'),
			gyro: columns('gyroRadps'),
			site: { latDeg, lonDeg, altM, date: this.date },
		});
		const payload = calibrationPayload(answer, accepted, 'practice aircraft', { latDeg, lonDeg, altM });
		if (!payload) throw new Error('the demo is turned all round');
		return this.write('site', payload);
	}

	siteField(seed: number, faults: RigFaults): this {
		const rng = seededRng(seed);
		const truth = { ...imuTruth(seed, faults, this.site, this.date), hardIronUt: [0, 0, 0] as const };
		const read = imuOf(
			truth,
			() => [
				[1, 0, 0],
				[0, 1, 0],
				[0, 0, 1],
			],
			rng,
		);
		const samples = Array.from({ length: 130 }, (_, k) => read(k / 25));
		const columns = (key: 'magUt' | 'accelMps2') => ({
			t: samples.map((s) => s.tS),
			x: samples.map((s) => s[key][0]),
			y: samples.map((s) => s[key][1]),
			z: samples.map((s) => s[key][2]),
		});
		const { latDeg, lonDeg, altM } = this.site;
		const finding = checkSite(columns('magUt'), columns('accelMps2'), fieldAt(latDeg, lonDeg, altM, this.date), {
			hardIronUt: [0, 0, 0],
			softIron: truth.softIron,
		});
		return this.write('site', {
			kind: 'test',
			task: 'site-field',
			sourceName: 'practice aircraft',
			headline: finding.reasons[0].text,
			figures: [
				{ label: 'Strength', value: finding.strengthUt, unit: 'µT', sigma: finding.strengthSigmaUt },
				{ label: 'Strength by the model', value: finding.modelUt, unit: 'µT' },
			],
			verdict: finding.verdict,
			reasons: finding.reasons,
		});
	}

	position(seed: number, faults: RigFaults): this {
		const read = receiverOf(receiverTruth(faults, this.site), seededRng(seed));
		const text = Array.from({ length: 60 * 5 }, (_, k) => read(k / 5))
			.flat()
			.join('\n');
		const answer = reviewGnss(text, this.aircraft.lock);
		return this.write('position', {
			kind: 'test',
			task: 'position',
			sourceName: 'practice aircraft',
			headline:
				answer.verdict === 'fail'
					? answer.reasons[0].text
					: `Locked: ${answer.satellitesUsed.last} satellites, held for ${this.aircraft.lock.holdS} s`,
			figures: [
				{ label: 'Satellites used', value: answer.satellitesUsed.last, unit: '' },
				{ label: 'HDOP', value: answer.hdop.last, unit: '' },
				{ label: 'Locked after', value: answer.lockS, unit: 's' },
				{ label: '95 % within', value: answer.scatter?.cep95M ?? null, unit: 'm' },
			],
			verdict: answer.verdict,
			reasons: answer.reasons,
		});
	}

	hover(seed: number, faults: RigFaults): this {
		const { log } = rigHover(seed, faults);
		const answer = reviewHover({
			track: { t: log.t, north: log.north, east: log.east, up: log.up },
			heading: { t: log.t, deg: log.headingDeg },
			hold: 'position',
		});
		return this.write('hover', {
			kind: 'test',
			task: 'hover',
			sourceName: 'practice aircraft',
			headline:
				answer.verdict === 'pass'
					? `It holds its place within ${answer.bubble.diameter95M?.toFixed(1)} m`
					: answer.reasons[0].text,
			figures: [
				{ label: 'Bubble 95 %', value: answer.bubble.diameter95M, unit: 'm' },
				{ label: 'Drift', value: answer.drift.speedMps, unit: 'm/s' },
				{
					label: 'Compass error',
					value: answer.spiral.compassErrorDeg,
					unit: '°',
					sigma: answer.spiral.compassErrorSigmaDeg ?? 0,
				},
			],
			verdict: answer.verdict,
			reasons: answer.reasons,
		});
	}

	decide(decision: 'fly' | 'hold', reason: string): this {
		return this.write('fly', {
			kind: 'decision',
			task: 'flight',
			about: 'session',
			decision,
			reason,
			signedBy: this.pilot,
			marks: [],
		});
	}

	end(): this {
		this.session.endedAt = this.session.updatedAt;
		return this;
	}
}

/** A clean session: everything seen, nothing in the way. */
const cleanSession = (aircraft: Aircraft, site: Site, packId: string, at: string) =>
	new Scribe('demo-clean', 'Transect survey, sea wall', aircraft, site, packId, PILOTS.ines, at)
		.station('plan', { 'pack-voltage': 4.18 })
		.station('bench', { 'radio-off': 1.4 })
		.station('site')
		.siteField(31, { ...NO_FAULTS, offsets: false })
		.compass(32, NO_FAULTS, 'accepted')
		.station('power-up')
		.position(33, NO_FAULTS)
		.wind({ fromDeg: 250, speedMps: 3.1, gustMps: 4.4 })
		.station('return', { 'return-height': 40 })
		.station('response')
		.station('hover')
		.hover(37, NO_FAULTS)
		.decide('fly', '')
		.station('close', { 'pack-after': 3.71 })
		.end();

/** Stopped by a bad compass: metal near while turning, and the hover shows it. */
const stoppedSession = (aircraft: Aircraft, site: Site, packId: string, at: string) =>
	new Scribe('demo-stopped', 'Sluice inspection', aircraft, site, packId, PILOTS.jonas, at)
		.station('plan', { 'pack-voltage': 4.16 })
		.station('bench', { 'radio-off': 1.6 })
		.station('site')
		.siteField(41, { ...NO_FAULTS, offsets: false, metalNear: true })
		.compass(42, { ...NO_FAULTS, metalNear: true }, 'kept-aside')
		.station('power-up')
		.position(43, NO_FAULTS)
		.wind({ fromDeg: 230, speedMps: 2.6, gustMps: 4 })
		.station('return', { 'return-height': 40 })
		.station('response')
		.station('hover')
		.hover(44, { ...NO_FAULTS, headingErrorDeg: 46 })
		.decide('hold', 'Circling to the right after calibrating beside the steel sluice. Again tomorrow, on the grass.')
		.end();

/** Stopped by the wind against the return speed. */
const windySession = (aircraft: Aircraft, site: Site, packId: string, at: string) =>
	new Scribe('demo-windy', 'Mapping the north shore', aircraft, site, packId, PILOTS.ines, at)
		.station('plan', { 'pack-voltage': 4.19 })
		.station('bench')
		.station('site')
		.siteField(51, { ...NO_FAULTS, offsets: false })
		.compass(52, NO_FAULTS, 'accepted')
		.station('power-up')
		.position(53, NO_FAULTS)
		.wind({ fromDeg: 265, speedMps: 11.2, gustMps: 15.8 })
		.station('return', { 'return-height': 60 })
		.decide('hold', 'Gusts above the return speed. Try before eight tomorrow.')
		.end();

/** In the middle: the repaired aircraft on its way to its first hover. */
const openSession = (aircraft: Aircraft, site: Site, packId: string, at: string) =>
	new Scribe('demo-open', 'First flight after a repair', aircraft, site, packId, PILOTS.jonas, at)
		.station('plan', { 'pack-voltage': 4.17 })
		.station('bench', { 'radio-off': 1.5 }, ['orientation'])
		.station('site')
		.siteField(61, { ...NO_FAULTS, offsets: false });
