import type { Aircraft } from '../../schema/records';

/** Whether an aircraft gives logs or live data: said in its profile, else what its kind usually does. */
export const showsData = ({ gives, kind }: Pick<Aircraft, 'gives' | 'kind'>): boolean =>
	gives ? gives === 'logs' : kind !== 'camera' && kind !== 'toy' && kind !== 'racer';

/** Whether it is to come home by itself: it knows where it is, and is of a kind that does. */
export const comesHome = ({ hasPosition, kind }: Pick<Aircraft, 'hasPosition' | 'kind'>): boolean =>
	hasPosition && kind !== 'racer' && kind !== 'toy';
