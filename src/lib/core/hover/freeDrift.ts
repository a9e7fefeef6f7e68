import type { Reason } from '../../schema/common';
import type { HoverRequest } from '../../schema/hover';
import { DEG, wrapPi } from '../frames/angles';
import { reason } from '../finding/reasons';
import { hoverLimits as limits } from './limits';

/**
 * A drift without position hold, against the wind that was entered: left alone an aircraft goes with the air, at most as fast as the
 * gusts and roughly where they blow. `towardRad` is where it drifts, clockwise from north; `movedM` how far it was carried.
 */
export function judgeFreeDrift(
	speedMps: number,
	towardRad: number,
	movedM: number,
	wind: HoverRequest['wind'],
): Reason[] {
	const carried = `It drifted ${movedM.toFixed(0)} m at ${speedMps.toFixed(1)} m/s`;
	if (speedMps <= limits.freeDriftMps.value)
		return [
			reason('pass', 'free-drift', 'Without position hold it hardly drifts.', {
				value: speedMps,
				limit: limits.freeDriftMps,
			}),
		];
	if (!wind)
		return [
			reason(
				'caution',
				'wind-not-entered',
				`${carried}: without the wind nobody can say whether the air or the trim did it.`,
				{
					value: speedMps,
					limit: limits.freeDriftMps,
					next: 'Enter the wind, or hover again with the nose turned by half a turn.',
				},
			),
		];
	const most = {
		value: limits.windShare.value * Math.max(wind.gustMps ?? 0, wind.speedMps),
		unit: 'm/s',
		source: `${limits.windShare.value} times the gusts that were entered`,
	};
	const next = 'Check the level calibration and the trim; hover again with the nose turned by half a turn.';
	if (speedMps > most.value)
		return [
			reason('fail', 'drifts-beyond-wind', `${carried}, faster than this wind carries it.`, {
				value: speedMps,
				limit: most,
				next,
			}),
		];
	const off = Math.abs(wrapPi(towardRad - (wind.fromDeg + 180) * DEG)) / DEG;
	return [
		off > limits.windCrossDeg.value
			? reason('caution', 'drifts-across-wind', `${carried}, not where this wind blows.`, {
					value: off,
					limit: limits.windCrossDeg,
					next,
				})
			: reason('pass', 'free-drift', `${carried}, with the wind that was entered.`, { value: speedMps, limit: most }),
	];
}
