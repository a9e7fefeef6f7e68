import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { reviewFeed } from '$lib/core/payload/feed';
import { payloadLimits } from '$lib/core/payload/limits';
import { feedRequestSchema } from '$lib/schema/payload';
import { checked } from '$lib/core/finding/checked';
import { report } from '../instrument';

export const compute = working(fields, async ({ form: v }) => {
	const request = checked(feedRequestSchema, {
		setRpm: v.set,
		turns: v.turns,
		seconds: v.seconds,
		collectedG: v.grams,
		speedKmh: v.speed,
		swathM: v.swath,
		wantedKgPerHa: v.wanted,
		fanSetRpm: v.fanSet,
		fanRpm: v.fan,
	});
	const answer = reviewFeed(request);
	return {
		...report(answer, `It spreads ${answer.kgPerHa.toFixed(1)} kilograms per hectare, as wanted`),
		figures: [
			figure('spread-rate', answer.kgPerHa, { digits: 2, note: `wanted ${request.wantedKgPerHa}` }),
			figure('feeder-speed', answer.setForWantedRpm, { digits: 0 }),
			figure('feeder-error', answer.rpmErrorPct, { digits: 1, note: `limit ±${payloadLimits.feederPct.value}` }),
			figure('feeder-turn', answer.gPerTurn, { digits: 1 }),
			figure('fan-error', answer.fanErrorPct, { digits: 1 }),
		],
	};
});
