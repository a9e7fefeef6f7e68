import type { Reason } from '../../schema/common';
import type { FeedAnswer, FeedRequest } from '../../schema/payload';
import { atMost } from '../finding/grade';
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
			reason('fail', 'nothing-fed', 'Nothing came out.', {
				value: 0,
				next: 'Look whether the feeder turns and the hopper is open.',
			}),
		);
	reasons.push(
		atMost(Math.abs(rpmErrorPct), {
			fail: {
				limit: limits.feederPct,
				code: 'feeder-wrong',
				text: 'The feeder does not turn as it is set.',
				next: 'Fit it again, choose its operating mode, calibrate it by its manual.',
			},
			pass: { code: 'feeder-right', text: 'The feeder turns as it is set.' },
		}),
	);
	if (collectedG > 0)
		reasons.push(
			atMost(Math.abs(off), {
				caution: {
					limit: limits.flowPct,
					code: 'rate-off',
					text: 'What comes out per hectare is not what is wanted.',
					next: `Set ${setForWantedRpm?.toFixed(0)} turns a minute.`,
				},
				pass: { code: 'rate-right', text: 'What comes out per hectare is what is wanted.' },
			}),
		);
	if (fanErrorPct !== null)
		reasons.push(
			atMost(Math.abs(fanErrorPct), {
				caution: {
					limit: limits.fanPct,
					code: 'fan-off',
					text: 'The fan does not follow its setting.',
					next: 'Look for a blocked duct; the swath follows the fan.',
				},
				pass: { code: 'fan-right', text: 'The fan follows its setting.' },
			}),
		);
	return { rpm, rpmErrorPct, gPerTurn, kgPerMin, kgPerHa, setForWantedRpm, fanErrorPct, ...judge(reasons) };
}
