import type { Aircraft } from '../../schema/records';
import { comesHome } from '../aircraft/capabilities';

/** What will not work when a thing is left undone: said before it is, and written down with the reason. */
const WITHOUT: Record<string, string> = {
	position: 'no lock: it holds no place, does not return, and has no home; a lost link ends where it is',
	'way-home': 'no plan: nobody knows whether it comes home from out there',
	'link-loss': 'not tested: it may fly on or fall when the link is lost',
	compass: 'not proved: position hold may circle wider and wider',
	hover: 'not judged: what was calibrated is not proved in the air',
};

/** What leaving a task undone means for an aircraft; null where it means nothing beyond itself. */
export const withoutIt = (task: string, aircraft: Pick<Aircraft, 'hasPosition' | 'kind'>): string | null =>
	task === 'position' && !comesHome(aircraft) ? null : (WITHOUT[task] ?? null);
