import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const balance: Instrument = {
	id: 'balance',
	title: 'Balance',
	group: 'Power and balance',
	does: 'Where it balances, against the mark, and how far to move the pack.',
	calls: 'centre of gravity CG balance wing nose heavy tail heavy pack shift weight',
	remembers: { mark: true, tolerance: true, sigma: true, parts: true },
	opening: 'Weigh the parts and measure how far back they sit',
	caution: 'Tail-heavy is not flown: it pitches up and stalls. The sheet that came with the aircraft gives the mark.',
	method: [
		'Σm·x / Σm against the mark; the pack moves by total mass × error / its own mass. A little nose-heavy is tolerated, tail-heavy is not.',
	],
	fields,
	samples,
};
