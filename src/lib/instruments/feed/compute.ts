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
			{ label: 'Spreads', value: answer.kgPerHa, unit: 'kg/ha', digits: 2, note: `wanted ${request.wantedKgPerHa}` },
			{ label: 'Set for what is wanted', value: answer.setForWantedRpm, unit: 'turns/min', digits: 0 },
			{
				label: 'Feeder off by',
				value: answer.rpmErrorPct,
				unit: '%',
				digits: 1,
				note: `limit ±${payloadLimits.feederPct.value}`,
			},
			{ label: 'Each turn gives', value: answer.gPerTurn, unit: 'g', digits: 1 },
			{ label: 'Fan off by', value: answer.fanErrorPct, unit: '%', digits: 1 },
		],
	};
});
