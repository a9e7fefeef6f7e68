import { rigReceiverLog } from '$lib/rig/receiverLog';
import { textFile } from '../files';
import type { Sample } from '../instrument';

export const samples: readonly Sample[] = [
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
];
