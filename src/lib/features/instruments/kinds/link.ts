import { rigReceiverLog } from '$lib/rig/receiverLog';
import { readText } from '$lib/sources/readFile';
import { run } from '$lib/workers/core';
import { number } from '../fields';
import { headlineOf, num, opt, type Instrument } from '../instrument';
import { textFile } from '../make';
import { fileOf } from './compass';

export const link: Instrument = {
	id: 'serial-line',
	title: 'Receiver’s line',
	group: 'Position and flight',
	does: 'How full the serial line of a receiver is, and what could be switched off.',
	calls: 'gps serial baud rate NMEA link bandwidth budget receiver slow updates',
	opening: 'Bring half a minute of the receiver’s text and say how fast the line is',
	method: ['Bytes per epoch × 10 bits × rate ÷ baud. Above 70 % is a caution: a fuller sky sends more.'],
	fields: [
		number('baud', 'Line', 'baud', 57_600, { min: 1, max: 1e7 }),
		number('rateHz', 'Rate wanted, where it shall be raised', 'Hz', null, { min: 0.1, max: 100, optional: true }),
	],
	file: { kind: 'text', hint: 'NMEA 0183 text as the receiver sends it.', accept: '.nmea,.txt,.log,.gps,text/plain' },
	live: ['serial'],
	samples: [
		{
			id: 'good',
			label: 'Dunlin at 57 600 baud',
			values: { baud: 57_600 },
			file: (seed) => textFile('dunlin-receiver.nmea', rigReceiverLog(seed, 40)),
		},
		{
			id: 'slow',
			label: 'The same on a line of 9 600 baud',
			bad: true,
			values: { baud: 9600 },
			file: (seed) => textFile('dunlin-receiver.nmea', rigReceiverLog(seed, 40)),
		},
	],
	async work(input, context) {
		const text = await readText(fileOf(input), 'latin1');
		const answer = await run(
			'link',
			{ text, baud: num(input.values, 'baud', 'Line'), rateHz: opt(input.values, 'rateHz') },
			context,
		);
		return {
			headline: headlineOf(answer, 'The line has room to spare'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'The line is full to', value: answer.loadPct, unit: '%', digits: 0, note: 'limit 70' },
				{ label: 'Rate', value: answer.rateHz, unit: 'Hz', digits: 1 },
				{ label: 'Each time it sends', value: answer.bytesPerEpoch, unit: 'bytes', digits: 0 },
			],
			plots: [
				{
					kind: 'bars',
					title: 'What fills the line',
					unit: 'bytes',
					digits: 0,
					bars: answer.types.map((t) => ({ label: t.type, value: t.bytesPerEpoch })),
				},
			],
			tables: [],
			answer,
		};
	},
};
