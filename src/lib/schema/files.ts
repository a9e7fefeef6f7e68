import { z } from 'zod';
import { aircraftSchema, isoTime, packSchema, photoSchema, sessionSchema, siteSchema } from './records';

/**
 * Entries of a file are read as they stand: the chain is over all that is written, so nothing may be dropped from them. Each is
 * checked with the entry's schema besides.
 */
export const rawEntrySchema = z.looseObject({ id: z.string(), sessionId: z.string(), seq: z.number() });
export type RawEntry = z.infer<typeof rawEntrySchema>;

/** One session with all it refers to. */
export const sessionFileSchema = z.object({
	format: z.literal('winglogos-session'),
	version: z.literal(1),
	exportedAt: isoTime,
	session: sessionSchema,
	aircraft: aircraftSchema,
	site: siteSchema.nullable(),
	pack: packSchema.nullable(),
	entries: z.array(rawEntrySchema),
	/** Files of before photos have none. */
	photos: z.array(photoSchema).default([]),
});
export type SessionFile = z.infer<typeof sessionFileSchema>;

/** Every table of the record with the schema of its rows: what the store keeps, and what a backup holds, a file each. */
export const TABLES = {
	aircraft: aircraftSchema,
	sites: siteSchema,
	packs: packSchema,
	sessions: sessionSchema,
	entries: rawEntrySchema,
	photos: photoSchema,
} as const;
export type TableName = keyof typeof TABLES;
export const TABLE_NAMES = Object.keys(TABLES) as TableName[];
/** Tables that backups of before them lack. */
export const ADDED_TABLES: readonly TableName[] = ['photos'];

/** Everything, as the parts of a backup. */
export const backupSchema = z.object({
	aircraft: z.array(TABLES.aircraft),
	sites: z.array(TABLES.sites),
	packs: z.array(TABLES.packs),
	sessions: z.array(TABLES.sessions),
	entries: z.array(TABLES.entries),
	photos: z.array(TABLES.photos).default([]),
});
export type Backup = z.infer<typeof backupSchema>;

export const manifestSchema = z.object({
	format: z.literal('winglogos-backup'),
	version: z.literal(1),
	exportedAt: isoTime,
	files: z.record(z.string(), z.object({ sha256: z.string().regex(/^[0-9a-f]{64}$/), bytes: z.int().min(0) })),
});
