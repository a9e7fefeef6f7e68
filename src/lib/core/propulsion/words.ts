import type { Outcome } from '../../schema/response';

/** Checks with the propellers off or the power off, and what they look at. */
export const CHECKS = [
	'spin-check',
	'motor-order-check',
	'prop-inspection',
	'tilt-check',
	'rc-monitor',
	'mode-check',
] as const;
export type CheckCode = (typeof CHECKS)[number];

/** What each check looks at, in a pilot's words. */
export const CHECK_WORDS: Record<CheckCode, string> = {
	'spin-check': 'the way each motor turns',
	'motor-order-check': 'which output drives which motor',
	'prop-inspection': 'hand and side of each propeller',
	'tilt-check': 'the attitude shown when tilted by hand',
	'rc-monitor': 'the channels that the sticks move',
	'mode-check': 'the mode that is switched on',
};

const WORDS: Record<string, string> = {
	'no-fault': 'no fault; the response was read wrongly',
	'motor-reversed': 'one motor turns the wrong way',
	'prop-wrong': 'one propeller is of the wrong hand',
	'prop-upside-down': 'one propeller is fitted upside down',
	'motor-dead': 'one motor does not turn',
	'motor-and-prop-reversed': 'one motor and its propeller are both reversed',
	'props-all-upside-down': 'all propellers are fitted upside down',
	'props-all-wrong': 'all propellers are of the wrong hand',
	'motors-all-reversed': 'all motors turn the wrong way',
	'spin-scheme-reversed': 'built for the other spin scheme than the one set',
	'props-same-hand': 'all propellers are of one hand',
	'props-pair-exchanged': 'two neighbouring propellers are exchanged',
	'motor-order-left-right': 'outputs are mirrored left to right',
	'motor-order-front-back': 'outputs are mirrored front to back',
	'motor-order-180': 'outputs are turned by half a turn',
	'motor-order-upper-lower': 'upper and lower outputs are exchanged',
	'motor-order-turned': 'outputs are turned by one arm',
	'motor-order-pair': 'two outputs are exchanged',
	'board-yaw-90': 'the board is turned by a quarter and not told so',
	'board-yaw-180': 'the board is turned by half a turn and not told so',
	'board-upside-down': 'the board is upside down and not told so',
	'self-righting-active': 'the self-righting mode is on',
	'rc-roll-reversed': 'the roll channel is reversed',
	'rc-pitch-reversed': 'the pitch channel is reversed',
	'rc-yaw-reversed': 'the yaw channel is reversed',
	'rc-order-roll-pitch': 'roll and pitch channels are exchanged',
	'rc-order-roll-yaw': 'roll and yaw channels are exchanged',
	'rc-order-pitch-yaw': 'pitch and yaw channels are exchanged',
	'rc-order-throttle': 'the throttle channel is exchanged with another',
	'nose-reversed': 'board and outputs both think that the tail is the nose',
};

/** A fault code in plain words; double faults are joined by "and". */
export const FAULT_WORDS = (fault: string): string =>
	WORDS[fault] ??
	fault
		.split('+')
		.map((part) => WORDS[part] ?? part)
		.join(', and ');

/** What was tried, and what the aircraft did, in a pilot's words. */
export const TEST_WORDS = {
	rollRight: 'stick right',
	pitchForward: 'stick forward',
	yawRight: 'yaw right',
	throttle: 'a little throttle',
} as const;
const TEST_CODES = ['rollRight', 'pitchForward', 'yawRight', 'throttle'] as const;

/** The next test as something to do: a check looked at, or a nudge tried. */
export const nextWords = (code: string): string => {
	const check = CHECKS.find((c) => c === code);
	if (check) return `check ${CHECK_WORDS[check]}`;
	const test = TEST_CODES.find((t) => t === code);
	return test ? `try ${TEST_WORDS[test]}` : code;
};

export const OUTCOME_WORDS: Record<Outcome, string> = {
	'as-commanded': 'went as commanded',
	opposite: 'went the other way',
	'swapped-axis': 'came out on another axis',
	none: 'did nothing',
	squats: 'made it squat and rev',
	flips: 'made it flip or hop',
	spins: 'made it spin',
	'not-tried': 'was not tried',
};
