import type { SessionPayload } from '../../schema/entries';
import type { Aircraft, Pack, Session, Site } from '../../schema/records';
import { snapshotOf } from '../record/snapshot';

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
	follows: true,
	reason,
});
