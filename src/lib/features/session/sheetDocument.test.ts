import 'fake-indexeddb/auto';
import { beforeAll, describe, expect, it } from 'vitest';
import { aircraftDue } from '$lib/core/due/aircraftDue';
import { lastDone } from '$lib/core/evidence/inForce';
import { decidedOn } from '$lib/core/session/outcome';
import { placedAt } from '$lib/core/due/place';
import { entryWords, taskWords } from '$lib/core/session/entryWords';
import type { UnitSystem } from '$lib/words/units';
import { makeDemo } from '$lib/rig/demo';
import { restore } from '$lib/store/backup';
import { lastFindings } from '$lib/store/rows';
import { loadSession, type SessionBundle } from '$lib/store/repository';
import { referenceOf, sheetDocument, type SheetDocument } from './sheetDocument';

const NOW = '2026-05-14T10:30:00.000Z';
const demo = makeDemo(new Date(NOW));
const sessions: SessionBundle[] = [];
const SYSTEMS: readonly UnitSystem[] = ['metric', 'imperial'];

beforeAll(async () => {
	await restore(demo);
	for (const { id } of demo.sessions) {
		const bundle = await loadSession(id);
		if (!bundle) throw new Error(`${id} is not there`);
		sessions.push(bundle);
	}
});

const made = new Map<string, SheetDocument>();

/** The sheet of a session as it is stored, made once. */
async function sheetOf(bundle: SessionBundle, units: UnitSystem): Promise<SheetDocument> {
	const key = `${bundle.session.id} ${units}`;
	const sheet = made.get(key) ?? (await makeSheet(bundle, units));
	made.set(key, sheet);
	return sheet;
}

async function makeSheet(bundle: SessionBundle, units: UnitSystem): Promise<SheetDocument> {
	const { aircraft, session, site } = bundle;
	const asOf = session.endedAt ?? NOW;
	const done = lastDone(await lastFindings(aircraft.id, asOf, session.id), asOf);
	const due = aircraftDue(aircraft, done, site && placedAt(site, asOf), asOf, {});
	const evidence = { ...bundle, deferred: [], due, done, unverified: [], units };
	return sheetDocument(bundle, { decided: decidedOn(evidence, session.endedAt !== null), units });
}

/** What no reader should ever meet. */
const BROKEN = /undefined|null|NaN|\[object|Infinity|--|: :|, ,|\(\)|\s\s/;

describe.each(SYSTEMS)('every sheet of the demo in %s units', (units) => {
	it('has every entry in its order, in words', async () => {
		for (const bundle of sessions) {
			const sheet = await sheetOf(bundle, units);
			expect(sheet.entries.map(({ no }) => Number(no))).toEqual(bundle.entries.map(({ seq }) => seq + 1));
			for (const { what, at, by, hash, station } of sheet.entries) {
				expect(what).toMatch(/^\S.{3,}/);
				expect(what).not.toMatch(BROKEN);
				expect(at).toMatch(/\d\d:\d\d/);
				expect([by, station].every((words) => words.length > 1)).toBe(true);
				expect(hash).toMatch(/^[0-9a-f]{10}$/);
			}
		}
	});

	it('gives a reason for all that was not clear, and nothing else', async () => {
		for (const bundle of sessions) {
			const { exceptions } = await sheetOf(bundle, units);
			for (const { mark, word, what, why } of exceptions) {
				expect(mark).not.toBe('clear');
				expect([word, what].every((words) => words.length > 2)).toBe(true);
				if (mark !== 'unseen') expect(why, what).not.toBe('');
				expect(`${what} ${why}`).not.toMatch(BROKEN);
			}
		}
	});

	it('names each exception once, and gives a finding of caution its own reason, not its source alone', async () => {
		for (const bundle of sessions) {
			const { exceptions } = await sheetOf(bundle, units);
			const named = exceptions.map(({ what }) => what);
			expect(new Set(named).size).toBe(named.length);
			expect(named.filter((what) => /\.(:|$)/.test(what))).toEqual([]);
			for (const { mark, what, why } of exceptions)
				if (mark === 'caution') expect(why, what).not.toMatch(/^From [^.]*\.$/);
		}
	});

	it('says who, what, where and when, and leaves out what nobody entered', async () => {
		for (const bundle of sessions) {
			const sheet = await sheetOf(bundle, units);
			const fact = (label: string) => sheet.facts.find((f) => f.label === label)?.value ?? '';
			expect(fact('Pilot in command')).toBe(bundle.session.pilot);
			expect(fact('Aircraft')).toContain(bundle.aircraft.name);
			if (bundle.site) expect(fact('Place')).toMatch(/° north, \d+\.\d+° (east|west)/);
			expect(fact('From, to')).toMatch(bundle.session.endedAt ? /to \d\d:\d\d/ : /not ended$/);
			for (const { value } of sheet.facts) {
				expect(value.trim()).not.toBe('');
				expect(value).not.toMatch(BROKEN);
			}
			expect(sheet.chain).toBe(
				`The chain of ${bundle.entries.length} ${bundle.entries.length === 1 ? 'entry' : 'entries'} holds.`,
			);
			expect(sheet.reference).toBe(referenceOf(bundle.session));
			expect(sheet.rehearsal).toBe(bundle.session.kind === 'rehearsal');
			expect(sheet.foot).toContain('The pilot in command decides');
		}
	});
});

describe('a sheet', () => {
	it('tells the wind and heights in the units that are read', async () => {
		const flown = sessions.filter(({ entries }) => entries.some(({ payload }) => payload.kind === 'wind'));
		expect(flown.length).toBeGreaterThan(0);
		for (const bundle of flown) {
			const [metric, imperial] = [await sheetOf(bundle, 'metric'), await sheetOf(bundle, 'imperial')];
			const wind = ({ facts }: SheetDocument) => facts.find(({ label }) => label === 'Wind')?.value ?? '';
			expect(wind(metric)).toContain('m/s');
			expect(wind(imperial)).not.toContain('m/s');
		}
	});

	it('names both decisions without their limits, which stand by themselves', async () => {
		const decided = sessions.filter(({ entries }) => entries.some(({ payload }) => payload.kind === 'decision'));
		expect(decided.length).toBeGreaterThan(0);
		for (const bundle of decided) {
			const { facts } = await sheetOf(bundle, 'metric');
			for (const { value } of facts.filter(({ label }) => label.startsWith('Decision'))) {
				expect(value).toMatch(/^to (arm|fly|hold)/);
				expect(value).not.toContain('Limits in force');
			}
		}
	});

	it('whose record was meddled with says where', async () => {
		const bundle = sessions.find(({ entries }) => entries.length > 3);
		if (!bundle) throw new Error('no session with entries');
		const chain = { ...bundle.chain, ok: false, broken: [{ number: 2, where: 'Entry 2', what: 'it was changed' }] };
		expect((await makeSheet({ ...bundle, chain }, 'metric')).chain).toBe(
			'The chain does not hold: Entry 2: it was changed.',
		);
	});
});

describe('the words of an entry', () => {
	it('name a settled value and the battery between flights as a pilot does', () => {
		expect(sessions.length).toBeGreaterThan(0);
		for (const { aircraft } of sessions) {
			expect(taskWords('fact-returnAltitudeM', aircraft)).toBe('Return altitude settled');
			expect(taskWords('pack-between', aircraft)).toBe('Battery at rest between flights');
		}
	});

	it('are the same twice, begin large and end without a break, for every kind of the demo', () => {
		const kinds = new Set<string>();
		for (const { entries, aircraft } of sessions)
			for (const entry of entries) {
				kinds.add(entry.payload.kind);
				for (const units of SYSTEMS) {
					const words = entryWords(entry, aircraft, units);
					expect(words).toBe(entryWords(entry, aircraft, units));
					expect(words).toMatch(/^[A-Z0-9]/);
					expect(words).not.toMatch(BROKEN);
					expect(words).not.toMatch(/\n/);
				}
			}
		expect([...kinds]).toEqual(expect.arrayContaining(['check', 'calibration', 'test', 'wind', 'decision', 'session']));
	});
});
