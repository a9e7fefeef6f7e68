import { area } from './message';

/** Guide: findings by code. */
export const guide = area('guide', {
	'soak-short': {
		text: 'It is not cold through yet: the board is warmer than the air.',
		next: 'Leave it out for two hours or more.',
	},
	'soak-long': { text: 'Long enough to be cold through.' },
	'soak-late': { text: 'The time to put it out has passed.', next: 'Choose a later time for the routine.' },
	'not-ready': ({ textWords }: { textWords: string }) => ({ text: `Not confirmed before: ${textWords}.` }),
	'insufficient-steps': ({ doWords }: { doWords: string }) => ({
		text: `Left out: ${doWords}.`,
		next: 'Do the routine to its end.',
	}),
	'hold-cut': ({ doWords, heldS, holdS }: { doWords: string; heldS: number; holdS: number }) => ({
		text: `${doWords}: held ${heldS.toFixed(0)} s of ${holdS} s.`,
		next: 'Repeat it, unless the aircraft itself showed that the step was done.',
	}),
	'showed-otherwise': ({ doWords, note }: { doWords: string; note: string }) => ({
		text: `${doWords}: not as it should be${note ? ` (${note})` : ''}.`,
		next: 'The calibration does not count. Find out why, then begin the routine again; if it fails again, ask the maker.',
	}),
	'not-seen': ({ doWords, note }: { doWords: string; note: string }) => ({
		text: `${doWords}: what it showed was not seen${note ? ` (${note})` : ''}.`,
		next: 'Repeat it and watch the aircraft.',
	}),
	showed: ({ doWords, note }: { doWords: string; note: string }) => ({ text: `${doWords}: ${note}.` }),
	'routine-done': { text: 'Every step was done, and the aircraft showed what it should.' },
});
