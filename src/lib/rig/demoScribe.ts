import { figure } from '../core/figures/figure';
import { halved } from '../core/hover/holdRadius';
import { calibrationPayload } from '../core/compass/payload';
import { fitCompass } from '../core/compass/review';
import { headOf } from '../core/session/head';
import { checklistFor, type Item } from '../core/session/items';
import { checkSite } from '../core/compass/site';
import { fieldAt } from '../core/earth/field';
import { seededRng } from '../core/math/random';
import { reviewHover } from '../core/hover/review';
import { reviewGnss } from '../core/position/review';
import { CHAIN_START, link } from '../core/record/chain';
import { imuTruth, receiverTruth, rigHover, type RigFaults } from './rig';
import { imuOf } from './imu';
import { receiverOf } from './receiver';
import { RECIPES, scriptedHands } from './turning';
import { gatherFacts, type Facts } from '../core/facts/facts';
import { limitsInForce } from '../core/session/limitsInForce';
import { batteryLedger, burnRate } from '../core/facts/ledger';
import { homeEntry, homeFinding } from '../core/session/homeEntry';
import { homeRequest } from '../core/session/homePlan';
import { planHome } from '../core/return/planned';
import { judgeLinkLoss } from '../core/radio/linkLossTest';
import { recipesFor } from '../core/guide/recipes';
import { judgeGuide } from '../core/guide/run';
import type { Reason, Verdict } from '../schema/common';
import type { Aircraft, Sensor, Session, Site, StationId, Wind, Pack } from '../schema/records';
import type { Entry, EntryPayload, RecordedFigure, Grade, SessionPayload } from '../schema/entries';

/** A finding as the bench book keeps it. */
interface Judged {
	headline?: string;
	figures?: RecordedFigure[];
	verdict: Verdict;
	reasons: Reason[];
}

/** Writes a session step by step, each entry some minutes after the one before. */
export class Scribe {
	readonly entries: Entry[] = [];
	readonly session: Session;
	#at: number;
	#last = CHAIN_START;

	constructor(
		readonly id: string,
		title: string,
		readonly aircraft: Aircraft,
		readonly site: Site,
		readonly pack: Pack | null,
		readonly pilot: string,
		startedAt: string,
		kind: Session['kind'] = 'flight',
	) {
		this.#at = Date.parse(startedAt);
		this.session = {
			kind,
			id,
			title,
			aircraftId: aircraft.id,
			siteId: site.id,
			packId: pack?.id ?? null,
			pilot,
			startedAt,
			endedAt: null,
			place: { station: 'plan', task: null },
			head: CHAIN_START,
			updatedAt: startedAt,
		};
		this.#head('begun');
	}

	/** What the log of a measurement was called: recorded on the aircraft, read on this device. */
	#log(what: string, ending: string): string {
		return `${this.aircraft.name.toLowerCase()}-${what}-${this.date}.${ending}`;
	}

	get date(): string {
		return new Date(this.#at).toISOString().slice(0, 10);
	}

	/** Days go by before the next entry. */
	wait(days: number): this {
		this.#at += days * 86_400_000;
		return this;
	}

	/** What the session is, as its own entry. */
	#head(what: SessionPayload['what']): void {
		const station = this.session.kind === 'bench' ? 'bench' : what === 'begun' ? 'plan' : 'close';
		this.write(station, headOf(what, this.session, this));
	}

	write(station: StationId, payload: EntryPayload): this {
		if (this.entries.length > 0) this.#at += 70_000;
		const seq = this.entries.length;
		const entry = link(this.#last, {
			id: `${this.id}-${seq}`,
			sessionId: this.id,
			aircraftId: this.aircraft.id,
			seq,
			at: new Date(this.#at).toISOString(),
			zoneMin: 0 - new Date(this.#at).getTimezoneOffset(),
			by: this.pilot,
			station,
			corrects: null,
			payload,
		});
		this.#last = entry.hash;
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
			grade: item.grade ?? 'seen',
			outcome: 'done',
			value,
			unit: item.limit?.unit ?? '',
			waitedS: item.type === 'wait' ? (item.waitS ?? 0) + 0.1 : null,
			reason: '',
		});
	}

	/** Answers a station's items as they should be; values given by item. */
	station(id: StationId, values: Record<string, number> = {}, leaveOpen: string[] = []): this {
		for (const item of checklistFor({ aircraft: this.aircraft, entries: this.entries }))
			if (item.station === id && !leaveOpen.includes(item.id))
				this.check(item, item.type === 'measure' ? (values[item.id] ?? null) : null);
		return this;
	}

	wind(wind: Wind): this {
		return this.write('return', { kind: 'wind', task: 'wind', grade: 'told', ...wind });
	}

	/** The facts in force as the session stands. */
	facts(): Facts {
		const { aircraft, site, pack, entries } = this;
		return gatherFacts({ aircraft, site, pack, entries, session: { kind: 'flight', venue: 'open' } });
	}

	/** The way home from so far out, planned with what the aircraft, the place, the pack and the wind are. */
	wayHome(distanceM: number): this {
		const { aircraft, site, pack } = this;
		const facts = this.facts();
		const rate = pack && burnRate(aircraft, pack, null);
		const ledger = pack && batteryLedger(pack, { entries: this.entries }, rate);
		const known = homeRequest({ facts, site, pack, ledger, rate });
		if (Array.isArray(known)) throw new Error(`the demo's way home is missing ${known.join(', ')}`);
		const farthest = { distanceM, heightM: 25, bearingDeg: null };
		const around = { aircraft, site, pack, venue: 'open' as const, units: 'metric' as const, facts };
		const plan = planHome(known.request, farthest, known);
		return this.write('return', homeEntry(homeFinding(plan, known, around), around, 'calculated'));
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
		const payload = calibrationPayload(answer, accepted, this.#log('compass', 'csv'), { latDeg, lonDeg, altM });
		if (!payload) throw new Error('the demo is turned all round');
		return this.write('compass', { ...payload, grade: 'measured' });
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
		return this.write('compass', {
			kind: 'test',
			task: 'site-field',
			grade: 'measured',
			sourceName: this.#log('field', 'csv'),
			headline: finding.reasons[0].text,
			figures: [
				figure('field-strength', finding.strengthUt, { sigma: finding.strengthSigmaUt }),
				figure('field-model', finding.modelUt),
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
			grade: 'measured',
			sourceName: this.#log('receiver', 'nmea'),
			headline:
				answer.verdict === 'fail'
					? answer.reasons[0].text
					: `Locked: ${answer.satellitesUsed.last} satellites, held for ${this.aircraft.lock.holdS} s`,
			figures: [
				figure('satellites', answer.satellitesUsed.last),
				figure('hdop', answer.hdop.last),
				figure('gps-lock-time', answer.lockS),
				figure('position-scatter', answer.scatter?.cep95M ?? null),
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
			grade: 'measured',
			sourceName: this.#log('hover', 'csv'),
			headline:
				answer.verdict === 'pass'
					? `Holds position within ${halved(answer.bubble.diameter95M)?.toFixed(1)} m`
					: answer.reasons[0].text,
			figures: [
				figure('hold-radius', halved(answer.bubble.diameter95M)),
				figure('drift', answer.drift.speedMps),
				figure('compass-error-excluded', answer.spiral.excludedAboveDeg),
			],
			verdict: answer.verdict,
			reasons: answer.reasons,
		});
	}

	/** A measurement or guided routine of the bench. */
	bench(task: string, sensor: Sensor, grade: Grade, sourceName: string, found: Judged, temperatureC: number): this {
		const { latDeg, lonDeg, altM } = this.site;
		return this.write('bench', {
			kind: 'test',
			task,
			sensor,
			grade,
			sourceName,
			temperatureC,
			place: { latDeg, lonDeg, altM },
			headline: found.headline ?? found.reasons[0].text,
			figures: found.figures ?? [],
			verdict: found.verdict,
			reasons: found.reasons,
		});
	}

	/** The aircraft's own routine, followed to its end with everything shown as it should be. */
	guided(sensor: Sensor, temperatureC: number): this {
		const [recipe] = recipesFor(sensor, this.aircraft);
		const ready = recipe.before.map(() => true);
		const shown = recipe.steps.map(() => ({ shown: 'as-wanted' as const, note: '' }));
		const source = `the aircraft’s own routine: ${recipe.name.toLowerCase()}`;
		return this.bench(`guided-${sensor}`, sensor, 'guided', source, judgeGuide(recipe, ready, shown), temperatureC);
	}

	/** The radio switched off on the bench, armed: it reacts in a second and a bit, its motors run on as its setting needs them. */
	linkLoss(temperatureC: number): this {
		const { time, ...found } = judgeLinkLoss({
			action: this.aircraft.lossAction ?? 'stop',
			armed: true,
			measuredS: [1.4],
			start: 'tap',
			stop: 'seen',
			motors: this.aircraft.lossAction === 'stop' ? 'stopped' : 'ran-on',
			told: true,
			linkedAgain: true,
		});
		const figures = time ? [figure('failsafe-delay', time.meanS, { sigma: time.sigmaS })] : [];
		return this.bench(
			'link-loss',
			'link-loss',
			'seen',
			'radio off on the bench, armed',
			{ ...found, figures },
			temperatureC,
		);
	}

	/** Off the ground and on it again. */
	fly(minutes: number, landAfterMin: number): this {
		const shared = { kind: 'flight', task: 'flying', note: '' } as const;
		this.write('fly', { ...shared, what: 'took-off', landAfterMin });
		this.#at += minutes * 60_000;
		return this.write('fly', { ...shared, what: 'landed', landAfterMin: null });
	}

	decide(gate: 'arm' | 'fly', decision: 'fly' | 'hold', reason: string): this {
		return this.write(gate, {
			kind: 'decision',
			task: gate === 'arm' ? 'arm' : 'flight',
			about: 'session',
			decision,
			reason,
			signedBy: this.pilot,
			marks: [],
			limits: limitsInForce(this.facts(), this.aircraft, 'open'),
		});
	}

	end(): this {
		this.#at += 70_000;
		this.session.endedAt = new Date(this.#at).toISOString();
		this.#head('ended');
		return this;
	}
}
