import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { reviewStillGyro } from '$lib/core/inertial/gyro';
import { inertialLimits } from '$lib/core/inertial/limits';
import { series, requireColumns } from '../files';
import { report } from '../instrument';
import { DEG_PER_RAD } from '../shared/inertial';

const AXES = ['x', 'y', 'z'] as const;

export const compute = working(fields, async (input) => {
	const answer = reviewStillGyro({ gyro: series(requireColumns(input), 'g') });
	const { allan } = answer;
	const worst = (v: readonly number[] | null) => (v ? Math.max(...v.map(Math.abs)) * DEG_PER_RAD : null);
	const names = ['x', 'y', 'z'] as const;
	const instability = answer.biasInstabilityRadps ? (worst(answer.biasInstabilityRadps) ?? 0) * 3600 : null;
	return {
		...report(answer, `At rest it turns by ${worst(answer.biasRadps)?.toFixed(2)} °/s and stays there`),
		figures: [
			figure('gyro-bias-largest', worst(answer.biasRadps), { digits: 2 }),
			figure('gyro-instability', instability, { digits: instability !== null && instability >= 100 ? 0 : 1 }),
			figure('gyro-noise', worst(answer.noiseDensityRadpsRtHz), { digits: 3 }),
			figure('gyro-drift', worst(answer.driftRadps), {
				digits: 3,
				note: `limit ${(inertialLimits.gyroDriftRadps.value * DEG_PER_RAD).toFixed(2)}`,
			}),
		],
		kept: AXES.map((k, i) =>
			figure('gyro-bias', answer.biasRadps && answer.biasRadps[i] * DEG_PER_RAD, {
				part: k,
				// A bias is as uncertain as it wanders.
				sigma: answer.biasInstabilityRadps && answer.biasInstabilityRadps[i] * DEG_PER_RAD,
			}),
		),
		plots: allan
			? [
					{
						kind: 'lines',
						title: 'Averaged for longer it grows quieter, until its bias wanders',
						xLabel: 'averaged for, s',
						yLabel: 'Allan deviation, °/s',
						log: true,
						lines: names.map((k) => ({
							label: k,
							points: allan.tau.map((x, i) => ({ x, y: allan[k][i] * DEG_PER_RAD })),
						})),
					},
				]
			: [],
		tables: [
			{
				title: 'By axis, °/s',
				columns: ['axis', 'bias', 'noise, °/s/√Hz', 'instability', 'drift'],
				rows: names.map((k, i) => [
					k,
					...[answer.biasRadps, answer.noiseDensityRadpsRtHz, answer.biasInstabilityRadps, answer.driftRadps].map(
						(v) => (v ? v[i] * DEG_PER_RAD : null),
					),
				]),
			},
		],
	};
});
