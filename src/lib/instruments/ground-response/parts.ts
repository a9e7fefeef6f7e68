import type { CheckCode } from '$lib/core/propulsion/words';

export const OBSERVED = {
	rollRight: 'Stick right: it',
	pitchForward: 'Stick forward: it',
	yawRight: 'Yaw right: it',
	throttle: 'A little throttle: it',
};

const COUNTED = {
	'not-done': 'not checked yet',
	right: 'all right',
	'one-wrong': 'one wrong',
	'some-wrong': 'some wrong',
	wrong: 'all wrong',
};

const SINGLE = { 'not-done': 'not checked yet', right: 'right', wrong: 'wrong' };

/** Propellers off or power off; by the codes of the checks. */
export const CHECKED: readonly (readonly [CheckCode, string, Record<string, string>])[] = [
	['spin-check', 'Propellers off, one motor at a time: turning', COUNTED],
	['motor-order-check', 'Propellers off, one output at a time: the arm that answers', COUNTED],
	['prop-inspection', 'Power off: hand and side up of the propellers', COUNTED],
	['tilt-check', 'Tilted and turned by hand: the attitude shown', SINGLE],
	['rc-monitor', 'Sticks moved: the channels that answer', SINGLE],
	['mode-check', 'The mode that is switched on', SINGLE],
];
