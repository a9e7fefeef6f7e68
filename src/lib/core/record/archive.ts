import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { z } from 'zod';
import {
	aircraftSchema,
	backupSchema,
	entrySchema,
	manifestSchema,
	packSchema,
	sessionFileSchema,
	sessionSchema,
	siteSchema,
	type Backup,
	type SessionFile,
} from '../../schema/records';
import { InputError } from '../frames/inputError';
import { sha256Hex, verifyChain } from './chain';

const MANIFEST = 'manifest.json';
const MAX_UNPACKED_BYTES = 256 * 1024 * 1024;
const MAX_FILES = 5000;

const PARTS = {
	'aircraft.json': ['aircraft', aircraftSchema.array()],
	'sites.json': ['sites', siteSchema.array()],
	'packs.json': ['packs', packSchema.array()],
	'sessions.json': ['sessions', sessionSchema.array()],
	'entries.json': ['entries', entrySchema.array()],
} as const;

const pretty = (value: unknown) => JSON.stringify(value, null, '\t');

/** Everything as a zip: one JSON file a table and a manifest with sizes and SHA-256 of each. `at` is an ISO time. */
export function packBackup(backup: Backup, at: string): Uint8Array {
	const files: Record<string, Uint8Array> = {};
	const listed: z.infer<typeof manifestSchema>['files'] = {};
	for (const [file, [table]] of Object.entries(PARTS)) {
		const bytes = strToU8(pretty(backup[table]));
		files[file] = bytes;
		listed[file] = { sha256: sha256Hex(bytes), bytes: bytes.length };
	}
	const manifest = { format: 'winglogos-backup', version: 1, exportedAt: at, files: listed };
	return zipSync({ [MANIFEST]: strToU8(pretty(manifest)), ...files });
}

function unzip(bytes: Uint8Array, fileName: string): Record<string, Uint8Array> {
	let unpacked = 0;
	let count = 0;
	try {
		return unzipSync(bytes, {
			filter: ({ name, originalSize }) => {
				if (name.split(/[\\/]/).includes('..') || /^([\\/]|[A-Za-z]:)/.test(name))
					throw new InputError(
						'unsafe-name',
						name,
						`${fileName} holds a file named ${name}: names that leave the folder are refused.`,
					);
				unpacked += originalSize;
				count++;
				if (unpacked > MAX_UNPACKED_BYTES || count > MAX_FILES)
					throw new InputError('too-large', name, `${fileName} unpacks to more than 256 MiB or 5,000 files.`);
				return true;
			},
		});
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

function parseWith<T>(schema: z.ZodType<T>, value: unknown, file: string): T {
	const parsed = schema.safeParse(value);
	if (parsed.success) return parsed.data;
	const [issue] = parsed.error.issues;
	const path = [file, ...issue.path].join('.');
	throw new InputError('invalid-field', path, `${path}: ${issue.message}. Nothing was imported.`);
}

/** Chains of every session and references between the parts; the first fault found is thrown. */
function checkWhole(backup: Backup): Backup {
	const known = { aircraft: idsOf(backup.aircraft), sites: idsOf(backup.sites), packs: idsOf(backup.packs) };
	for (const session of backup.sessions) {
		const at = `sessions.${session.id}`;
		if (!known.aircraft.has(session.aircraftId))
			throw new InputError(
				'missing-reference',
				`${at}.aircraftId`,
				`Session "${session.title}" names an aircraft that is not in the file. Nothing was imported.`,
			);
		if (!known.sites.has(session.siteId))
			throw new InputError(
				'missing-reference',
				`${at}.siteId`,
				`Session "${session.title}" names a site that is not in the file. Nothing was imported.`,
			);
		if (session.packId !== null && !known.packs.has(session.packId))
			throw new InputError(
				'missing-reference',
				`${at}.packId`,
				`Session "${session.title}" names a pack that is not in the file. Nothing was imported.`,
			);
		const finding = verifyChain(
			backup.entries.filter((entry) => entry.sessionId === session.id),
			session.head,
		);
		if (!finding.ok) {
			const [{ seq, what }] = finding.broken;
			throw new InputError(
				'chain-broken',
				`${at}.entries.${seq}`,
				`Session "${session.title}", entry ${seq + 1}: ${what}. Nothing was imported.`,
			);
		}
	}
	const sessions = idsOf(backup.sessions);
	const stray = backup.entries.find((entry) => !sessions.has(entry.sessionId));
	if (stray)
		throw new InputError(
			'missing-reference',
			`entries.${stray.id}.sessionId`,
			'An entry names a session that is not in the file. Nothing was imported.',
		);
	return backup;
}

const idsOf = (rows: { id: string }[]) => new Set(rows.map(({ id }) => id));

/**
 * Reads a backup zip: checks names, sizes, SHA-256, every field and every chain before anything is returned.
 * @throws InputError naming the file, field or entry.
 */
export function unpackBackup(bytes: Uint8Array, fileName: string): Backup {
	const files = unzip(bytes, fileName);
	const raw = files[MANIFEST];
	if (!raw)
		throw new InputError('no-manifest', MANIFEST, `${fileName} has no ${MANIFEST}: it is not a Winglogos backup.`);
	const manifest = parseWith(manifestSchema, parseJson(strFromU8(raw), MANIFEST), MANIFEST);
	const parts: Record<string, unknown> = {};
	for (const [file, [table, schema]] of Object.entries(PARTS)) {
		const content = files[file];
		const listed = manifest.files[file];
		if (!content || !listed)
			throw new InputError('missing-file', file, `${fileName} lacks ${file}. Nothing was imported.`);
		if (content.length !== listed.bytes || sha256Hex(content) !== listed.sha256)
			throw new InputError(
				'wrong-checksum',
				file,
				`${file} in ${fileName} was changed or damaged: its checksum is wrong. Nothing was imported.`,
			);
		parts[table] = parseWith(schema as z.ZodType<unknown>, parseJson(strFromU8(content), file), file);
	}
	return checkWhole(parseWith(backupSchema, parts, fileName));
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
	return checkWhole({
		aircraft: [file.aircraft],
		sites: [file.site],
		packs: file.pack ? [file.pack] : [],
		sessions: [file.session],
		entries: file.entries,
	});
}
