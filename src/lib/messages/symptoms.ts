import { area } from './message';

/** Symptoms: findings by code. */
export const symptoms = area('symptoms', {
	'insufficient-observations': {
		text: 'Nothing was seen yet: what is not there ranks nothing.',
		next: 'Choose what it does.',
	},
	locked: ({ texts, nextWords }: { texts: string[]; nextWords: string }) => ({
		text: `Nothing with propellers on: ${texts.join('; ')}.`,
		next: nextWords,
	}),
	danger: ({ nextWords }: { nextWords: string }) => ({
		text: 'It may be something that hurts somebody or flies away.',
		next: nextWords,
	}),
	'danger#rank': ({ nextWords }: { nextWords: string }) => ({
		text: 'It may be something that loses or damages the aircraft.',
		next: nextWords,
	}),
	fire: { text: 'It may be a short or a burning contact.', next: 'Pack off, and away from anything that burns.' },
	'ask-maker': ({ textWords }: { textWords: string }) => ({
		text: textWords,
		next: 'Write to the maker; it does not fly.',
	}),
	'likely-cause': ({ textWords, state, remedy }: { textWords: string; state: string; remedy: string }) => ({
		text: `Most likely: ${textWords.toLowerCase()}.`,
		next: state === 'go-on' ? 'Make the check that is offered first.' : remedy,
	}),
	'normal-behaviour': { text: 'That is how such an aircraft behaves: nothing to mend, and no check is replaced.' },
	'none-of-these': { text: 'It may be none of what is known here.', next: 'Tell more of what it does.' },
	'no-test-left': ({ textWords }: { textWords: string }) => ({ text: textWords }),
	'several-causes': { text: 'Several causes are about as likely.', next: 'Make the check that is offered first.' },
});
