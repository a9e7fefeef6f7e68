import type { Aircraft, AircraftKind, Part } from '../../schema/records';

/** What aircraft of a kind usually have, as far as nobody said otherwise of this one. */
const USUAL: Record<AircraftKind, readonly Part[]> = {
	camera: ['camera', 'camera-cover', 'folding', 'vision', 'obstacle'],
	'large-camera': ['camera', 'folding', 'vision', 'obstacle'],
	multirotor: [],
	wing: [],
	sprayer: ['tank', 'spreader', 'flow-meter'],
	spreader: ['spreader'],
	racer: ['video'],
	longrange: ['video', 'overlay', 'beeper', 'pre-arm'],
	toy: ['vision'],
};

/** Whether an aircraft has a part: said in its profile, else what its kind usually has. */
export const hasPart = ({ parts, kind }: Pick<Aircraft, 'parts' | 'kind'>, part: Part): boolean =>
	parts?.[part] ?? USUAL[kind].includes(part);

/** Bought whole, with the maker's own application: nothing of its inside is in reach. */
export const isFactory = ({ kind }: Pick<Aircraft, 'kind'>): boolean =>
	kind === 'camera' || kind === 'large-camera' || kind === 'toy';

/** Whether an aircraft gives logs or live data: said in its profile, else what its kind usually does. */
export const showsData = (aircraft: Pick<Aircraft, 'gives' | 'kind'>): boolean =>
	aircraft.gives ? aircraft.gives === 'logs' : !isFactory(aircraft) && aircraft.kind !== 'racer';

/** Whether it is to come home by itself: it knows where it is, and is of a kind that does. */
export const comesHome = ({ hasPosition, kind }: Pick<Aircraft, 'hasPosition' | 'kind'>): boolean =>
	hasPosition && kind !== 'racer' && kind !== 'toy';

/** How large aircraft of a kind usually are across, metres. */
const USUAL_LENGTH_M: Record<AircraftKind, number> = {
	camera: 0.35,
	'large-camera': 0.9,
	multirotor: 0.5,
	wing: 1.2,
	sprayer: 1.6,
	spreader: 1.2,
	racer: 0.25,
	longrange: 0.4,
	toy: 0.15,
};

/** Across, metres: as said, else as is usual for its kind. */
export const lengthOf = ({ lengthM, kind }: Pick<Aircraft, 'lengthM' | 'kind'>): number =>
	lengthM ?? USUAL_LENGTH_M[kind];
