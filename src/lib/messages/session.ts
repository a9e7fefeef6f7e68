import { area } from './message';

/** Session: findings by code. */
export const session = area('session', {
	'insufficient-walk': ({ parts }: { parts: string[] }) => ({
		text: `Not checked: ${parts.join(', ')}.`,
		next: 'Check the others too.',
	}),
	'walk-found': ({ name, shows, remedy }: { name: string; shows: string; remedy: string }) => ({
		text: `The ${name} ${shows}.`,
		next: remedy,
	}),
	'walk-whole': ({ passed }: { passed: string }) => ({ text: `${passed}.` }),
	'values-disagree': ({ one, other }: { one: string; other: string }) => ({
		text: `${`${one}; ${other}`}.`,
		next: 'Choose the value set in the aircraft.',
	}),
	'facts-moved': ({ moved }: { moved: string }) => ({ text: `${moved}.`, next: 'Repeat with the present values.' }),
	'not-cured': ({ names }: { names: string }) => ({
		text: `Calibration (${names}) between two equal hovers did not help.`,
		next: 'Before calibrating again, check the field of this place, iron near the sensor, and the mounting of board and module.',
	}),
	'not-cured#inVain': ({ most, names }: { most: number; names: string }) => ({
		text: `Calibrated ${most} times (${names}) and the hover is unchanged. Calibration is not the cause.`,
		next: 'Do not calibrate a third time. Use troubleshooting; if no cause fits, ask the maker. Do not fly.',
	}),
	unverified: ({ names }: { names: string }) => ({
		text: `Calibrated and not flown since: ${names}.`,
		next: 'Review a hover',
	}),
	'indoor-settings': {
		text: 'Indoor failsafe setting: outdoors the aircraft hovers on link loss and does not return.',
		next: 'Restore the settings, or skip with a reason if this flight needs them.',
	},
	'record-broken': ({ where, what }: { where: string; what: string }) => ({
		text: `${where}: ${what}.`,
		next: 'Open the report and repeat the checks that matter.',
	}),
	'action-not-read': {
		text: 'Failsafe action not read from the aircraft. Planned as return to home.',
		next: 'Read the setting from the aircraft and enter it.',
	},
	'return-indoors': {
		text: 'Under a roof a return climbs into the ceiling.',
		next: 'Set the failsafe action to hover or land; restore it before flying outdoors.',
	},
	'comes-down-on-people': {
		text: 'On link loss the aircraft comes down where it is, possibly on people.',
		next: 'Set the failsafe action to return, keep everybody clear, or fly elsewhere.',
	},
	'comes-down-on-water': {
		text: 'On link loss the aircraft comes down on the water.',
		next: 'Set the failsafe action to return, or stay over land.',
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
		text: 'An aircraft that leans the wrong way on the ground flips at takeoff.',
		next: 'Find the cause, correct it, and repeat the stick response check.',
	},
	stopped: {
		text: 'An armed aircraft showed a problem. Flying it can injure people or lose the aircraft.',
		next: 'Find the cause, correct it, and log the change.',
	},
	righted: ({ pushes }: { pushes: number }) => ({
		text: `Aircraft righted itself in ${pushes === 1 ? 'one push' : `${pushes} pushes`}.`,
		next: 'Disarm, check propellers and frame, then set its switch off.',
	}),
	'righting-stuck': {
		text: 'A motor stalled or hummed.',
		next: 'Disarm at once. Check for grass round a shaft and for a hot motor. Do not try again today.',
	},
	'insufficient-pushes': { text: 'Self-righting not tried.', next: 'Try once on grass, or skip with a reason.' },
	'not-righted': ({ pushes }: { pushes: number }) => ({
		text: `Aircraft did not right itself in ${pushes} pushes.`,
		next: 'Disarm and fetch the aircraft. Check which way each stick turns it.',
	}),
});
