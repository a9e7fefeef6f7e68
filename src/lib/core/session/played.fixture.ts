import fc from 'fast-check';
import type { Entry, EntryPayload } from '../../schema/entries';
import { newAircraft } from '../../schema/newAircraft';
import { siteSchema, type Aircraft, type Pack, type Venue } from '../../schema/records';
import { batteryOf, entryOf, reading, ticked } from '../facts/entries.fixture';
import { gatherFacts, type Facts } from '../facts/facts';
import { batteryLedger, burnRate } from '../facts/ledger';
import { withFact } from '../facts/profile';
import { settledTask } from '../facts/statements';
import { planHome } from '../return/planned';
import { homeEntry, homeFinding } from './homeEntry';
import { homeRequest } from './homePlan';
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

/** Whole numbers from the least to the most. */
export const whole = (min: number, max: number) => fc.integer({ min, max });
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

export const AT = '2026-05-14T09:00:00.000Z';
export const SITE = siteSchema.parse({
	id: 's',
	name: 'Saltings',
	latDeg: 54,
	lonDeg: -3,
	altM: 5,
	obstacles: [{ id: 'o', name: 'Oak', bearingDeg: 40, distanceM: 80, heightM: 18 }],
	updatedAt: AT,
});
const BATTERY = batteryOf({ chemistry: 'percent', flightMin: 18 });
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
export class Played {
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
/** The entry of a takeoff or a landing. */
function flight(what: 'took-off' | 'landed'): EntryPayload {
	return { kind: 'flight', task: 'flying', what, note: '', landAfterMin: null };
}

/** Any session of up to twelve moves. */
export const drawnSession = fc.record({
	venue: fc.constantFrom<Venue>('open', 'open', 'people', 'roof'),
	indoor: fc.boolean(),
	state: fc.constantFrom<Pack['state']>(undefined, 'charged', 'used'),
	moves: fc.array(move, { minLength: 1, maxLength: 12 }),
});
/** A drawn session, played to its last move. */
export const played = ({
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
