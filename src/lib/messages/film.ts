import { area } from './message';

/** Film: findings by code. */
export const film = area('film', {
	'bubble-large': ({ least }: { least: number }, show) => ({
		text: `It wanders: 95 % of it takes a circle more than ${show.length(least, 1)} across.`,
		next: 'Satellites and their spread first, then the compass, then the gains.',
	}),
	bubble: ({ most }: { most: number }, show) => ({
		text: `Holds position: 95 % of it in a circle ${show.length(most, 1)} across.`,
	}),
	'insufficient-depth': ({ sidewaysM }: { sidewaysM: number }, show) => ({
		text: `Sideways it keeps within ${show.length(sidewaysM, 1)}; how far it moves toward and away, this film does not tell well enough.`,
		next: 'Phone on its back on the ground, the aircraft five to eight metres above; nobody below.',
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
		text: `It circles${sense === null ? '' : ` to the ${sense === 'cw' ? 'right' : 'left'}`}: its compass is about ${error.toFixed(0)}° ± ${(compassErrorSigmaDeg ?? 0).toFixed(0)}° off.`,
		next: 'Land. Calibrate the compass away from metal, look at its mounting, hover again.',
	}),
	'no-circle': ({ excluded, weak }: { excluded: number; weak: boolean }) => ({
		text: `No circling. Compass errors above about ${excluded.toFixed(0)}° are excluded.`,
		next: weak ? 'Film longer, or with the phone on its back: smaller errors would look the same.' : undefined,
	}),
	'left-frame': ({ holds }: { holds: boolean }) => ({
		text: 'It left the picture.',
		next: holds
			? 'It did not hold its place: land. Film again from farther off once the cause is known.'
			: 'Film from farther off.',
	}),
	'height-oscillation': ({ amplitudeM, hz }: { amplitudeM: number; hz: number }, show) => ({
		text: `Its height bobs by ${show.length(2 * amplitudeM, 1)} every ${(1 / hz).toFixed(1)} s.`,
		next: 'Look at the gains of the height hold, and at air on the pressure sensor.',
	}),
	'too-short': ({ durationS }: { durationS: number }) => ({
		text: `${durationS.toFixed(0)} s cannot show a circle.`,
		next: 'Film a minute.',
	}),
	'no-place-held': {
		text: 'Without position hold there is no place to hold: drifting with the wind is right.',
		next: 'Film it in position hold.',
	},
	'insufficient-duration': ({ durationS }: { durationS: number }) => ({
		text: `${durationS.toFixed(0)} s of film tell nothing.`,
		next: 'Film a minute.',
	}),
	'insufficient-rate': {
		text: 'The film has too few pictures, or a gap.',
		next: 'Film again, with the phone doing nothing else.',
	},
	'insufficient-size': {
		text: 'The aircraft is too small in the picture.',
		next: 'Film from nearer, or zoom before you begin.',
	},
	'insufficient-contrast': { text: 'It does not stand out from what is behind it.', next: 'Film it against the sky.' },
	'insufficient-track': ({ share }: { share: number }) => ({
		text: `It was lost in ${(100 * share).toFixed(0)} % of the pictures.`,
		next: 'Film it against the sky, the phone propped.',
	}),
	'insufficient-track#refusals': {
		text: 'What was followed did not look like it often enough.',
		next: 'Mark it again, from motor to motor; film it against the sky.',
	},
	'insufficient-track#refusals2': { text: 'Something near looks like it.', next: 'Film it against the sky.' },
	'insufficient-track#refusals3': {
		text: 'Nobody has seen that the circle is on the aircraft.',
		next: 'Look at the six pictures, and say so.',
	},
	'insufficient-motion': {
		text: 'What was followed never moved: it may be a mark on the background.',
		next: 'Mark the aircraft again.',
	},
	'insufficient-steadiness': { text: 'The phone moved too much.', next: 'Prop it against something.' },
	'insufficient-background': {
		text: 'What is behind it moves too much to tell the hand from the wind.',
		next: 'Prop the phone; film it against the sky.',
	},
});
