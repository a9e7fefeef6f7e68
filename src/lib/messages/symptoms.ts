import { area } from './message';

/** Symptoms: findings by code. */
export const symptoms = area('symptoms', {
	'insufficient-observations': {
		text: 'No symptom entered, so no cause can be ranked.',
		next: 'Choose a symptom.',
	},
	locked: ({ texts, remedy }: { texts: string[]; remedy: string }) => ({
		text: `Keep propellers off: ${texts.join('; ')}.`,
		next: remedy,
	}),
	danger: ({ remedy }: { remedy: string }) => ({
		text: 'Possible cause can injure people or lose control.',
		next: remedy,
	}),
	'danger#rank': ({ remedy }: { remedy: string }) => ({
		text: 'Possible cause can damage or lose the aircraft.',
		next: remedy,
	}),
	fire: {
		text: 'Possible short circuit or burning contact.',
		next: 'Disconnect the battery and move it away from anything that burns.',
	},
	'ask-maker': ({ says }: { says: string }) => ({
		text: says,
		next: 'Write to the maker. Do not fly.',
	}),
	'likely-cause': ({ cause, state, remedy }: { cause: string; state: string; remedy: string }) => ({
		text: `Most likely: ${cause.toLowerCase()}.`,
		next: state === 'go-on' ? 'Do the offered check first.' : remedy,
	}),
	'normal-behaviour': {
		text: 'Normal behaviour of this kind of aircraft. No repair needed, and no check is replaced.',
	},
	'none-of-these': { text: 'The cause may be none of those listed.', next: 'Enter more symptoms.' },
	'no-test-left': ({ says }: { says: string }) => ({ text: says }),
	'several-causes': { text: 'Several causes are about equally likely.', next: 'Do the offered check first.' },
});
