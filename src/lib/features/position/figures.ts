import type { GnssAnswer } from '$lib/schema/gnss';
import type { RecordedFigure } from '$lib/schema/entries';

/** What is kept of a watched lock. */
export const positionFigures = ({
	satellitesUsed,
	hdop,
	lockS,
	firstFixS,
	scatter,
	home,
}: GnssAnswer): RecordedFigure[] => [
	{ label: 'Satellites used', value: satellitesUsed.last, unit: '' },
	{ label: 'HDOP', value: hdop.last, unit: '' },
	{ label: 'Locked after', value: lockS, unit: 's' },
	{ label: 'First fix after', value: firstFixS, unit: 's' },
	{ label: '95 % within', value: scatter?.cep95M ?? null, unit: 'm' },
	{ label: 'Home latitude', value: home?.latDeg ?? null, unit: '°' },
	{ label: 'Home longitude', value: home?.lonDeg ?? null, unit: '°' },
	{ label: 'Home known to', value: home?.sigmaM ?? null, unit: 'm' },
];
