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
			{ label: 'Largest bias', value: worst(answer.biasRadps), unit: '°/s', digits: 2 },
			{
				label: 'Bias instability',
				value: instability,
				unit: '°/h',
				digits: instability !== null && instability >= 100 ? 0 : 1,
			},
			{ label: 'Noise', value: worst(answer.noiseDensityRadpsRtHz), unit: '°/s/√Hz', digits: 3 },
			{
				label: 'Drift over the log',
				value: worst(answer.driftRadps),
				unit: '°/s',
				digits: 3,
				note: `limit ${(inertialLimits.gyroDriftRadps.value * DEG_PER_RAD).toFixed(2)}`,
			},
		],
		kept: AXES.map((k, i) => ({
			label: `Bias ${k}`,
			value: answer.biasRadps ? answer.biasRadps[i] * DEG_PER_RAD : null,
			unit: '°/s',
			// A bias is as uncertain as it wanders.
			...(answer.biasInstabilityRadps ? { sigma: answer.biasInstabilityRadps[i] * DEG_PER_RAD } : {}),
		})),
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
