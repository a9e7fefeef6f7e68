import type { Odd } from '../../../schema/entries';

/** The sign of the troubleshooting table that a fault of an item is, by the words in which the fault is offered. */
const OF_FAULT: Readonly<Record<string, Readonly<Record<string, string>>>> = {
	'first-power': { 'The plug limited the current': 'plug-dies', 'Wrong tones or none': 'no-start' },
	'motors-bare': { 'One does not start': 'motor-silent', 'One runs rough': 'motor-rough' },
	'bench-arm': {
		'It does not arm': 'no-arm',
		'A message stands': 'arm-msg',
		'A motor winds up by itself': 'winds-up',
	},
	orientation: {
		'Nose up is shown as down': 'view-reversed',
		'Right is shown as left': 'view-reversed',
		'Turns the wrong way': 'view-exchanged',
		'Does not follow': 'view-exchanged',
	},
	'lines-vented': { 'A nozzle sprays unevenly': 'nozzle-poor', 'A nozzle drips': 'nozzle-poor' },
	'spreader-ready': { 'Feeder does not turn': 'feeder-still' },
	'radio-first': { 'No link': 'link-blinks' },
	'craft-first': { 'It does not link': 'link-blinks', 'It blinks on': 'link-blinks' },
	still: { 'The tones did not come': 'no-start' },
	link: { 'No fix': 'no-fix', 'A message stands': 'arm-msg', 'Weak link': 'link-near' },
	picture: { Blurred: 'picture-blur', 'It breaks up': 'picture-breaks', Stripes: 'picture-breaks' },
	'camera-still': {
		'It hangs to one side': 'horizon-tilted',
		'It shakes': 'camera-jerks',
		'It drifts': 'camera-drifts',
	},
	'spin-up': {
		'One jerks': 'uneven-start',
		'One winds up by itself': 'revs-bounces',
		'One starts late': 'uneven-start',
		'One does not turn': 'motor-silent',
	},
	surfaces: { 'One moves the wrong way': 'surface-command', 'Rudder is reversed': 'surface-command' },
	'surfaces-level': { 'They move the wrong way': 'surface-tilt', 'They flutter': 'surface-slack' },
	'take-off': { 'It leaned': 'leans', 'It jumped': 'runs-up', 'It stayed down': 'pinned', 'It drifted off': 'leans' },
	'sounds-even': { 'It buzzes': 'buzz', 'It surges': 'buzz', 'It hums higher': 'buzz' },
	'by-hand': {
		'It drifts in the open': 'leans',
		'It leans': 'leans',
		'It shakes': 'shakes',
		'It sinks': 'creeps-height',
	},
	launch: { 'It leaned to one side': 'wing-turns', 'It climbed too steeply': 'wing-climbs' },
	follows: { 'It does not stop': 'drifts-wind', 'It leans without a command': 'leans' },
	wanders: { 'It circles': 'circles', 'It wanders widely': 'drifts-wind' },
	disarmed: { 'It did not disarm': 'runs-radio-off', 'A motor turned on': 'runs-radio-off' },
	'warm-parts': {
		'One motor is hot': 'one-hot',
		'All motors are hot': 'motors-hot',
		'The pack is hot': 'pack-swollen',
	},
	'pack-look': { Swollen: 'pack-swollen' },
	'level-after': { 'It climbed': 'wing-climbs', 'It bobbed': 'wing-bobs' },
};

/** Faults of any timed step of the hover test. */
const OF_STEP: Readonly<Record<string, string>> = {
	'It drifted': 'drifts-wind',
	'It rose or sank': 'creeps-height',
	'It shook or buzzed': 'buzz',
	'It circled': 'circles',
};

const OF_ODD: Readonly<Record<Odd, string>> = {
	opposite: 'tilts-wrong',
	'swapped-axis': 'tilts-wrong',
	none: 'motor-silent',
	squats: 'squats',
	flips: 'flips',
	spins: 'yaw-wrong',
};

/** The sign that a failed answer is; undefined where the table has none for it. */
export const signOf = (item: string, fault: string, odd?: Odd): string | undefined =>
	odd
		? item === 'nudge-yaw' && odd !== 'flips'
			? 'yaw-wrong'
			: OF_ODD[odd]
		: (OF_FAULT[item]?.[fault] ?? (item.endsWith('-rung') ? OF_STEP[fault] : undefined));

/** Every fault with its sign, for the tests: item, fault, sign. */
export const SIGNED_FAULTS: readonly (readonly [string, string, string])[] = Object.entries(OF_FAULT).flatMap(
	([item, faults]) => Object.entries(faults).map(([fault, sign]) => [item, fault, sign] as const),
);
