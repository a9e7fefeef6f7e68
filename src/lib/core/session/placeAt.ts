import type { Site } from '../../schema/records';

/** What was entered of a place that an item of the checklist is about. */
const OF_ITEM: Record<string, readonly (keyof Pick<Site, 'approach' | 'hazards' | 'cleanSpot' | 'rules'>)[]> = {
	legal: ['rules'],
	people: ['hazards'],
	room: ['hazards'],
	spotter: ['approach'],
	'home-mark': ['approach', 'hazards'],
	'worn-metal': ['cleanSpot'],
	'site-clean': ['cleanSpot'],
};
const LEAD = {
	approach: 'Landing',
	hazards: 'Keep away from',
	cleanSpot: 'Turn the compass',
	rules: 'Allowed here',
} as const;

/** Lines that say it, as they were entered with the place. */
export const placeAt = (site: Site | null, item: string): string[] =>
	(OF_ITEM[item] ?? []).flatMap((key) => (site?.[key] ? [`${LEAD[key]}: ${site[key]}`] : []));
