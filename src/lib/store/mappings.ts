import { db, type Mapping } from './db';

/** The columns once chosen for logs of this purpose and layout; null where it is the first of its kind. */
export const recallMapping = async (purpose: string, layout: string): Promise<Mapping['columns'] | null> =>
	(await db.mappings.get(`${purpose}: ${layout}`))?.columns ?? null;

export const rememberMapping = (purpose: string, layout: string, columns: Mapping['columns']) =>
	db.mappings.put({ layout: `${purpose}: ${layout}`, columns });
