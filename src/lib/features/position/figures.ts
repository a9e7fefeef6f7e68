import { figure, type Figure } from '$lib/core/figures/figure';
import type { GnssAnswer } from '$lib/schema/gnss';

/** What is kept of a watched lock. */
export const positionFigures = ({ satellitesUsed, hdop, lockS, firstFixS, scatter, home }: GnssAnswer): Figure[] => [
	figure('satellites', satellitesUsed.last),
	figure('hdop', hdop.last),
	figure('gps-lock-time', lockS),
	figure('first-fix-time', firstFixS),
	figure('position-scatter', scatter?.cep95M ?? null),
	figure('home-latitude', home?.latDeg ?? null),
	figure('home-longitude', home?.lonDeg ?? null),
	figure('home-uncertainty', home?.sigmaM ?? null),
];
