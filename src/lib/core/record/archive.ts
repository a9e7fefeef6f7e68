import { strFromU8, strToU8, Unzip, UnzipInflate, unzipSync, zipSync } from 'fflate';
import { z } from 'zod';
import {
	ADDED_TABLES,
	backupSchema,
	manifestSchema,
	sessionFileSchema,
	TABLE_NAMES,
	TABLES,
	type Backup,
	type SessionFile,
	type TableName,
} from '../../schema/files';
import { InputError } from '../finding/inputError';
import { photoHash, readEntry, sha256Hex, verifyChain } from './chain';

const MANIFEST = 'manifest.json';
const MIB = 1024 * 1024;
const MAX_UNPACKED_BYTES = 256 * MIB;
const MAX_FILES = 5000;
/** A piece of a zip unpacks to at most a thousand times its size: the count is looked at between pieces. */
const INFLATE_STEP = 16 * 1024;

const fileOf = (table: TableName) => `${table}.json`;

const pretty = (value: unknown) => JSON.stringify(value, null, '\t');

/** Everything as a zip: one JSON file a table and a manifest with sizes and SHA-256 of each. `at` is an ISO time. */
export function packBackup(backup: Backup, at: string): Uint8Array {
	const files: Record<string, Uint8Array> = {};
	const listed: z.infer<typeof manifestSchema>['files'] = {};
	for (const table of TABLE_NAMES) {
		const file = fileOf(table);
		const bytes = strToU8(pretty(backup[table]));
		files[file] = bytes;
		listed[file] = { sha256: sha256Hex(bytes), bytes: bytes.length };
	}
	const manifest = { format: 'winglogos-backup', version: 1, exportedAt: at, files: listed };
	return zipSync({ [MANIFEST]: strToU8(pretty(manifest)), ...files });
}

const tooLarge = (name: string, fileName: string, mostBytes: number) =>
	new InputError('too-large', name, `${fileName} unpacks to more than ${mostBytes / MIB} MiB or 5,000 files.`);

/** Names and sizes as the zip's directory tells them. @throws where it is not whole. */
function checkDirectory(bytes: Uint8Array, fileName: string, mostBytes: number): void {
	let told = 0;
	let count = 0;
	unzipSync(bytes, {
		filter: ({ name, originalSize }) => {
			if (name.split(/[\\/]/).includes('..') || /^([\\/]|[A-Za-z]:)/.test(name))
				throw new InputError(
					'unsafe-name',
					name,
					`${fileName} holds a file named ${name}: names that leave the folder are refused.`,
				);
			told += originalSize;
			count++;
			if (told > mostBytes || count > MAX_FILES) throw tooLarge(name, fileName, mostBytes);
			return false;
		},
	});
}

/** The files of a zip. What they unpack to is counted while they are unpacked: a directory may tell any size. */
function inflate(bytes: Uint8Array, fileName: string, mostBytes: number): Record<string, Uint8Array> {
	const files: Record<string, Uint8Array> = {};
	let unpacked = 0;
	const zip = new Unzip((file) => {
		const parts: Uint8Array[] = [];
		file.ondata = (error, part, final) => {
			if (error) throw error;
			unpacked += part.length;
			if (unpacked > mostBytes) throw tooLarge(file.name, fileName, mostBytes);
			parts.push(part);
			if (final) files[file.name] = joined(parts);
		};
		file.start();
	});
	zip.register(UnzipInflate);
	for (let at = 0; at < bytes.length; at += INFLATE_STEP)
		zip.push(bytes.subarray(at, at + INFLATE_STEP), at + INFLATE_STEP >= bytes.length);
	return files;
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
	const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
	let at = 0;
	for (const part of parts) {
		whole.set(part, at);
		at += part.length;
	}
	return whole;
}

function unzip(bytes: Uint8Array, fileName: string, mostBytes: number): Record<string, Uint8Array> {
	try {
		checkDirectory(bytes, fileName, mostBytes);
		return inflate(bytes, fileName, mostBytes);
	} catch (error) {
		if (error instanceof InputError) throw error;
		throw new InputError('not-a-zip', fileName, `${fileName} is not a whole zip file. Nothing was imported.`);
	}
}

function parseJson(text: string, file: string): unknown {
	try {
		return JSON.parse(text.replace(/^\uFEFF/, ''));
	} catch (error) {
		const detail = error instanceof Error ? error.message : '';
		throw new InputError('not-json', file, `${file} is not readable JSON (${detail}). Nothing was imported.`);
	}
}

/** Every entry of a file must be one that can be read. */
function checkReadable(backup: Backup): Backup {
	for (const raw of backup.entries) {
		const read = readEntry(raw);
		if ('fault' in read)
			throw new InputError(
				'invalid-field',
				`entries.${raw.id}`,
				`Entry ${raw.seq + 1} of session ${raw.sessionId} cannot be read (${read.fault}). ${nothing}`,
			);
	}
	return backup;
}

function parseWith<T>(schema: z.ZodType<T>, value: unknown, file: string): T {
	const parsed = schema.safeParse(value);
	if (parsed.success) return parsed.data;
	const [issue] = parsed.error.issues;
	const path = [file, ...issue.path].join('.');
	throw new InputError('invalid-field', path, `${path}: ${issue.message}. Nothing was imported.`);
}

const nothing = 'Nothing was imported.';
/** The bytes of a base64 text. */

const ID = /^[A-Za-z0-9][A-Za-z0-9_-]{0,79}$/;
/** Addresses of forms: an id that is one of them could not be opened. */
const TAKEN_IDS: readonly string[] = ['new'];

/** Ids that can be opened, each once in its table. */
function checkIds(table: string, rows: readonly { id: string }[]): Set<string> {
	const seen = new Set<string>();
	rows.forEach(({ id }, k) => {
		const path = `${table}.${k}.id`;
		if (!ID.test(id) || TAKEN_IDS.includes(id))
			throw new InputError('invalid-field', path, `${path}: "${id.slice(0, 40)}" cannot be an id. ${nothing}`);
		if (seen.has(id))
			throw new InputError('invalid-field', path, `${path}: "${id}" stands twice in the file. ${nothing}`);
		seen.add(id);
	});
	return seen;
}

/** Entries by their session, each in order of its numbers. */
export function bySession<T extends { sessionId: string; seq: number }>(entries: readonly T[]): Map<string, T[]> {
	const out = new Map<string, T[]>();
	for (const entry of entries) {
		const own = out.get(entry.sessionId);
		if (own) own.push(entry);
		else out.set(entry.sessionId, [entry]);
	}
	for (const own of out.values()) own.sort((a, b) => a.seq - b.seq);
	return out;
}

/**
 * Ids, references between the parts, and the chain of every session; the first fault found is thrown. Returned as it came.
 * @throws InputError naming the table and row, or the session and entry.
 */
export function checkWhole(backup: Backup): Backup {
	const known = {
		aircraftId: checkIds('aircraft', backup.aircraft),
		siteId: checkIds('sites', backup.sites),
		packId: checkIds('packs', backup.packs),
	};
	const sessions = checkIds('sessions', backup.sessions);
	checkIds('entries', backup.entries);
	checkIds('photos', backup.photos);
	const entries = bySession(backup.entries);
	const WHAT = { aircraftId: 'an aircraft', siteId: 'a site', packId: 'a pack' } as const;
	for (const session of backup.sessions) {
		const at = `sessions.${session.id}`;
		for (const key of ['aircraftId', 'siteId', 'packId'] as const) {
			const named = session[key];
			if (named !== null && !known[key].has(named))
				throw new InputError(
					'missing-reference',
					`${at}.${key}`,
					`Session "${session.title}" names ${WHAT[key]} that is not in the file. ${nothing}`,
				);
		}
		const finding = verifyChain(entries.get(session.id) ?? [], session);
		if (!finding.ok) {
			const [{ number, where, what }] = finding.broken;
			throw new InputError(
				'chain-broken',
				`${at}.entries.${number - 1}`,
				`Session "${session.title}", ${where.toLowerCase()}: ${what}. ${nothing}`,
			);
		}
	}
	const rows = { aircraft: known.aircraftId, sites: known.siteId, packs: known.packId, sessions };
	for (const { id, of, jpeg, sha256 } of backup.photos) {
		if (!rows[of.table].has(of.id))
			throw new InputError(
				'missing-reference',
				`photos.${id}.of`,
				`A photo is of something that is not in the file. ${nothing}`,
			);
		if (photoHash(jpeg) !== sha256)
			throw new InputError('wrong-checksum', `photos.${id}.jpeg`, `A photo was changed or damaged. ${nothing}`);
	}
	const stray = backup.entries.find((entry) => !sessions.has(entry.sessionId));
	if (stray)
		throw new InputError(
			'missing-reference',
			`entries.${stray.id}.sessionId`,
			`An entry names a session that is not in the file. ${nothing}`,
		);
	return backup;
}

/**
 * Reads a backup zip: checks names, sizes, SHA-256, every field and every chain before anything is returned.
 * @throws InputError naming the file, field or entry.
 */
export function unpackBackup(bytes: Uint8Array, fileName: string, mostBytes = MAX_UNPACKED_BYTES): Backup {
	const files = unzip(bytes, fileName, mostBytes);
	const raw = files[MANIFEST];
	if (!raw)
		throw new InputError('no-manifest', MANIFEST, `${fileName} has no ${MANIFEST}: it is not a Winglogos backup.`);
	const manifest = parseWith(manifestSchema, parseJson(strFromU8(raw), MANIFEST), MANIFEST);
	const parts: Record<string, unknown> = {};
	for (const table of TABLE_NAMES) {
		const file = fileOf(table);
		const content = files[file];
		const listed = manifest.files[file];
		if (!content && !listed && ADDED_TABLES.includes(table)) continue;
		if (!content || !listed)
			throw new InputError('missing-file', file, `${fileName} lacks ${file}. Nothing was imported.`);
		if (content.length !== listed.bytes || sha256Hex(content) !== listed.sha256)
			throw new InputError(
				'wrong-checksum',
				file,
				`${file} in ${fileName} was changed or damaged: its checksum is wrong. Nothing was imported.`,
			);
		parts[table] = parseWith(z.array(TABLES[table]), parseJson(strFromU8(content), file), file);
	}
	return checkWhole(checkReadable(parseWith(backupSchema, parts, fileName)));
}

/** One session as readable JSON. */
export const packSession = (file: SessionFile): string => pretty(file);

/**
 * Reads one session's JSON file and returns it as the backup of just that session.
 * @throws InputError naming the field or entry.
 */
export function unpackSession(text: string, fileName: string): Backup {
	if (text.trim() === '') throw new InputError('empty', fileName, `${fileName} is empty.`);
	const file = parseWith(sessionFileSchema, parseJson(text, fileName), fileName);
	return checkWhole(
		checkReadable({
			aircraft: [file.aircraft],
			sites: file.site ? [file.site] : [],
			packs: file.pack ? [file.pack] : [],
			sessions: [file.session],
			entries: file.entries,
			photos: file.photos,
		}),
	);
}

/** What is exported, and why an import would refuse it; null where it would not. */
export interface Export<T> {
	data: T;
	fault: string | null;
}

const faultOf = (read: () => unknown): string | null => {
	try {
		read();
		return null;
	} catch (error) {
		return error instanceof Error ? error.message.replace(' Nothing was imported.', '') : String(error);
	}
};

/** Everything as a zip, read back by the importer's own rules before it is handed out. `at` is an ISO time. */
export function exportBackup(backup: Backup, at: string): Export<Uint8Array> {
	const data = packBackup(backup, at);
	return { data, fault: faultOf(() => unpackBackup(data, 'backup')) };
}

/** One session as JSON, read back by the importer's own rules before it is handed out. */
export function exportSessionFile(file: SessionFile): Export<string> {
	const data = packSession(file);
	return { data, fault: faultOf(() => unpackSession(data, 'session')) };
}

/** Whether a file begins as a zip does, whatever it is called. */
export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;
