import type { SessionPayload } from '../../schema/entries';
import type { Aircraft, Pack, Session, Site } from '../../schema/records';

/** The aircraft as a session's own entry keeps it: limits and equipment, without its history; of its settings which they were. */
export const snapshotOf = ({ events: _, updatedAt: __, snapshots, ...rest }: Aircraft) => {
	const last = snapshots?.at(-1);
	return last ? { ...rest, settings: { id: last.id, at: last.at, note: last.note } } : rest;
};

/** What a session is, as its own entry: written when it begins and at every change of it. */
export const headOf = (
	what: SessionPayload['what'],
	{ kind, title, pilot, occasion, venue, crew, signals, startedAt, endedAt }: Session,
	around: { aircraft: Aircraft; site: Site | null; pack: Pack | null },
	reason = '',
): SessionPayload => ({
	kind: 'session',
	task: 'session',
	what,
	purpose: kind,
	title,
	pilot,
	...(occasion ? { occasion } : {}),
	...(crew?.length ? { crew } : {}),
	...(signals ? { signals } : {}),
	...(venue ? { venue } : {}),
	startedAt,
	endedAt,
	aircraft: snapshotOf(around.aircraft),
	site: around.site,
	pack: around.pack,
	reason,
});
