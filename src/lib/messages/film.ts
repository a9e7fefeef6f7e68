import { area } from './message';

/** Film: findings by code. */
export const film = area('film', {
	'bubble-large': ({ least }: { least: number }, show) => ({
		text: `Aircraft wanders. The 95 % circle is more than ${show.length(least, 1)} across.`,
		next: 'Check satellites and HDOP first, then the compass, then the gains.',
	}),
	bubble: ({ most }: { most: number }, show) => ({
		text: `Position held. The 95 % circle is ${show.length(most, 1)} across.`,
	}),
	'insufficient-depth': ({ sidewaysM }: { sidewaysM: number }, show) => ({
		text: `Sideways the aircraft stays within ${show.length(sidewaysM, 1)}. This film does not show movement toward and away from the camera well enough.`,
		next: 'Lay the phone on its back on the ground and hover five to eight metres above it, with nobody below.',
	}),
	circling: ({
		sense,
		error,
		compassErrorSigmaDeg,
	}: {
		sense: null | string;
		error: number;
		compassErrorSigmaDeg: null | number;
	}) => ({
		text: `Aircraft circles${sense === null ? '' : ` to the ${sense === 'cw' ? 'right' : 'left'}`}. Compass error is about ${error.toFixed(0)}° ± ${(compassErrorSigmaDeg ?? 0).toFixed(0)}°.`,
		next: 'Land. Calibrate the compass away from metal, check its mounting, then hover again.',
	}),
	'no-circle': ({ excluded, weak }: { excluded: number; weak: boolean }) => ({
		text: `No circling. Compass errors above about ${excluded.toFixed(0)}° are excluded.`,
		next: weak ? 'Film longer, or with the phone on its back, to exclude smaller errors.' : undefined,
	}),
	'left-frame': ({ holds }: { holds: boolean }) => ({
		text: 'Aircraft left the picture.',
		next: holds
			? 'Land: position was not held. Film again from farther away once the cause is known.'
			: 'Film from farther away.',
	}),
	'height-oscillation': ({ amplitudeM, hz }: { amplitudeM: number; hz: number }, show) => ({
		text: `Height oscillates by ${show.length(2 * amplitudeM, 1)} every ${(1 / hz).toFixed(1)} s.`,
		next: 'Check the gains of altitude hold, and airflow on the pressure sensor.',
	}),
	'too-short': ({ durationS }: { durationS: number }) => ({
		text: `${durationS.toFixed(0)} s cannot show a circle.`,
		next: 'Film for one minute.',
	}),
	'no-place-held': {
		text: 'Position hold was off. Drifting with the wind is normal.',
		next: 'Film the aircraft in position hold.',
	},
	'insufficient-duration': ({ durationS }: { durationS: number }) => ({
		text: `${durationS.toFixed(0)} s of film is too short.`,
		next: 'Film for one minute.',
	}),
	'insufficient-rate': {
		text: 'The film has too few pictures, or a gap.',
		next: 'Film again with nothing else running on the phone.',
	},
	'insufficient-size': {
		text: 'The aircraft is too small in the picture.',
		next: 'Film from nearer, or zoom in before you begin.',
	},
	'insufficient-contrast': {
		text: 'The aircraft does not stand out from its background.',
		next: 'Film the aircraft against the sky.',
	},
	'insufficient-track': ({ share }: { share: number }) => ({
		text: `The aircraft was lost in ${(100 * share).toFixed(0)} % of the pictures.`,
		next: 'Prop the phone and film the aircraft against the sky.',
	}),
	'insufficient-track#refusals': {
		text: 'The tracked spot often did not look like the aircraft.',
		next: 'Mark the aircraft again, from motor to motor; film it against the sky.',
	},
	'insufficient-track#refusals2': {
		text: 'Something nearby looks like the aircraft.',
		next: 'Film the aircraft against the sky.',
	},
	'insufficient-track#refusals3': {
		text: 'The tracked circle was not confirmed on the aircraft.',
		next: 'Check the six pictures and confirm.',
	},
	'insufficient-motion': {
		text: 'The tracked spot never moved. It may be part of the background.',
		next: 'Mark the aircraft again.',
	},
	'insufficient-steadiness': { text: 'The phone moved too much.', next: 'Prop it against something.' },
	'insufficient-background': {
		text: 'The background moves too much to separate camera shake from wind.',
		next: 'Prop the phone; film the aircraft against the sky.',
	},
});
