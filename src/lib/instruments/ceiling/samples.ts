import type { Sample } from '../instrument';

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'The trust’s hall', values: {} },
	{
		id: 'bad',
		label: 'Six feet over a five-foot shelf under a ten-foot ceiling',
		bad: true,
		values: { ceiling: 3.048, hold: 1.8288, margin: 0, things: [{ name: 'shelf', heightM: 1.524 }] },
	},
];
