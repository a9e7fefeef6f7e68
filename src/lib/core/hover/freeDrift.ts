import { hover as say } from '$lib/messages/hover';
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
	if (speedMps <= limits.freeDriftMps.value)
		return [reason('pass', say('free-drift'), { value: speedMps, limit: limits.freeDriftMps })];
	if (!wind)
		return [
			reason('caution', say('wind-not-entered', { movedM, speedMps }), { value: speedMps, limit: limits.freeDriftMps }),
		];
	const most = {
		value: limits.windShare.value * Math.max(wind.gustMps ?? 0, wind.speedMps),
		unit: 'm/s',
		source: `${limits.windShare.value} times the gusts that were entered`,
	};
	const next = 'Check the level calibration and the trim; hover again with the nose turned by half a turn.';
	if (speedMps > most.value)
		return [
			reason('fail', say('drifts-beyond-wind', { movedM, speedMps, remedy: next }), {
				value: speedMps,
				limit: most,
			}),
		];
	const off = Math.abs(wrapPi(towardRad - (wind.fromDeg + 180) * DEG)) / DEG;
	return [
		off > limits.windCrossDeg.value
			? reason('caution', say('drifts-across-wind', { movedM, speedMps, remedy: next }), {
					value: off,
					limit: limits.windCrossDeg,
				})
			: reason('pass', say('free-drift#freeDrift', { movedM, speedMps }), { value: speedMps, limit: most }),
	];
}
