import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import type { Aircraft, Pack, Session, Site } from '../../schema/records';
import type { Entry, EntryBody } from '../../schema/entries';
import type { Backup } from '../../schema/files';
import { newAircraft } from '../../schema/newAircraft';
import { packBackup, packSession, unpackBackup, unpackSession } from './archive';
import {
	CHAIN_START,
	canonicalJson,
	link,
	readEntry,
	sha256Hex,
	verifyChain,
	type Stored,
	type Surroundings,
} from './chain';
import { snapshotOf } from './snapshot';

const AT = '2026-05-14T09:00:00.000Z';

const body = (seq: number): EntryBody => ({
	id: `e${seq}`,
	sessionId: 's1',
	aircraftId: 'a1',
	seq,
	at: AT,
	by: 'Pilot',
	station: 'bench',
	corrects: null,
	payload: { kind: 'check', task: `t${seq}`, outcome: 'done', value: seq, unit: 'V', waitedS: null, reason: '' },
});

function chain(n: number): { entries: Entry[]; head: string } {
	const entries: Entry[] = [];
	let head = CHAIN_START;
	for (let k = 0; k < n; k++) {
		const entry = link(head, body(k));
		entries.push(entry);
		head = entry.hash;
	}
	return { entries, head };
}

const aircraft: Aircraft = { ...newAircraft('a1', 'multirotor', AT), name: 'Dunlin' };
const site: Site = { id: 'p1', name: 'Saltings', latDeg: 54.2, lonDeg: -3.1, altM: 10, notes: '', updatedAt: AT };
const session = (head: string): Session => ({
	kind: 'flight',
	id: 's1',
	title: 'Morning',
	aircraftId: 'a1',
	siteId: 'p1',
	packId: null,
	pilot: 'Pilot',
	startedAt: AT,
	endedAt: null,
	place: { station: 'bench', task: null },
	head,
	updatedAt: AT,
});
function backup(n = 4): Backup {
	const { entries, head } = chain(n);
	return { aircraft: [aircraft], sites: [site], packs: [], sessions: [session(head)], entries, photos: [] };
}

describe('canonical JSON and SHA-256', () => {
	it('do not depend on the order of keys', () => {
		expect(canonicalJson({ b: 1, a: [true, null, 1e21, 'é'] })).toBe('{"a":[true,null,1e+21,"é"],"b":1}');
	});
	it('give the published digest of "abc"', () => {
		expect(sha256Hex('abc')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad');
	});
});

describe('the chain', () => {
	it('holds as written, in whatever order it is handed over', () => {
		const { entries, head } = chain(6);
		expect(verifyChain(entries.toReversed(), session(head))).toMatchObject({ ok: true, entries: 6, broken: [] });
		// Every session begins with an entry: one without any was emptied.
		expect(verifyChain([], session(CHAIN_START)).broken[0]?.what).toContain('no entries');
	});

	it('names the entry that was changed', () => {
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 5 }), fc.string({ minLength: 1 }), (k, by) => {
				const { entries, head } = chain(6);
				const changed = entries.map((e, i) => (i === k ? { ...e, by: `${by.trim()}x` } : e));
				const { broken } = verifyChain(changed, session(head));
				return broken.length === 1 && broken[0].number === k + 1 && /changed/.test(broken[0].what);
			}),
			{ seed: 1 },
		);
	});

	const broken = (change: (entries: Stored[], of: Session) => Stored[] | void) => {
		const { entries, head } = chain(6);
		const of = session(head);
		const rows: Stored[] = entries.map((entry) => structuredClone(entry));
		return verifyChain(change(rows, of) ?? rows, of).broken;
	};
	const set = (k: number, field: string, value: unknown) =>
		broken((rows) => rows.map((row, i) => (i === k ? { ...row, [field]: value } : row)));

	it.each([0, 2, 5])('a key that was put into entry %i shows with its number', (k) => {
		expect(set(k, 'extra', 1)[0]).toMatchObject({ number: k + 1, what: expect.stringContaining('changed') });
		const payload = { ...body(k).payload, extra: 1 };
		expect(set(k, 'payload', payload)[0].number).toBe(k + 1);
	});

	it.each<[string, unknown]>([
		['at', 5],
		['payload', { kind: 'zzz' }],
		['payload', { ...body(2).payload, outcome: 'great' }],
		['payload', undefined],
		['by', ''],
		['by', ' Pilot '],
		['hash', 7],
		['previous', null],
		['seq', 2.5],
	])('an entry whose %s was made %s shows, and never throws', (field, value) => {
		const found = set(2, field, value);
		expect(found.length).toBeGreaterThan(0);
		if (field !== 'seq') expect(found.some(({ number }) => number === 3)).toBe(true);
	});

	it('missing entries show with their numbers: first, middle, last, and many', () => {
		expect(broken((rows) => rows.slice(1))[0]).toMatchObject({ where: 'Entry 1', what: 'it is missing' });
		expect(broken((rows) => rows.filter((_, k) => k !== 2 && k !== 3))[0].where).toBe('Entries 3 to 4');
		expect(broken((rows) => rows.slice(0, -1))[0].where).toBe('After entry 5');
	});

	it('moved, doubled and added entries show', () => {
		const moved = broken((rows) =>
			rows.map((row, k) => (k === 1 ? { ...row, seq: 2 } : k === 2 ? { ...row, seq: 1 } : row)),
		);
		expect(moved.map(({ number }) => number)).toEqual(expect.arrayContaining([2, 3]));
		expect(broken((rows) => [...rows, { ...rows[3], id: 'twin' }]).map(({ what }) => what)).toContain(
			'it stands twice',
		);
		const added = broken((rows, of) => [...rows, link(of.head, body(6))]);
		expect(added[0]).toMatchObject({ where: 'After entry 7' });
	});

	it('an entry of another session or aircraft shows', () => {
		const { head } = chain(0);
		const stranger = link(head, { ...body(0), aircraftId: 'a9' });
		expect(verifyChain([stranger], session(stranger.hash)).broken[0].what).toContain('another');
	});

	it('a clock that ran backwards is remarked, and no break', () => {
		let head = CHAIN_START;
		const rows = [AT, '2026-05-14T08:00:00.000Z'].map((at, k) => {
			const entry = link(head, { ...body(k), at });
			head = entry.hash;
			return entry;
		});
		const found = verifyChain(rows, session(head));
		expect([found.ok, found.remarks[0].number]).toEqual([true, 2]);
	});

	it('the session itself is in the chain: whatever of it is changed shows', () => {
		const { id: aircraftId, name } = aircraft;
		const of = session('');
		const first = link(CHAIN_START, {
			...body(0),
			payload: {
				kind: 'session',
				task: 'session',
				what: 'begun',
				purpose: 'flight',
				title: of.title,
				pilot: of.pilot,
				startedAt: of.startedAt,
				endedAt: null,
				aircraft: { id: aircraftId, name, compassHeadingLimitDeg: 1 },
				site: { ...site },
				pack: null,
				reason: '',
			},
		});
		const right = { ...of, head: first.hash };
		expect(verifyChain([first], right)).toMatchObject({ ok: true, remarks: [] });
		const changes: Partial<Session>[] = [
			{ title: 'Evening' },
			{ pilot: 'Somebody' },
			{ startedAt: '2026-05-14T07:00:00.000Z' },
			{ endedAt: AT },
			{ siteId: 'p2' },
			{ packId: 'x' },
			{ kind: 'rehearsal' },
			{ crew: [{ name: 'Tamsin Reed', role: 'spotter' }] },
			{ occasion: 'crash' },
			{ venue: 'people' },
			{ signals: 'arm up' },
		];
		for (const change of changes)
			expect(verifyChain([first], { ...right, ...change }).broken[0]?.where, Object.keys(change)[0]).toBe(
				'The session',
			);
		expect(verifyChain([first], { ...right, aircraftId: 'a2' }).ok).toBe(false);
	});

	describe('what a running session refers to', () => {
		const jpeg = btoa('picture');
		const photo = { id: 'ph', jpeg };
		const taken = {
			...({ kind: 'photo', task: 'frame', photoId: 'ph', caption: 'Left arm' } as const),
			sha256: sha256Hex(new TextEncoder().encode('picture')),
		} as const;
		const around = (): Surroundings => ({ aircraft, site: { ...site }, pack: null, photos: [photo] });
		const first = link(CHAIN_START, {
			...body(0),
			payload: {
				kind: 'session',
				task: 'session',
				what: 'begun',
				purpose: 'flight',
				title: session('').title,
				pilot: session('').pilot,
				startedAt: session('').startedAt,
				endedAt: null,
				reason: '',
				aircraft: snapshotOf(aircraft),
				site: { ...site },
				pack: null,
				follows: true,
			},
		});
		const second = link(first.hash, { ...body(1), payload: taken });
		const running = { ...session(''), head: second.hash };
		const faults = (change: Partial<Surroundings>, of: Session = running) =>
			verifyChain([first, second], of, { ...around(), ...change }).broken.map(({ where, what }) => `${where}: ${what}`);

		it('is whole as it was written', () => expect(faults({})).toEqual([]));
		it.each<[string, Partial<Surroundings>, RegExp]>([
			['limits of the aircraft', { aircraft: { ...aircraft, compassHeadingLimitDeg: 29 } }, /^The limits/],
			['its name', { aircraft: { ...aircraft, name: 'Other' } }, /^The limits/],
			['the site’s rules', { site: { ...site, rules: 'none' } }, /^The site/],
			['a battery put in', { pack: { id: 'p' } as Pack }, /^The battery/],
			[
				'bytes of a photo',
				{ photos: [{ id: 'ph', jpeg: btoa('another') }] },
				/^Entry 2: its photo "Left arm" was changed/,
			],
			['bytes that are none', { photos: [{ id: 'ph', jpeg: '~' }] }, /^Entry 2: .* was changed/],
			['a photo taken away', { photos: [] }, /^Entry 2: .* is missing/],
			['the aircraft taken away', { aircraft: null }, /^The limits/],
			[
				'a limit destroyed',
				{ aircraft: { ...aircraft, unreadable: ['returnHeightM'] } },
				/^The aircraft: damaged in storage: return height$/,
			],
		])('%s: changed beside the record is named', (_, change, words) => {
			expect(faults(change)[0]).toMatch(words);
		});
		it('a destroyed field of the session itself is named, also once it is over', () => {
			const wrong = { ...running, endedAt: AT, unreadable: ['place'] };
			expect(faults({}, wrong)).toContain('The session: damaged in storage: place');
		});
		it('events, sheets and the time of saving are no limits; an ended session keeps its own rows', () => {
			expect(faults({ aircraft: { ...aircraft, updatedAt: '2030-01-01T00:00:00.000Z' } })).toEqual([]);
			const ended = { ...running, endedAt: AT };
			expect(faults({ aircraft: { ...aircraft, name: 'Sold' } }, ended).join()).not.toContain('The limits');
		});
	});
});

describe('records of every earlier version', () => {
	const frozen = import.meta.glob<Backup>('./frozen/*.json', { eager: true, import: 'default' });
	it.each(Object.entries(frozen))('%s still verifies, is read, and comes through a backup', (_, stored) => {
		// A backup of before photos has no file of them.
		const files = unzipSync(packBackup({ ...stored, photos: [] }, AT));
		const manifest = JSON.parse(strFromU8(files['manifest.json']));
		delete files['photos.json'];
		delete manifest.files['photos.json'];
		files['manifest.json'] = strToU8(JSON.stringify(manifest));
		const read = unpackBackup(zipSync(files), 'old.zip');
		expect(read.photos).toEqual([]);
		expect(read.entries).toEqual(stored.entries);
		for (const of of read.sessions) {
			const own = stored.entries.filter(({ sessionId }) => sessionId === of.id);
			expect(verifyChain(own, of)).toMatchObject({ ok: true, entries: own.length });
			for (const row of own) expect(readEntry(row)).toHaveProperty('entry');
		}
	});
	it('are four', () => expect(Object.keys(frozen)).toHaveLength(4));
});

describe('a backup', () => {
	it('comes back as it went', () => {
		const before = backup();
		expect(unpackBackup(packBackup(before, AT), 'b.zip')).toEqual(before);
	});

	const tamper = (change: (files: Record<string, Uint8Array>) => void) => {
		const files = unzipSync(packBackup(backup(), AT));
		change(files);
		return () => unpackBackup(zipSync(files), 'b.zip');
	};

	it.each(['../evil.json', '/etc/x.json', 'a/../../b.json', 'C:\\x.json'])(
		'with a file named %s is refused',
		(name) => {
			expect(tamper((files) => (files[name] = strToU8('{}')))).toThrow(/leave the folder/);
		},
	);

	it('with a wrong checksum is refused by the name of the file', () => {
		expect(tamper((files) => (files['sites.json'] = strToU8('[]')))).toThrow(/sites\.json.*checksum/);
	});

	it('that lacks a part, has no manifest or is cut short is refused', () => {
		expect(tamper((files) => delete files['entries.json'])).toThrow(/entries\.json/);
		expect(tamper((files) => delete files['manifest.json'])).toThrow(/manifest\.json/);
		const whole = packBackup(backup(), AT);
		expect(() => unpackBackup(whole.slice(0, whole.length - 40), 'b.zip')).toThrow(/not a whole zip/);
		expect(() => unpackBackup(new Uint8Array(0), 'b.zip')).toThrow(/not a whole zip/);
	});

	it('that tells a small size and unpacks to more than is allowed is refused while it unpacks', () => {
		const [told, real] = [1000, 3 * 1024 * 1024];
		const zip = zipSync({ 'entries.json': new Uint8Array(real) }, { level: 9 });
		const view = new DataView(zip.buffer, zip.byteOffset, zip.byteLength);
		// The size stands in the file's own header and in the directory.
		for (let at = 0; at + 4 < zip.length; at++) if (view.getUint32(at, true) === real) view.setUint32(at, told, true);
		expect(zip.length).toBeLessThan(5000);
		expect(() => unpackBackup(zip, 'b.zip', 1024 * 1024)).toThrow(/more than 1 MiB/);
	});

	it('whose entry was changed together with its checksum is refused by its chain', () => {
		const faked = backup();
		faked.entries[2] = { ...faked.entries[2], by: 'Someone else' };
		expect(() => unpackBackup(packBackup(faked, AT), 'b.zip')).toThrow(/entry 3: its content was changed/);
	});

	it.each<[string, (b: Backup) => void, RegExp]>([
		['an id that cannot be opened', (b) => (b.aircraft[0] = { ...b.aircraft[0], id: 'new' }), /"new" cannot be an id/],
		['an id with a path in it', (b) => (b.sites[0] = { ...b.sites[0], id: '../x?y#z' }), /cannot be an id/],
		['one session twice', (b) => b.sessions.push(b.sessions[0]), /sessions\.1\.id: "s1" stands twice/],
		['one aircraft twice', (b) => b.aircraft.push({ ...b.aircraft[0], name: 'Other' }), /stands twice/],
		['one entry twice', (b) => b.entries.push(b.entries[0]), /entries\.4\.id/],
		['an entry without a session', (b) => (b.sessions = []), /names a session that is not/],
	])('with %s is refused', (_, change, message) => {
		const bad = backup();
		change(bad);
		expect(() => unpackBackup(packBackup(bad, AT), 'b.zip')).toThrow(message);
	});

	it('whose entry belongs to another aircraft is refused, chain or no chain', () => {
		const entry = link(CHAIN_START, { ...body(0), aircraftId: 'a9' });
		const bad = { ...backup(0), sessions: [session(entry.hash)], entries: [entry] };
		expect(() => unpackBackup(packBackup(bad, AT), 'b.zip')).toThrow(/another session or aircraft/);
	});

	it('a bench book without a place goes and comes back', () => {
		const book = { ...backup(2) };
		book.sessions = [{ ...book.sessions[0], kind: 'bench', siteId: null }];
		expect(unpackBackup(packBackup(book, AT), 'b.zip')).toEqual(book);
	});

	it('with a bad field names the field', () => {
		const bad = backup();
		bad.sites[0] = { ...bad.sites[0], latDeg: 99 };
		expect(() => unpackBackup(packBackup(bad, AT), 'b.zip')).toThrow(/sites\.json\.0\.latDeg/);
	});
});

describe('one session as a file', () => {
	const file = () => {
		const { aircraft: a, sites, sessions, entries } = backup(3);
		return packSession({
			format: 'winglogos-session',
			version: 1,
			exportedAt: AT,
			session: sessions[0],
			aircraft: a[0],
			site: sites[0],
			pack: null,
			entries,
			photos: [],
		});
	};

	it('comes back', () => {
		expect(unpackSession(file(), 's.json').entries).toHaveLength(3);
	});

	it('empty, cut short, or with a missing entry is refused', () => {
		expect(() => unpackSession('  ', 's.json')).toThrow(/empty/);
		expect(() => unpackSession(file().slice(0, 300), 's.json')).toThrow(/not readable JSON/);
		const parsed = JSON.parse(file());
		parsed.entries.splice(1, 1);
		expect(() => unpackSession(JSON.stringify(parsed), 's.json')).toThrow(/missing/);
	});
});
