import { figure } from '$lib/core/figures/figure';
import { greatest } from 'd3-array';
import { positionLimits } from '$lib/core/position/limits';
import { fields } from './form';
import { working } from '../form';
import { reviewLink } from '$lib/core/position/linkBudget';
import { readText } from '$lib/instruments/readText';
import { report } from '../instrument';
import { fileOf } from '../files';

export const compute = working(fields, async (input) => {
	const text = await readText(fileOf(input), 'latin1');
	const answer = reviewLink(text, input.form.baud, input.form.rateHz);
	const most = greatest(answer.types, ({ bytesPerEpoch }) => bytesPerEpoch);
	return {
		...report(answer, 'The line has room to spare'),
		figures: [
			figure('line-full', answer.loadPct, { digits: 0, note: `limit ${positionLimits.linkLoadPct.value}` }),
			figure('line-rate', answer.rateHz, { digits: 1 }),
			figure('line-bytes', answer.bytesPerEpoch, { digits: 0 }),
		],
		plots: [
			{
				kind: 'bars',
				title: most
					? `${most.type} fills the line most, ${most.bytesPerEpoch.toFixed(0)} bytes each time`
					: 'Nothing fills the line',
				unit: 'bytes',
				digits: 0,
				bars: answer.types.map((t) => ({ label: t.type, value: t.bytesPerEpoch })),
			},
		],
	};
});
