import type { Aircraft, Sensor } from '../../schema/records';
import { FACE_POSE, type Held } from './holds';

/** One step of an aircraft's own routine: what to do, for how long, what to watch for, and the caution before it. */
export interface GuideStep {
	do: string;
	/** What is said while hands are busy; the words of `do` where it is left out. */
	say?: string;
	/** Seconds that the step is held; the step ends by itself. Without it the pilot says when it is done. */
	holdS?: number;
	/** What the pilot reads off the aircraft, answered as it showed it. */
	watch?: string;
	caution?: string;
	/** Nothing goes on unless this showed what it should: anything else ends the routine. */
	mustPass?: boolean;
	/** How it is held, for the drawing: pitch nose-up and roll right, degrees. */
	pose?: Held;
}

export interface Recipe {
	id: string;
	name: string;
	/** When this one is the aircraft's. */
	note: string;
	before: readonly string[];
	steps: readonly GuideStep[];
	after: readonly string[];
}

const MANUAL = 'The maker’s manual for this aircraft is at hand; where it differs, it is right';
const PROPS = 'Propellers off, or secured so that no motor can start them';
/** For an aircraft whose maker says that its propellers stay on. */
const BLADES_HELD = 'Propellers stay on by its manual: blades taped together or folded, nobody within reach of a motor';
const COVER = 'Camera cover off before power, or the camera taken off where it comes off';
const VERIFY = 'Fly a verification hover before anything else; note it in the session';
const KEEP = 'The values before stay in the record: they can be compared, and entered again';
const RESTART = 'Save, and restart the aircraft';
const SHOWN = 'What did the aircraft show?';

const HELD: Record<string, Held> = {
	'Belly down': FACE_POSE.belly,
	'Left side down': FACE_POSE.left,
	'Right side down': FACE_POSE.right,
	'Nose down': FACE_POSE.nose,
	'Tail down': FACE_POSE.tail,
	'Back down': FACE_POSE.back,
};
const FACES = Object.keys(HELD);
const FLAT = HELD['Belly down'];

const pose = (words: string, holdS = 6, held = HELD[words] ?? FLAT): GuideStep => ({
	do: `${words}, and hold it still`,
	say: `${words}. Hold it still.`,
	holdS,
	watch: SHOWN,
	pose: held,
});
const turn = (words: string, held = FLAT, holdS = 12): GuideStep => ({
	do: words,
	say: words,
	holdS,
	watch: SHOWN,
	pose: held,
});

const propellersOff = (caution: string): GuideStep => ({
	do: 'Are the propellers off? Look at each motor',
	watch: 'Is every propeller off?',
	caution,
	mustPass: true,
});

/** Routines by sensor. Each is a common way of doing it; the aircraft's own is chosen, and its manual stands above it. */
const RECIPES: Record<Sensor, readonly Recipe[]> = {
	accelerometer: [
		{
			id: 'six-faces',
			name: 'Six faces',
			note: 'most builders’ aircraft',
			before: [MANUAL, PROPS, COVER, 'A firm place; how level matters little, how still matters much'],
			steps: [
				{ do: 'Start the routine', watch: SHOWN },
				...FACES.map((f) => pose(f)),
				{ do: 'Wait until it says that it is done', watch: SHOWN },
			],
			after: [RESTART, KEEP, VERIFY],
		},
		{
			id: 'five-faces',
			name: 'Five faces',
			note: 'small folding aircraft: belly, right, left, tail, top',
			before: [MANUAL, PROPS, COVER, 'Arms folded or open as the manual says for each pose'],
			steps: [
				{ do: 'Start the routine', watch: SHOWN },
				...['Belly down', 'Right side down', 'Left side down', 'Tail down', 'Back down'].map((f) => pose(f)),
				{ do: 'Wait until it says that it is done', watch: SHOWN },
			],
			after: [RESTART, KEEP, VERIFY],
		},
		{
			id: 'single',
			name: 'One flat hold',
			note: 'toys, and aircraft that keep the maker’s factory values',
			before: [MANUAL, 'A flat, level surface: a slope becomes its level'],
			steps: [pose('Flat on its feet', 10)],
			after: [KEEP, 'Hover: a steady creep means that the surface was not level'],
		},
		{
			id: 'cold',
			name: 'Cold start',
			note: 'some chill the aircraft first; the evidence is thin, so the temperature is kept',
			before: [
				MANUAL,
				PROPS,
				COVER,
				'Two hours outdoors in the cold, dry, not in a freezer',
				'The routine begins at once after power-on, in one go',
			],
			steps: [{ do: 'Power on and start the routine', watch: SHOWN }, ...FACES.map((f) => pose(f, 5))],
			after: [RESTART, 'Compare the hovers of both calibrations with “Before and after”', VERIFY],
		},
	],
	compass: [
		{
			id: 'two-turns',
			name: 'Two turns',
			note: 'level, then nose-up',
			before: [
				MANUAL,
				PROPS,
				COVER,
				'Watch, belt, keys and phone away; twenty paces from metal',
				'The field of this place was checked',
			],
			steps: [
				{ do: 'Start the routine', watch: SHOWN },
				turn('Hold it level and turn right, a whole turn'),
				turn('Point the nose up and turn right, a whole turn', { pitchDeg: 85, rollDeg: 0 }),
			],
			after: [RESTART, 'If it said that it failed: further from metal, and again', KEEP, VERIFY],
		},
		{
			id: 'tilted-second',
			name: 'Two turns, the second tilted',
			note: 'level, then one side raised beyond 45°',
			before: [MANUAL, PROPS, 'Throttle at the bottom throughout', 'Twenty paces from metal'],
			steps: [
				{ do: 'Start the routine', watch: SHOWN },
				turn('Level, turn right, slowly, a whole turn', FLAT, 15),
				turn('Raise one side beyond 45 degrees and turn right, slowly', { pitchDeg: 0, rollDeg: 60 }, 15),
			],
			after: [RESTART, KEEP, VERIFY],
		},
		{
			id: 'three-turns',
			name: 'Three turns within half a minute',
			note: 'about each of its axes; go on until the time is over',
			before: [MANUAL, PROPS, COVER, 'Twenty paces from metal'],
			steps: [
				{ do: 'Start the routine', watch: SHOWN },
				turn('Level, a whole turn', FLAT, 10),
				turn('On its side, a whole turn', HELD['Right side down'], 10),
				turn('Nose down, a whole turn', HELD['Nose down'], 10),
				{ do: 'Keep holding it until it says that it is done: putting it down too early spoils it', watch: SHOWN },
			],
			after: [RESTART, KEEP, VERIFY],
		},
	],
	gyro: [
		{
			id: 'settle',
			name: 'Settle after power-on',
			note: 'every power-up: down and still within five seconds',
			before: [MANUAL, PROPS],
			steps: [{ do: 'Power on and set it down at once', say: 'Set it down now' }, pose('On the ground, hands off', 10)],
			after: ['If it moved while it settled: switch off, and again'],
		},
	],
	level: [
		{
			id: 'bench',
			name: 'Level on the bench',
			note: 'the maker’s level routine',
			before: [MANUAL, PROPS, 'A level surface; turn it half round to see whether it is'],
			steps: [pose('On its feet', 8), { do: 'Start the level routine', watch: SHOWN }],
			after: [RESTART, VERIFY],
		},
	],
	mounting: [
		{
			id: 'tilt-check',
			name: 'Tilt check',
			note: 'watch the aircraft’s own attitude display',
			before: [MANUAL, PROPS],
			steps: [
				{ do: 'Lift the nose', watch: 'Did the drawn nose rise?' },
				{ do: 'Lower the right side', watch: 'Did the drawn right side sink?' },
				{ do: 'Turn it to the right', watch: 'Did the drawn heading go up?' },
			],
			after: ['Where an axis went wrong: “Board mounting” says which setting is right', RESTART],
		},
	],
	radio: [
		{
			id: 'sticks',
			name: 'Sticks and buttons',
			note: 'neutral, full travel, every button singly',
			before: [MANUAL, PROPS],
			steps: [
				{ do: 'Leave every stick at its centre', holdS: 4, watch: SHOWN },
				{ do: 'Move every stick slowly to all its ends', watch: SHOWN },
				{ do: 'Press every button and move every switch, one by one', watch: 'Did each one answer?' },
			],
			after: ['Look at the switches: what is active where'],
		},
	],
	camera: [
		{
			id: 'gimbal',
			name: 'Camera levelling',
			note: 'the maker’s automatic run, then by hand',
			before: [MANUAL, 'Cover off, nothing touches the camera', 'A level, still surface'],
			steps: [
				{ do: 'Start the automatic run', watch: SHOWN },
				{ do: 'Take a picture of a far horizon', watch: 'Is it level?' },
			],
			after: ['Measure it with “Camera horizon”: a second run is only worth it where degrees are left'],
		},
	],
	vision: [
		{
			id: 'screen',
			name: 'Vision sensors before a screen',
			note: 'only when the sensors’ own correction does not cure landing trouble',
			before: [MANUAL, PROPS, 'The cable is clear of the lenses', 'The maker’s own tool on the computer'],
			steps: [
				{
					do: 'Front sensors, near: twist the aircraft in place, do not carry it sideways',
					watch: 'Did the frame lock?',
				},
				{ do: 'Front sensors, far', watch: 'Did the frame lock?' },
				{ do: 'Downward sensors, near, then far', watch: 'Did the frame lock?' },
				{ do: 'Rear sensors, near, then far', watch: 'Did the frame lock?' },
				{ do: 'Upward sensors, at 45 degrees to the screen', watch: 'Did the frame lock?' },
			],
			after: ['Restart the aircraft: without it nothing is kept', 'Land on a patterned mat and look'],
		},
	],
	'speed-controllers': [
		{
			id: 'end-points',
			name: 'End points',
			note: 'throttle top before power, then bottom',
			before: [MANUAL, 'PROPELLERS OFF. There is no other way to do this'],
			steps: [
				propellersOff('With a propeller on, this routine starts the motor at full power.'),
				{ do: 'Main power off. Enable the motor output. Throttle at the top' },
				{ do: 'Connect the pack', watch: 'Did you hear its tones?' },
				{ do: 'Throttle to the bottom', watch: 'Did you hear the tone that confirms it?' },
				{ do: 'Disconnect the pack' },
			],
			after: ['Spin each motor, propellers off: all start at the same stick'],
		},
	],
	// The radio switched off is a test, not a routine of the aircraft.
	'link-loss': [],
};

/** The routines that fit a sensor of an aircraft, the likeliest first. */
export function recipesFor(
	sensor: Sensor,
	{ kind, propellersStayOn }: Pick<Aircraft, 'kind' | 'propellersStayOn'>,
): readonly Recipe[] {
	const all = propellersStayOn
		? RECIPES[sensor].map((recipe) => ({
				...recipe,
				before: recipe.before.map((text) => (text === PROPS ? BLADES_HELD : text)),
			}))
		: RECIPES[sensor];
	const first =
		sensor === 'accelerometer'
			? { camera: 'five-faces', toy: 'single', sprayer: 'single' }[kind as string]
			: sensor === 'compass' && (kind === 'sprayer' || kind === 'spreader')
				? 'tilted-second'
				: undefined;
	return first ? all.toSorted((a, b) => Number(b.id === first) - Number(a.id === first)) : all;
}
