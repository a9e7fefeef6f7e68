import { area } from './message';

/** Guide: findings by code. */
export const guide = area('guide', {
	'soak-short': {
		text: 'Board not cold yet: it is warmer than the air.',
		next: 'Leave the aircraft outside for two hours or more.',
	},
	'soak-long': { text: 'Long enough to cool down.' },
	'soak-late': {
		text: 'The time to put the aircraft outside has passed.',
		next: 'Choose a later time for the routine.',
	},
	'not-ready': ({ condition }: { condition: string }) => ({ text: `Not confirmed before starting: ${condition}.` }),
	'insufficient-steps': ({ step }: { step: string }) => ({
		text: `Step left out: ${step}.`,
		next: 'Complete the routine.',
	}),
	'hold-cut': ({ step, heldS, holdS }: { step: string; heldS: number; holdS: number }) => ({
		text: `${step}: held ${heldS.toFixed(0)} s of ${holdS} s.`,
		next: 'Repeat the step, unless the aircraft showed that it was complete.',
	}),
	'showed-otherwise': ({ step, note }: { step: string; note: string }) => ({
		text: `Problem at a step: ${step}${note ? ` (${note})` : ''}.`,
		next: 'The calibration does not count. Find the cause, then start the routine again; if it fails again, ask the maker.',
	}),
	'not-seen': ({ step, note }: { step: string; note: string }) => ({
		text: `${step}: the aircraft’s signal was not seen${note ? ` (${note})` : ''}.`,
		next: 'Repeat the step and watch the aircraft.',
	}),
	showed: ({ step, note }: { step: string; note: string }) => ({ text: `${step}: ${note}.` }),
	'routine-done': { text: 'Every step was completed, and the aircraft confirmed each one.' },
});
