import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const link: Instrument = {
	id: 'serial-line',
	title: 'Receiver’s line',
	group: 'Position and flight',
	does: 'How full the serial line of a receiver is, and what could be switched off.',
	calls: 'gps serial baud rate NMEA link bandwidth budget receiver slow updates',
	opening: 'Bring half a minute of the receiver’s text and say how fast the line is',
	method: ['Bytes per epoch × 10 bits × rate ÷ baud. Above 70 % is a caution: a fuller sky sends more.'],
	file: { kind: 'text', hint: 'NMEA 0183 text as the receiver sends it.', accept: '.nmea,.txt,.log,.gps,text/plain' },
	live: ['serial'],
	fields,
	samples,
};
