import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { TestPayload } from '../../schema/entries';
import type { FactKey } from '../../schema/facts';
import { entryOf } from '../facts/entries.fixture';
import { movedSince, usedFacts, valueOf } from '../facts/facts';
import { flightClock } from '../facts/flightClock';
import { FACT_RULES, sameValue } from '../facts/keys';
import { settledTask } from '../facts/statements';
import { factWords } from '../facts/words';
import { formatQuantity } from '../../words/units';
import { assessSession, type SessionState } from './assess';
import { entryWords } from './entryWords';
import { plannedReturn } from './homeEntry';
import { RETURN_USES } from './homePlan';
import { limitsInForce } from './limitsInForce';
import { drawnSession, Played, played, whole } from './played.fixture';

const RUNS = { numRuns: 150 };
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
			fc.property(drawnSession, (drawn) => {
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
			fc.property(drawnSession, (drawn) => {
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
			fc.property(drawnSession, (drawn) => {
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
			fc.property(drawnSession, (drawn) => {
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
			fc.property(drawnSession, (drawn) => {
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
			fc.property(drawnSession, fc.option(whole(2, 40)), (drawn, typedMin) => {
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
