import type { Site } from '../../schema/records';
import type { Item } from './checklist/item';

const LEAD = {
	approach: 'Landing',
	hazards: 'Keep away from',
	cleanSpot: 'Turn the compass',
	rules: 'Allowed here',
} as const;

/** Lines that say it, as they were entered with the place. */
export const placeAt = (site: Site | null, { place = [] }: Pick<Item, 'place'>): string[] =>
	place.flatMap((key) => (site?.[key] ? [`${LEAD[key]}: ${site[key]}`] : []));
