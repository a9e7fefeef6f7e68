import type { Instrument } from '../instrument';
import { fields } from './form';
import { samples } from './samples';

export const pack: Instrument = {
	id: 'pack',
	title: 'Pack and flight time',
	group: 'Power and balance',
	does: 'Charge, cell spread, resistance, what is left of its capacity; flight time, timer and warning levels.',
	calls:
		'battery mAh charge used pack cell voltage lipo capacity internal resistance flight time timer reserve endurance warning alarm',
	opening: 'Measure the cells at rest and say what the aircraft draws',
	caution:
		'Never charge unwatched. A swollen, hot or damaged pack is not measured: it is put outside, by the maker’s rules.',
	method: [
		'Charge from the weakest cell’s voltage at rest by its chemistry’s curve; ±15 mV of cell to cell as its uncertainty. Resistance = ΔV/ΔI of a load step.',
		'Capacity over its life by the median of slopes (Theil, Sen). Flight time = usable · (1 − reserve) / power; the timer is one sigma earlier. The cold takes its share.',
	],
	fields,
	samples,
};
