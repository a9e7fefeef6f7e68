import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Entry, EntryPayload, TestPayload } from '../../schema/entries';
import type { FactKey } from '../../schema/facts';
import { newAircraft } from '../../schema/newAircraft';
import { packSchema, siteSchema, type Aircraft, type Pack, type Venue } from '../../schema/records';
import { entryOf, reading, ticked } from '../facts/entries.fixture';
import { gatherFacts, movedSince, usedFacts, valueOf, type Facts } from '../facts/facts';
import { flightClock } from '../facts/flightClock';
import { FACT_RULES, sameValue } from '../facts/keys';
import { batteryLedger, burnRate } from '../facts/ledger';
import { withFact } from '../facts/profile';
import { settledTask } from '../facts/statements';
import { factWords } from '../facts/words';
import { planHome } from '../return/planned';
import { formatQuantity } from '../words/units';
import { assessSession, type SessionState } from './assess';
import { entryWords } from './entryWords';
import { homeEntry, homeFinding, plannedReturn } from './homeEntry';
import { homeRequest, RETURN_USES } from './homePlan';
import { limitsInForce } from './limitsInForce';
import type { SessionEvidence } from './sessionRecord';

/** What a pilot may do in a session, in any order. */
type Move =
	| { do: 'wind'; mps: number; fromDeg: number }
	| { do: 'read-altitude'; m: number }
	| { do: 'audit'; speedMps: number; descentMps: number; grade: 'seen' | 'read-off' }
	| { do: 'measure-battery'; pct: number }
	| { do: 'plan' }
	| { do: 'step'; seconds: number }
	| { do: 'fly'; minutes: number }
	| { do: 'event'; what: 'settings' | 'part' | 'unplugged' }
	| { do: 'settle' };

const whole = (min: number, max: number) => fc.integer({ min, max });
const move: fc.Arbitrary<Move> = fc.oneof(
	fc.record({ do: fc.constant('wind' as const), mps: whole(0, 12), fromDeg: whole(0, 359) }),
	fc.record({ do: fc.constant('read-altitude' as const), m: whole(15, 80) }),
	fc.record({
		do: fc.constant('audit' as const),
		speedMps: whole(3, 14),
		descentMps: whole(1, 4),
		grade: fc.constantFrom('seen' as const, 'read-off' as const),
	}),
	fc.record({ do: fc.constant('measure-battery' as const), pct: whole(25, 100) }),
	fc.record({ do: fc.constant('plan' as const) }),
	fc.record({ do: fc.constant('step' as const), seconds: whole(10, 120) }),
	fc.record({ do: fc.constant('fly' as const), minutes: whole(1, 5) }),
	fc.record({ do: fc.constant('event' as const), what: fc.constantFrom('settings', 'part', 'unplugged') }),
	fc.record({ do: fc.constant('settle' as const) }),
);

const AT = '2026-05-14T09:00:00.000Z';
const SITE = siteSchema.parse({
	id: 's',
	name: 'Saltings',
	latDeg: 54,
	lonDeg: -3,
	altM: 5,
	obstacles: [{ id: 'o', name: 'Oak', bearingDeg: 40, distanceM: 80, heightM: 18 }],
	updatedAt: AT,
});
const BATTERY: Pack = packSchema.parse({
	id: 'p',
	name: 'D-1',
	aircraftId: 'a',
	cells: 4,
	capacityMah: 5000,
	cycles: 10,
	chemistry: 'percent',
	flightMin: 18,
	boughtOn: '2026-01-01',
	updatedAt: AT,
});
const indoorSettings = (on: boolean): Pick<Aircraft, 'indoor'> =>
	on
		? {
				indoor: {
					since: AT,
					settings: [{ id: 'link-loss', name: 'Failsafe', outdoors: 'return', indoors: 'hover', back: false }],
				},
			}
		: {};

/** A session that is played move by move, as its pages write it down. */
class Played {
	aircraft: Aircraft;
	readonly battery: Pack;
	readonly entries: Entry[] = [];
	/** Flown since the battery was last measured, minutes. */
	flownMin = 0;

	constructor(
		readonly venue: Venue,
		indoor: boolean,
		readonly state: Pack['state'],
	) {
		this.battery = { ...BATTERY, ...(state ? { state } : {}) };
		this.aircraft = {
			...newAircraft('a', 'multirotor', AT),
			name: 'Dunlin',
			returnHeightM: 30,
			lossAction: 'return',
			flies: { hoverW: 220 },
			...indoorSettings(indoor),
		};
	}

	get evidence(): SessionEvidence {
		return {
			aircraft: this.aircraft,
			session: { kind: 'flight', venue: this.venue },
			site: SITE,
			pack: this.battery,
			entries: this.entries,
			due: [],
			done: new Map(),
			unverified: [],
			chain: { ok: true, entries: this.entries.length, broken: [], remarks: [] },
			units: 'metric',
		};
	}
	get rate() {
		return burnRate(this.aircraft, this.battery, null);
	}
	get ledger() {
		return batteryLedger(this.battery, { entries: this.entries }, this.rate);
	}
	request(facts: Facts) {
		return homeRequest({ facts, pack: this.battery, site: SITE, ledger: this.ledger, rate: this.rate });
	}
	write(payload: EntryPayload, more: Partial<Entry> = {}) {
		this.entries.push(entryOf(this.entries.length, payload, { station: 'return', ...more }));
	}

	play(move: Move): void {
		const facts = gatherFacts(this.evidence);
		switch (move.do) {
			case 'wind':
				return this.write({
					kind: 'wind',
					task: 'wind',
					grade: 'told',
					fromDeg: move.fromDeg,
					speedMps: move.mps,
					gustMps: move.mps + 2,
				});
			case 'read-altitude':
				return this.write(reading('return-height', move.m, 'm'));
			case 'audit':
				return this.write({
					kind: 'test',
					task: 'settings-audit',
					grade: move.grade,
					sourceName: 'settings',
					headline: 'Every rule is met',
					figures: [],
					verdict: 'pass',
					reasons: [],
					states: [
						{ key: 'returnSpeedMps', value: move.speedMps },
						{ key: 'descentMps', value: move.descentMps },
					],
				});
			case 'measure-battery':
				this.flownMin = 0;
				return this.write(reading('pack-voltage', move.pct, '%'));
			case 'plan':
				return this.#plan(facts);
			case 'step':
				this.flownMin += move.seconds / 60;
				return this.write({ ...ticked('first-rung'), flownS: move.seconds }, { station: 'hover' });
			case 'fly': {
				this.flownMin += move.minutes;
				const from = Date.parse(entryOf(this.entries.length, ticked('x')).at);
				this.write(flight('took-off'));
				return this.write(flight('landed'), { at: new Date(from + move.minutes * 60_000).toISOString() });
			}
			case 'event':
				return this.write({ kind: 'event', task: 'event', what: move.what, note: '' });
			case 'settle': {
				const [conflict] = facts.conflicts;
				if (!conflict) return;
				const { key, first } = conflict;
				this.write({
					...ticked(settledTask(key)),
					value: typeof first.value === 'number' ? first.value : null,
					grade: 'read-off',
					states: [{ key, value: first.value }],
				});
				this.aircraft = withFact(this.aircraft, key, first.value);
				return;
			}
		}
	}

	#plan(facts: Facts): void {
		const made = this.request(facts);
		if (Array.isArray(made)) return;
		const around = {
			aircraft: this.aircraft,
			site: SITE,
			pack: this.battery,
			venue: this.venue,
			units: 'metric' as const,
			facts,
		};
		const plan = planHome(made.request, { distanceM: 200, heightM: 20, bearingDeg: 90 }, made);
		this.write(homeEntry(homeFinding(plan, made, around), around, 'calculated'));
	}
}
function flight(what: 'took-off' | 'landed'): EntryPayload {
	return { kind: 'flight', task: 'flying', what, note: '', landAfterMin: null };
}

const session = fc.record({
	venue: fc.constantFrom<Venue>('open', 'open', 'people', 'roof'),
	indoor: fc.boolean(),
	state: fc.constantFrom<Pack['state']>(undefined, 'charged', 'used'),
	moves: fc.array(move, { minLength: 1, maxLength: 12 }),
});
const RUNS = { numRuns: 150 };
const played = ({
	venue,
	indoor,
	state,
	moves,
}: {
	venue: Venue;
	indoor: boolean;
	state: Pack['state'];
	moves: Move[];
}) => {
	const made = new Played(venue, indoor, state);
	for (const one of moves) made.play(one);
	return made;
};
const tasksOf = (state: SessionState) => state.stations.flatMap(({ tasks }) => tasks);

/** Every figure of a key that some place of a session shows or computes with: tasks, plan, limits of a decision, record. */
function shownIn(made: Played, state: SessionState): [where: string, key: FactKey, value: number | string][] {
	const { facts } = state;
	const out: [string, FactKey, number | string][] = [];
	const request = made.request(facts);
	if (!Array.isArray(request)) {
		const { settings, aircraft, wind } = request.request;
		out.push(
			['plan', 'returnAltitudeM', settings.returnHeightM],
			['plan', 'minReturnDistanceM', settings.minDistanceM],
			['plan', 'returnSpeedMps', aircraft.returnSpeedMps],
			['plan', 'descentMps', aircraft.descentMps],
			['plan', 'windMps', wind.speedMps],
			['plan', 'failsafeAction', settings.action === 'cut-motors' ? 'stop' : settings.action],
		);
	}
	const keyOf = new Map(Object.entries(FACT_RULES).map(([key, { label }]) => [label, key as FactKey]));
	const limits = limitsInForce(facts, made.aircraft, made.venue);
	for (const { label, value } of limits) {
		const key = keyOf.get(label);
		if (key && typeof value === 'number') out.push(['limits of the decision', key, value]);
	}
	return out;
}

describe('one value for one thing', () => {
	it('no two places of a session use different values for one key', () => {
		fc.assert(
			fc.property(session, (drawn) => {
				const made = played(drawn);
				const state = assessSession(made.evidence);
				for (const [where, key, value] of shownIn(made, state)) {
					const inForce = state.facts.of(key);
					expect(inForce, `${where}: ${key}`).not.toBeNull();
					expect(sameValue(key, value, inForce?.value ?? NaN), `${where}: ${key} ${value} ≠ ${inForce?.value}`).toBe(
						true,
					);
				}
				// What is written on the screen: wind and return speed in the wind's own row.
				const wind = tasksOf(state).find(({ task }) => task === 'wind');
				const [speed, returning] = [valueOf(state.facts, 'windMps'), valueOf(state.facts, 'returnSpeedMps')];
				if (wind?.entry && speed !== null && returning !== null) {
					expect(wind.detail).toContain(`wind ${formatQuantity(speed, 'speed', 'metric')}`);
					expect(wind.detail).toContain(`Return speed ${formatQuantity(returning, 'speed', 'metric')}`);
				}
				// And in the record of a decision.
				const limits = limitsInForce(state.facts, made.aircraft, made.venue);
				const words = entryWords(
					entryOf(99, {
						kind: 'decision',
						task: 'flight',
						decision: 'fly',
						about: 'session',
						reason: '',
						signedBy: 'P',
						marks: [],
						limits,
					}),
					made.aircraft,
					'metric',
				);
				const altitude = valueOf(state.facts, 'returnAltitudeM');
				if (made.venue !== 'roof' && altitude !== null) expect(words).toContain(`return altitude ${altitude} m`);
			}),
			RUNS,
		);
	});

	it('nothing is OK whose facts have moved', () => {
		fc.assert(
			fc.property(session, (drawn) => {
				const made = played(drawn);
				const state = assessSession(made.evidence);
				for (const { mark, entry, task } of tasksOf(state)) {
					const uses = (entry?.payload as Partial<TestPayload> | undefined)?.uses ?? [];
					if (mark === 'clear' || mark === 'caution' || mark === 'hold')
						expect(
							movedSince(uses, state.facts).map(({ key }) => key),
							task,
						).toEqual([]);
				}
			}),
			RUNS,
		);
	});

	it('a disagreement about a safety value holds the Arm check until it is settled', () => {
		fc.assert(
			fc.property(session, (drawn) => {
				const state = assessSession(played(drawn).evidence);
				for (const { key } of state.facts.conflicts) {
					const row = tasksOf(state).find(({ task }) => task === settledTask(key));
					expect(row?.mark, key).toBe(FACT_RULES[key].safety ? 'unseen' : 'caution');
					expect(row?.detail, key).toContain(`${factWords(key, state.facts.of(key)?.value ?? '', 'metric')} is used`);
				}
			}),
			RUNS,
		);
	});

	it('under a roof nothing asks for wind, GPS lock, compass or a return, whatever was recorded', () => {
		fc.assert(
			fc.property(session, (drawn) => {
				const ids = tasksOf(assessSession(played({ ...drawn, venue: 'roof' }).evidence)).map(({ task }) => task);
				for (const id of ['wind', 'position', 'compass', 'way-home', 'return-height']) expect(ids).not.toContain(id);
			}),
			{ numRuns: 60 },
		);
	});
});

describe('one charge for one battery', () => {
	it('nothing is computed from a charge that was flown already', () => {
		fc.assert(
			fc.property(session, (drawn) => {
				const made = played(drawn);
				const { ledger } = made;
				expect(ledger.flownSinceMin).toBeCloseTo(made.flownMin, 6);
				if (made.flownMin > 0 && ledger.planPct !== null) expect(ledger.planPct).toBeLessThan(100);
				if (made.state === 'used' && ledger.basis === 'none') expect(ledger.planPct).toBeNull();
				const request = made.request(assessSession(made.evidence).facts);
				if (!Array.isArray(request)) expect(request.startPct).toBeCloseTo(Math.max(1, ledger.planPct ?? NaN), 9);
			}),
			RUNS,
		);
	});

	it('land by is never later than turn back plus the flight home', () => {
		fc.assert(
			fc.property(session, fc.option(whole(2, 40)), (drawn, typedMin) => {
				const made = played(drawn);
				const plan = assessSession(made.evidence).record.speaking('way-home')?.payload;
				const planned = plan?.kind === 'test' ? plannedReturn(plan) : null;
				const clock = flightClock(made.battery, made.ledger, { estimate: null, typedMin, plan: planned });
				if (!planned || clock.landByMin === null || clock.turnBackMin === null) return;
				expect(clock.landByMin).toBeLessThanOrEqual(clock.turnBackMin + planned.homeS / 60 + 1e-9);
				// More flown since the plan is never more time.
				made.play({ do: 'fly', minutes: 2 });
				const later = flightClock(made.battery, made.ledger, { estimate: null, typedMin, plan: planned });
				expect(later.turnBackMin ?? 0).toBeLessThanOrEqual(clock.turnBackMin + 1e-9);
			}),
			RUNS,
		);
	});

	it('a plan keeps the facts that it was computed with', () => {
		const made = new Played('open', false, 'charged');
		made.play({ do: 'wind', mps: 3, fromDeg: 250 });
		made.play({ do: 'plan' });
		const plan = made.entries.at(-1)?.payload;
		expect(plan?.kind === 'test' && plan.uses?.map(({ key }) => key)).toEqual(
			usedFacts(assessSession(made.evidence).facts, RETURN_USES).map(({ key }) => key),
		);
	});
});
