import type { Reason } from '../../schema/common';
import type { FeedAnswer, FeedRequest } from '../../schema/payload';
import { judge, reason } from '../finding/reasons';
import { ratePerHectare } from './flow';
import { payloadLimits as limits } from './limits';

/**
 * A spreader's feeder: revolutions against what is set, mass per turn and per minute, kg per hectare, and the speed that
 * would give what is wanted; the fan beside it.
 */
export function reviewFeed(request: FeedRequest): FeedAnswer {
	const { setRpm, turns, seconds, collectedG, speedKmh, swathM, wantedKgPerHa, fanSetRpm, fanRpm } = request;
	const rpm = (60 * turns) / seconds;
	const rpmErrorPct = 100 * (rpm / setRpm - 1);
	const gPerTurn = collectedG / turns;
	const kgPerMin = (gPerTurn * rpm) / 1000;
	const kgPerHa = ratePerHectare(kgPerMin, speedKmh, swathM);
	const wantedKgPerMin = (wantedKgPerHa * speedKmh * swathM) / 600;
	const setForWantedRpm = gPerTurn > 0 ? (1000 * wantedKgPerMin) / gPerTurn / (rpm / setRpm) : null;
	const fanErrorPct = fanSetRpm !== null && fanRpm !== null ? 100 * (fanRpm / fanSetRpm - 1) : null;
	const off = 100 * (kgPerHa / wantedKgPerHa - 1);
	const reasons: Reason[] = [];
	if (collectedG === 0)
		reasons.push(
			reason(
				'fail',
				'nothing-fed',
				'Nothing came out.',
				0,
				undefined,
				'Look whether the feeder turns and the hopper is open.',
			),
		);
	reasons.push(
		Math.abs(rpmErrorPct) > limits.feederPct.value
			? reason(
					'fail',
					'feeder-wrong',
					'The feeder does not turn as it is set.',
					Math.abs(rpmErrorPct),
					limits.feederPct,
					'Fit it again, choose its operating mode, calibrate it by its manual.',
				)
			: reason('pass', 'feeder-right', 'The feeder turns as it is set.', Math.abs(rpmErrorPct), limits.feederPct),
	);
	if (collectedG > 0)
		reasons.push(
			Math.abs(off) > limits.flowPct.value
				? reason(
						'caution',
						'rate-off',
						'What comes out per hectare is not what is wanted.',
						Math.abs(off),
						limits.flowPct,
						`Set ${setForWantedRpm?.toFixed(0)} turns a minute.`,
					)
				: reason('pass', 'rate-right', 'What comes out per hectare is what is wanted.', Math.abs(off), limits.flowPct),
		);
	if (fanErrorPct !== null)
		reasons.push(
			Math.abs(fanErrorPct) > limits.fanPct.value
				? reason(
						'caution',
						'fan-off',
						'The fan does not follow its setting.',
						Math.abs(fanErrorPct),
						limits.fanPct,
						'Look for a blocked duct; the swath follows the fan.',
					)
				: reason('pass', 'fan-right', 'The fan follows its setting.', Math.abs(fanErrorPct), limits.fanPct),
		);
	return { rpm, rpmErrorPct, gPerTurn, kgPerMin, kgPerHa, setForWantedRpm, fanErrorPct, ...judge(reasons) };
}
