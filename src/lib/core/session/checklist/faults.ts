import type { Item } from './item';

const OF_A_RUNG = ['It drifted', 'It rose or sank', 'It shook or buzzed', 'It answered late', 'It circled'];
const OF_A_VALUE = ['Too low', 'Too high', 'Not shown', 'It changes by itself'];
const OTHERWISE = ['Missing', 'Damaged', 'Set otherwise', 'Could not be seen'];

/** Problems offered where an item is not OK; words of one's own are always possible. */
export const faultsOf = ({
	id,
	type,
	rung,
	faults,
}: Pick<Item, 'id' | 'type' | 'rung' | 'faults'>): readonly string[] =>
	(rung && id.endsWith('-rung') ? OF_A_RUNG : faults) ?? (type === 'measure' ? OF_A_VALUE : OTHERWISE);
