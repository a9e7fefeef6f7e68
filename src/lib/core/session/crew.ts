import type { Crew } from '../../schema/records';

export const CREW_WORDS: Record<Crew['role'], string> = {
	spotter: 'Spotter',
	launcher: 'Launches it',
	payload: 'Payload or camera',
	'second-pilot': 'Second pilot',
	safety: 'Keeps people away',
	helper: 'Helper',
};

/** Who is there, in a sentence. */
export const crewWords = (crew: readonly Crew[]): string =>
	crew.map(({ name, role }) => `${name} (${CREW_WORDS[role].toLowerCase()})`).join(', ');
