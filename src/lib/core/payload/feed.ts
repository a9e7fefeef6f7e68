import { payload as say } from '$lib/messages/payload';
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
	if (collectedG === 0) reasons.push(reason('fail', say('nothing-fed'), { value: 0 }));
	reasons.push(
		atMost(Math.abs(rpmErrorPct), {
			fail: { limit: limits.feederPct, says: say('feeder-wrong') },
			pass: say('feeder-right'),
		}),
	);
	if (collectedG > 0)
		reasons.push(
			atMost(Math.abs(off), {
				caution: { limit: limits.flowPct, says: say('rate-off', { setForWantedRpm }) },
				pass: say('rate-right'),
			}),
		);
	if (fanErrorPct !== null)
		reasons.push(
			atMost(Math.abs(fanErrorPct), {
				caution: { limit: limits.fanPct, says: say('fan-off') },
				pass: say('fan-right'),
			}),
		);
	return { rpm, rpmErrorPct, gPerTurn, kgPerMin, kgPerHa, setForWantedRpm, fanErrorPct, ...judge(reasons) };
}
