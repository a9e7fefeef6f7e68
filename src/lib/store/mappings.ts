import { db, type Mapping } from './db';

/** The columns once chosen for logs of this purpose, by the layout of the log. */
export async function recallMappings(purpose: string): Promise<Record<string, Mapping['columns']>> {
	const prefix = `${purpose}: `;
	const kept = await db.mappings.where('layout').startsWith(prefix).toArray();
	return Object.fromEntries(kept.map(({ layout, columns }) => [layout.slice(prefix.length), columns]));
}

/** Keeps how a layout was understood. */
export const rememberMapping = (purpose: string, layout: string, columns: Mapping['columns']) =>
	db.mappings.put({ layout: `${purpose}: ${layout}`, columns });
