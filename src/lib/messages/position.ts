import { area } from './message';

const WAIT = 'Keep the receiver under open sky and wait.';

/** Position: findings by code. */
export const position = area('position', {
	'insufficient-epochs': { text: 'The log holds too few epochs to tell its rate.', next: 'Record half a minute.' },
	'line-too-slow': ({ nextWords }: { nextWords: string }) => ({
		text: 'The line cannot carry what the receiver sends: epochs are lost.',
		next: nextWords,
	}),
	'line-full': ({ needed }: { needed: number }) => ({
		text: 'The line is nearly full.',
		next: `Raise the line to at least ${needed} baud, switch off sentences that nobody reads, or use the receiver's binary protocol.`,
	}),
	'line-roomy': { text: 'The line has room to spare.' },
	'count-not-shown': {
		text: 'Its lights show a GPS lock; they tell neither satellites nor scatter.',
		next: 'Hover near and low first: a weak fix shows as wandering.',
	},
	'lock-not-shown': { text: 'Its lights do not show a GPS lock.', next: 'Wait under open sky, and look again.' },
	'satellites-enough': { text: 'Enough satellites are used.' },
	'few-satellites': { text: 'Too few satellites are used.', next: 'Wait under open sky, and look again.' },
	'home-stored': { text: 'It says that home is stored.' },
	'home-not-stored': { text: 'It has not said that home is stored.', next: 'Wait under open sky, and look again.' },
	'lock-watched': { text: 'The count was watched long enough.' },
	'lock-glanced': { text: 'The count was looked at only shortly.', next: 'Watch it a while.' },
	'pattern-shown': { text: 'The pattern is that of its own light table.' },
	'hdop-not-shown': { text: 'How well the satellites are spread was not shown.' },
	'hdop-small': { text: 'The satellites stand well spread (HDOP).' },
	'hdop-large': {
		text: 'The satellites stand on one side of the sky (HDOP).',
		next: 'Wait under open sky, and look again.',
	},
	'read-off': { text: 'Read off its screen: whether the position stands still was not seen.' },
	'insufficient-sentences': {
		text: 'No whole sentence was received.',
		next: "Check that the receiver sends text sentences and that the rate is the receiver's.",
	},
	'insufficient-fix': { text: 'There was no position fix.', next: WAIT },
	'lock-held': ({ holdS }: { holdS: number }) => ({ text: `The lock was held for ${holdS} s; home can be trusted.` }),
	'insufficient-duration': ({ longestS, holdS }: { longestS: number; holdS: number }) => ({
		text: `The lock has held for ${longestS.toFixed(0)} s, not yet for ${holdS} s.`,
		next: WAIT,
	}),
	'no-lock': { text: 'The lock was never held long enough.', next: WAIT },
	'fix-lost': { text: 'There is no fix at the end.', next: WAIT },
	'insufficient-satellites': {
		text: 'The receiver tells no possible number of satellites that it uses.',
		next: 'Switch on GGA or GSA sentences.',
	},
	'few-satellites#review': { text: 'Too few satellites are used.', next: WAIT },
	'hdop-large#review': { text: 'The satellites stand on one side of the sky (HDOP).', next: WAIT },
	'fix-2d': { text: 'The fix has no height.', next: WAIT },
	'lock-slow': { text: 'The lock took long.', next: 'Compare with earlier sessions; look at antenna and sky.' },
	'place-held': ({ sameS }: { sameS: number }) => ({
		text: `The place did not change by a digit for ${sameS.toFixed(0)} s.`,
		next: 'Switch off the holding of the place at rest, or look whether the receiver still works.',
	}),
	'scatter-large': { text: 'The position wanders while standing.', next: WAIT },
	'scatter-small': { text: 'The position stands still.' },
	'lines-broken': ({ checksumErrors }: { checksumErrors: number }) => ({
		text: `${checksumErrors} lines arrived broken.`,
		next: 'Check cable, rate and grounding.',
	}),
	'lock-unusual': ({
		locked,
		usualS,
		lowS,
		highS,
	}: {
		locked: boolean;
		usualS: number;
		lowS: number;
		highS: number;
	}) => ({
		text: `${locked ? 'It took' : 'It has waited'} longer than it usually does (${`usually ${usualS.toFixed(0)} s, ${lowS.toFixed(0)} to ${highS.toFixed(0)}`}).`,
		next: 'Look for what shades or disturbs the receiver; a doubling can be chance.',
	}),
	'lock-usual': ({ usualS, lowS, highS }: { usualS: number; lowS: number; highS: number }) => ({
		text: `It locked as it usually does (${`usually ${usualS.toFixed(0)} s, ${lowS.toFixed(0)} to ${highS.toFixed(0)}`}).`,
	}),
});
