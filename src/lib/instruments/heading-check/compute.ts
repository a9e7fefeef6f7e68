import { figure } from '$lib/core/figures/figure';
import { greatest } from 'd3-array';
import { showSigned } from '$lib/words/figures';
import { fields } from './form';
import { working } from '../form';
import { checkHeadings } from '$lib/core/compass/headingCheck';
import { compassLimits } from '$lib/core/compass/limits';
import { fieldAt } from '$lib/core/earth/field';
import { InputError } from '$lib/core/finding/inputError';
import { report } from '../instrument';

export const compute = working(fields, async (input) => {
	if (!input.site) throw new InputError('missing', 'site', 'Site: enter one, the bearing of north depends on it.');
	const { declinationDeg } = fieldAt(input.site.latDeg, input.site.lonDeg, input.site.altM, input.date);
	const magnetic = input.form.north === 'magnetic';
	const pairs = input.form.pairs.map((row) => ({
		knownDeg: row.known + (magnetic ? declinationDeg : 0),
		shownDeg: row.shown,
	}));
	const answer = checkHeadings(pairs, declinationDeg);
	const worst = greatest(
		pairs.map(({ knownDeg }, k) => ({ knownDeg, errorDeg: answer.errorsDeg[k] })),
		({ errorDeg }) => Math.abs(errorDeg),
	);
	return {
		...report(answer, 'The heading agrees with the bearings that you know'),
		figures: [
			figure('heading-difference', answer.worstDeg, {
				digits: 0,
				note: `limit ${compassLimits.headingShownDeg.value}`,
			}),
			figure('heading-constant', answer.constantDeg, { digits: 0 }),
			figure('heading-changing', answer.varyingDeg, { digits: 0 }),
			figure('declination', declinationDeg, { digits: 1 }),
		],
		plots: [
			{
				kind: 'bars',
				title: worst
					? `Off by most toward ${worst.knownDeg.toFixed(0)}°: ${showSigned(worst.errorDeg)}°`
					: 'Shown less known, by direction',
				unit: '°',
				digits: 0,
				bars: pairs.map(({ knownDeg }, k) => ({ label: `${knownDeg.toFixed(0)}°`, value: answer.errorsDeg[k] })),
			},
		],
		tables: [
			{
				title: 'Directions, from true north',
				columns: ['known, °', 'shown, °', 'difference, °'],
				rows: pairs.map(({ knownDeg, shownDeg }, k) => [knownDeg, shownDeg, answer.errorsDeg[k]]),
			},
		],
	};
});
