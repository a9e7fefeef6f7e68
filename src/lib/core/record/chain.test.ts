import fc from 'fast-check';
import { strToU8, unzipSync, zipSync, strFromU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import type { Aircraft, Backup, Entry, EntryBody, Session, Site } from '../../schema/records';
import { newAircraft } from '../../schema/newAircraft';
import { packBackup, packSession, unpackBackup, unpackSession } from './archive';
import { CHAIN_START, canonicalJson, link, sha256Hex, verifyChain } from './chain';

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
	return { aircraft: [aircraft], sites: [site], packs: [], sessions: [session(head)], entries };
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
		expect(verifyChain(entries.toReversed(), head)).toEqual({ ok: true, entries: 6, broken: [] });
		expect(verifyChain([], CHAIN_START).ok).toBe(true);
	});

	it('names the entry that was changed', () => {
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 5 }), fc.string({ minLength: 1 }), (k, by) => {
				const { entries, head } = chain(6);
				const changed = entries.map((e, i) => (i === k ? { ...e, by: `${by.trim()}x` } : e));
				const { broken } = verifyChain(changed, head);
				return broken.length === 1 && broken[0].seq === k && /changed/.test(broken[0].what);
			}),
			{ seed: 1 },
		);
	});

	it('notices an entry taken out, wherever it stood', () => {
		for (let k = 0; k < 5; k++) {
			const { entries, head } = chain(5);
			expect(
				verifyChain(
					entries.filter((_, i) => i !== k),
					head,
				).ok,
			).toBe(false);
		}
	});

	it('notices a chain written anew over a changed entry: the session remembers its head', () => {
		const { head } = chain(3);
		const other = chain(2);
		expect(verifyChain(other.entries, head).ok).toBe(false);
	});
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

	it('whose entry was changed together with its checksum is refused by its chain', () => {
		const faked = backup();
		faked.entries[2] = { ...faked.entries[2], by: 'Someone else' };
		expect(() => unpackBackup(packBackup(faked, AT), 'b.zip')).toThrow(/entry 3: its content was changed/);
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
		expect(strFromU8(strToU8(file()))).toBe(file());
	});
});
