import type { ArmingMessage } from '../../schema/records';

/** A reason for which aircraft refuse to arm, in plain words, with the words in which messages usually tell it. */
export interface ArmingReason {
	id: string;
	means: string;
	next: string;
	/** Parts of words by which it is found in what an aircraft says. */
	said: readonly string[];
}

const why = (id: string, means: string, next: string, ...said: string[]): ArmingReason => ({ id, means, next, said });

/** Why aircraft do not arm, the likeliest first. Ours, in general terms: the maker's manual has the exact message. */
const ARMING_REASONS: readonly ArmingReason[] = [
	why(
		'throttle',
		'The throttle is not at its bottom, or its end point is not taught.',
		'Stick down and hold; if it stays, teach the sticks again and look that the bottom reads as zero.',
		...['thr', 'stick'],
	),
	why(
		'link',
		'The receiver does not hear the radio, or waited too long for it.',
		'Radio on first, then unplug and plug the aircraft again; look whether the channel bars move.',
		...['rx', 'receiver', 'radio', 'link', 'rc', 'signal', 'failsafe', 'bind'],
	),
	why(
		'sticks',
		'The sticks were never calibrated, or their ends and middle are off.',
		'Propellers off: calibrate the sticks, then look that each channel reaches its ends and rests in the middle.',
		...['rc', 'stick', 'radio', 'channel', 'trim', 'endpoint', 'transmitter'],
	),
	why(
		'switch-on',
		'The arming switch was on when it started, or another switch forbids it.',
		'All switches to their safe end, unplug, plug again; then the guard first, then arm.',
		...['switch', 'guard', 'arm', 'safety', 'button'],
	),
	why(
		'no-fix',
		'It waits for its position: too few satellites, or home is not stored.',
		'Wait under open sky; or change to flying without a return, by written consent and knowing what will not work.',
		...['gps', 'gnss', 'fix', 'sat', 'position', 'home', 'hdop', 'lock', 'estimator', 'nav'],
	),
	why(
		'compass',
		'The compass is not calibrated, is disturbed, or two of them differ.',
		'Ten steps from metal and try again; then turn it again, and compare the two.',
		...['compass', 'mag', 'heading', 'yaw', 'interference'],
	),
	why(
		'accelerometer',
		'The accelerometer is not calibrated, or two of them differ.',
		'Six faces again on a firm table; after that save and start again.',
		...['acc', 'imu', 'ins', 'level', 'face'],
	),
	why(
		'gyro',
		'The gyro has not settled: it was moved after the plug, or wind rocks it.',
		'Unplug, set it down level, plug in, hands off until it is done.',
		...['gyro', 'moving', 'motion', 'initiali', 'settl', 'boot', 'start'],
	),
	why(
		'tilted',
		'It stands further from level than it will arm at.',
		'Level ground. If it stands level, its mounting or its level is set wrong: look at the attitude it shows.',
		...['angle', 'tilt', 'lean', 'attitude', 'level'],
	),
	why(
		'pack',
		'The pack is too low, or its voltage is read wrong.',
		'Measure it at the balance plug; a wrong reading is a wrong number of cells or a wrong scale.',
		...['batt', 'volt', 'cell', 'power', 'low', 'charge'],
	),
	why(
		'pressure',
		'The pressure sensor jumps or does not answer.',
		'Out of wind and sun, foam in place, start again; if it stays, it is a cable or the sensor.',
		...['baro', 'pressure', 'alt', 'height'],
	),
	why(
		'mode',
		'The mode that is chosen may not be armed in.',
		'Switch to self-level and arm there.',
		...['mode', 'return', 'hold', 'recover', 'upside'],
	),
	why(
		'cable',
		'It is still in talk with a computer, or its settings are open.',
		'Close the program, pull the cable, unplug and plug the pack.',
		...['usb', 'cable', 'config', 'terminal', 'menu'],
	),
	why(
		'motors',
		'The speed controllers do not answer, or no protocol is chosen for them.',
		'Pack in, not the cable alone; then the protocol, then the leads of the silent one.',
		...['esc', 'motor', 'rpm', 'output', 'protocol'],
	),
	why(
		'storage',
		'It cannot write its log, or its card is missing.',
		'Card in and whole, or switch logging off; note it as a change of settings.',
		...['log', 'card', 'flash', 'storage', 'sd'],
	),
	why(
		'fence',
		'It stands outside the area it was told to keep to, or where it is told not to fly.',
		'Ask first whether you may fly here; then look what area is stored.',
		...['fence', 'zone', 'area', 'geo', 'restrict'],
	),
	why(
		'settings',
		'Settings contradict each other or were lost in an update.',
		'Compare them with the last sheet that flew, and put back what changed.',
		...['param', 'setting', 'check', 'version', 'firmware', 'load', 'cpu'],
	),
];

/** Reasons that a calibration cures. */
const CALIBRATED: readonly string[] = ['accelerometer', 'gyro', 'compass', 'sticks'];
/** Words that name nothing. */
const FILLER: readonly string[] = [
	'not',
	'no',
	'is',
	'the',
	'needs',
	'need',
	'required',
	'missing',
	'please',
	'arm',
	'arming',
	'pre',
	'check',
];

const wordsOf = (text: string): string[] => text.toLowerCase().match(/[a-z]{2,}/g) ?? [];

/** What an aircraft's message may mean: its own notes first, then the reasons whose words are in it; all of them without a message. */
export function armingReasons(
	message: string,
	own: readonly ArmingMessage[] = [],
): { own: ArmingMessage[]; usual: ArmingReason[] } {
	const words = wordsOf(message);
	if (words.length === 0) return { own: [...own], usual: [...ARMING_REASONS] };
	const score = (parts: readonly string[]) => words.filter((w) => parts.some((part) => w.startsWith(part))).length;
	// "Not calibrated" alone names no sensor: with a sensor's name it points at its calibration, never at another one's.
	const calibration = words.some((word) => word.startsWith('calib'));
	const hitsOf = ({ id, said }: ArmingReason) => {
		const named = score(said);
		if (!calibration || !CALIBRATED.includes(id)) return named;
		return named > 0 ? named + 1 : words.every((word) => FILLER.includes(word) || word.startsWith('calib')) ? 1 : 0;
	};
	const usual = ARMING_REASONS.map((reason) => ({ reason, hits: hitsOf(reason) }))
		.filter(({ hits }) => hits > 0)
		.sort((a, b) => b.hits - a.hits);
	return {
		own: own.filter(({ text }) => wordsOf(text).some((w) => words.some((v) => w.startsWith(v) || v.startsWith(w)))),
		usual: usual.map(({ reason }) => reason),
	};
}
