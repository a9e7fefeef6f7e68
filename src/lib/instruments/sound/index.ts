import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const sound: Instrument = {
	id: 'sound',
	title: 'Motor sound',
	group: 'Power and balance',
	does: 'Whether the motors run evenly or surge, and whether the hover hums as it usually does.',
	calls: 'sound noise buzz surge surging hum microphone motor propeller pitch listen recording audio',
	remembers: { blades: true, usualHz: true, usualPct: true },
	opening: 'Record twenty seconds of a hover, from some metres off',
	caution: 'A buzz or a surge that grows: down and disarm. Nobody goes nearer than five metres for a recording.',
	method: [
		'All tones of motors and propellers rise and fall with their turning rate. On a logarithmic axis the spectrum of each moment is shifted by it, and cross-correlation with the middle of all moments finds by how much.',
		'Surging is what comes one to twelve times a second; what is slower is gusts and hands. Loudness is not judged: it depends on the place of the phone.',
	],
	file: {
		kind: 'sound',
		hint: 'Any recording that this browser can play, eight seconds or more: WAV, MP3, M4A, OGG, or a short film; up to 32 MB, of which two minutes are listened to.',
	},
	fields,
	samples,
};
