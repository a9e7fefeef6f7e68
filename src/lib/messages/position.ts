import { area } from './message';

const WAIT = 'Keep the receiver under open sky and wait.';

/** Position: findings by code. */
export const position = area('position', {
	'insufficient-epochs': { text: 'Log has too few epochs to measure the rate.', next: 'Record half a minute.' },
	'line-too-slow': ({ nextWords }: { nextWords: string }) => ({
		text: "Serial line too slow for the receiver's output. Epochs are lost.",
		next: nextWords,
	}),
	'line-full': ({ needed }: { needed: number }) => ({
		text: 'Serial line is nearly full.',
		next: `Raise the line to at least ${needed} baud, switch off unused sentences, or use the receiver's binary protocol.`,
	}),
	'line-roomy': { text: 'Serial line has capacity to spare.' },
	'count-not-shown': {
		text: 'Lights show a GPS lock, but neither satellites nor position scatter.',
		next: 'Hover near and low first; a weak fix shows as wandering.',
	},
	'lock-not-shown': { text: 'Lights do not show a GPS lock.', next: 'Wait under open sky, then check again.' },
	'satellites-enough': { text: 'Enough satellites used.' },
	'few-satellites': { text: 'Too few satellites used.', next: 'Wait under open sky, then check again.' },
	'home-stored': { text: 'Home point stored.' },
	'home-not-stored': { text: 'Home point not confirmed.', next: 'Wait under open sky, then check again.' },
	'lock-watched': { text: 'Satellite count watched long enough.' },
	'lock-glanced': { text: 'Satellite count watched too briefly.', next: 'Keep watching the count.' },
	'pattern-shown': { text: "Light pattern matches this aircraft's table." },
	'hdop-not-shown': { text: 'HDOP not displayed.' },
	'hdop-small': { text: 'Satellites are well spread (HDOP).' },
	'hdop-large': {
		text: 'Satellites are poorly spread (HDOP).',
		next: 'Wait under open sky, then check again.',
	},
	'read-off': { text: 'Read from the display. Position scatter not measured.' },
	'insufficient-sentences': {
		text: 'No complete sentence received.',
		next: 'Check that the receiver sends text sentences and that the baud rate matches.',
	},
	'insufficient-fix': { text: 'No position fix.', next: WAIT },
	'lock-held': ({ holdS }: { holdS: number }) => ({
		text: `GPS lock held for ${holdS} s. The home point is reliable.`,
	}),
	'insufficient-duration': ({ longestS, holdS }: { longestS: number; holdS: number }) => ({
		text: `GPS lock held for ${longestS.toFixed(0)} s of ${holdS} s.`,
		next: WAIT,
	}),
	'no-lock': { text: 'GPS lock never held long enough.', next: WAIT },
	'fix-lost': { text: 'No fix at the end of the recording.', next: WAIT },
	'insufficient-satellites': {
		text: 'Receiver reports no valid number of satellites used.',
		next: 'Switch on GGA or GSA sentences.',
	},
	'few-satellites#review': { text: 'Too few satellites used.', next: WAIT },
	'hdop-large#review': { text: 'Satellites are poorly spread (HDOP).', next: WAIT },
	'fix-2d': { text: 'Fix has no altitude.', next: WAIT },
	'lock-slow': { text: 'GPS lock took long.', next: 'Compare with earlier sessions; check antenna and sky view.' },
	'place-held': ({ sameS }: { sameS: number }) => ({
		text: `Position did not change by a digit for ${sameS.toFixed(0)} s.`,
		next: "Switch off the receiver's static hold, or check that the receiver works.",
	}),
	'scatter-large': { text: 'Position wanders at rest.', next: WAIT },
	'scatter-small': { text: 'Position is steady at rest.' },
	'lines-broken': ({ checksumErrors }: { checksumErrors: number }) => ({
		text: `${checksumErrors} lines arrived corrupted.`,
		next: 'Check cable, baud rate and grounding.',
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
		text: `${locked ? 'GPS lock took' : 'GPS lock is taking'} longer than usual (usually ${usualS.toFixed(0)} s, ${lowS.toFixed(0)} to ${highS.toFixed(0)}).`,
		next: 'Check for anything that shades or disturbs the receiver. A doubling can be chance.',
	}),
	'lock-usual': ({ usualS, lowS, highS }: { usualS: number; lowS: number; highS: number }) => ({
		text: `GPS lock took as long as usual (usually ${usualS.toFixed(0)} s, ${lowS.toFixed(0)} to ${highS.toFixed(0)}).`,
	}),
});
