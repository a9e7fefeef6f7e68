import type { Crew } from '../../schema/records';

/** A damaged record may hold a role that is none: it is shown as it stands. */
export const CREW_WORDS: Record<string, string> & Record<Crew['role'], string> = {
	spotter: 'Spotter',
	launcher: 'Launches it',
	payload: 'Payload or camera',
	'second-pilot': 'Second pilot',
	safety: 'Keeps people away',
	helper: 'Helper',
};

/** Who is there, in a sentence. */
export const crewWords = (crew: readonly Crew[]): string =>
	crew.map(({ name, role }) => `${name} (${(CREW_WORDS[role] ?? String(role)).toLowerCase()})`).join(', ');
