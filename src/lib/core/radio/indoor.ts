import type { Aircraft, IndoorSetting } from '../../schema/records';

export interface IndoorDefault {
	id: string;
	name: string;
	/** What it is set to under a roof. */
	indoors: string;
	why: string;
	fits?: (aircraft: Pick<Aircraft, 'kind' | 'hasPosition'>) => boolean;
}

const flown = ({ kind }: Pick<Aircraft, 'kind'>) => kind !== 'wing' && kind !== 'sprayer';
const camera = ({ kind }: Pick<Aircraft, 'kind'>) => kind === 'camera' || kind === 'large-camera';

/** What is changed before flying under a roof, and why: defaults, each of which the pilot may change or leave out. */
export const INDOOR_DEFAULTS: readonly IndoorDefault[] = [
	{
		id: 'link-loss',
		name: 'When the link is lost',
		indoors: 'hover',
		why: 'Return home climbs first: into the ceiling.',
	},
	{
		id: 'low-battery',
		name: 'When the pack is low',
		indoors: 'warn only, and a timer',
		why: 'An automatic return does under a roof what it does without a link.',
		fits: ({ hasPosition }) => hasPosition,
	},
	{
		id: 'obstacle',
		name: 'Obstacle sensors',
		indoors: 'show distances, do not brake',
		why: 'Walls on every side hold it where it is, or push it into another.',
		fits: camera,
	},
	{
		id: 'downward',
		name: 'Downward vision',
		indoors: 'on',
		why: 'It holds the place where no satellite is seen; off above furniture of many heights.',
		fits: camera,
	},
	{
		id: 'curve',
		name: 'Curve of roll, pitch and yaw',
		indoors: '0.1',
		why: 'Little stick does little; the full stick stays at hand.',
		fits: flown,
	},
	{
		id: 'yaw',
		name: 'Yaw sensitivity',
		indoors: 'lower, to taste',
		why: 'A picture turned fast is no picture.',
		fits: flown,
	},
	{ id: 'brake', name: 'Braking', indoors: 'as it is, or a little more', why: 'Rooms are short.', fits: camera },
	{ id: 'fast', name: 'Fast modes', indoors: 'off', why: 'A switch knocked by a sleeve.', fits: flown },
];

/** The settings that fit an aircraft. */
export const indoorDefaults = (aircraft: Pick<Aircraft, 'kind' | 'hasPosition'>): IndoorDefault[] =>
	INDOOR_DEFAULTS.filter(({ fits }) => fits?.(aircraft) ?? true);

/** What still has to be put back before flying outdoors. */
export const toRestore = ({ indoor }: Pick<Aircraft, 'indoor'>): readonly IndoorSetting[] =>
	(indoor?.settings ?? []).filter(({ back }) => !back);
