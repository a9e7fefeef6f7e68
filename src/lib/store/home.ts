import type { Aircraft, Entry, Session } from '$lib/schema/records';
import { db } from './db';
import { lastAcceptedCompass } from './repository';

export interface Home {
	aircraft: Aircraft[];
	/** Latest first. */
	sessions: Session[];
	/** Compass calibration in force, by aircraft. */
	compasses: Map<string, Entry>;
}

/** What the start page shows. */
export async function loadHome(): Promise<Home> {
	const [aircraft, sessions] = await Promise.all([
		db.aircraft.toArray(),
		db.sessions.orderBy('startedAt').reverse().toArray(),
	]);
	const compasses = new Map<string, Entry>();
	for (const { id } of aircraft) {
		const entry = await lastAcceptedCompass(id);
		if (entry) compasses.set(id, entry);
	}
	return { aircraft, sessions: sessions.filter(({ kind }) => kind !== 'bench'), compasses };
}
