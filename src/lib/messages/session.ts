import { area } from './message';

/** Session: findings by code. */
export const session = area('session', {
	'insufficient-walk': ({ named }: { named: string[] }) => ({
		text: `Not looked at: ${named.join(', ')}.`,
		next: 'Look at the others too.',
	}),
	'walk-found': ({ name, shows, remedy }: { name: string; shows: string; remedy: string }) => ({
		text: `The ${name} ${shows}.`,
		next: remedy,
	}),
	'walk-whole': ({ passed }: { passed: string }) => ({ text: `${passed}.` }),
	'values-disagree': ({
		statementWordsOf,
		statementWordsOf2,
	}: {
		statementWordsOf: string;
		statementWordsOf2: string;
	}) => ({
		text: `${`${statementWordsOf}; ${statementWordsOf2}`}.`,
		next: 'Choose the value that the aircraft is set to.',
	}),
	'facts-moved': ({ words }: { words: string }) => ({ text: `${words}.`, next: 'Repeat it with the present values.' }),
	'not-cured': ({ names }: { names: string }) => ({
		text: `Calibrated (${names}) between two hovers that showed the same: it did not help.`,
		next: 'Before a second time: the field of this place, what stands near the sensor, how the board and the module sit.',
	}),
	'not-cured#inVain': ({ most, names }: { most: number; names: string }) => ({
		text: `Calibrated ${most} times (${names}), and it hovers as before: the calibration is not the cause.`,
		next: 'Not a third time. Look for the cause with the finder; where nothing fits, ask the maker. It does not fly.',
	}),
	unverified: ({ names }: { names: string }) => ({
		text: `Calibrated and not flown since: ${names}.`,
		next: 'Review a hover',
	}),
	'indoor-settings': {
		text: 'Outdoors, an aircraft that hovers when the link is lost does not come home.',
		next: 'Put them back, or skip this with a reason where they are wanted for this flight.',
	},
	'record-broken': ({ where, what }: { where: string; what: string }) => ({
		text: `${where}: ${what}.`,
		next: 'Look at the sheet; see again what matters.',
	}),
	'action-not-read': {
		text: 'Nobody has read off what it does without the link: it is planned as a return.',
		next: 'Read the setting off the aircraft and enter it there.',
	},
	'return-indoors': {
		text: 'Under a roof a return climbs into the ceiling.',
		next: 'Set it to hover or to land; note to put it back before flying outdoors.',
	},
	'comes-down-on-people': {
		text: 'Without the link it comes down where it is: on whoever stands there.',
		next: 'Set it to return, keep everybody out from under it, or fly elsewhere.',
	},
	'comes-down-on-water': {
		text: 'Without the link it comes down on the water.',
		next: 'Set it to return, or stay over the bank.',
	},
	'troubleshooting-open': ({
		headline,
		outcome,
		nextWords,
	}: {
		headline: string;
		outcome: string;
		nextWords: string;
	}) => ({ text: headline, next: outcome === 'ask-maker' ? 'Ask the maker; do not fly until then.' : nextWords }),
	'wind-return': ({ why }: { why: string }) => ({ text: why }),
	'nudge-wrong': {
		text: 'An aircraft that leans the wrong way on the ground flips when it lifts.',
		next: 'Look which faults could do this, put it right, and begin the nudges again.',
	},
	stopped: {
		text: 'An armed aircraft showed a problem: flown on, it can hurt somebody or be lost.',
		next: 'Find the cause, put it right, and log what was changed.',
	},
	righted: ({ length }: { length: number }) => ({
		text: `It came over in ${length === 1 ? 'one push' : `${length} pushes`}.`,
		next: 'Disarm, look at propellers and frame before anything else; then its switch off.',
	}),
	'righting-stuck': {
		text: 'A motor stood still or hummed.',
		next: 'Disarm at once; walk there. Look for grass round a shaft, feel for a hot motor, no second try today.',
	},
	'insufficient-pushes': { text: 'It was not tried.', next: 'Try it once on grass, or set it aside.' },
	'not-righted': ({ length }: { length: number }) => ({
		text: `It did not come over in ${length} pushes.`,
		next: 'Disarm and walk there. Look which way it turns for each stick before it is needed.',
	}),
});
