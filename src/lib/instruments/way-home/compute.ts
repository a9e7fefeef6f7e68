import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { planReturn } from '$lib/core/return/plan';
import { returnRequestSchema } from '$lib/schema/return';
import { checked } from '$lib/core/finding/checked';
import { report } from '../instrument';

const LEG_WORDS: Record<string, string> = {
	climb: 'climbs',
	'climb-return': 'climbs on the way home',
	cruise: 'flies home',
	descend: 'comes down',
	hover: 'hovers',
	fall: 'falls',
};

const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.round(s % 60)).padStart(2, '0')} min`;

export const compute = working(fields, async ({ form: v }) => {
	const request = checked(returnRequestSchema, {
		aircraft: {
			airspeedMaxMps: v.airspeedMax,
			returnSpeedMps: v.returnSpeed,
			speedKind: v.speedKind,
			climbMps: v.climb,
			descentMps: v.descent,
			hoverW: v.hoverW,
			cruiseW: v.cruiseW,
			climbW: v.climbW,
			descentW: v.descentW,
		},
		pack: { usableWh: v.usableWh, reservePct: v.reservePct },
		wind: {
			fromDeg: v.windFrom,
			speedMps: v.wind,
			gustMps: v.gust,
		},
		settings: {
			returnHeightM: v.returnHeightM,
			minDistanceM: v.minDistanceM,
			climbFirst: v.climbFirst === 'yes',
			action: v.action,
		},
		position: {
			bearingDeg: v.bearingDeg,
			distanceM: v.distanceM,
			heightM: v.heightM,
		},
		obstacles: v.obstacles.map((r) => ({
			bearingDeg: r.bearingDeg,
			distanceM: r.distanceM,
			heightM: r.heightM,
			widthM: r.widthM,
		})),
		usedWh: v.usedWh,
	});
	const answer = planReturn(request);
	const home = request.settings.action === 'return';
	return {
		...report(
			answer,
			home
				? `It comes home in ${clock(answer.totalTimeS ?? 0)} and lands with ${answer.landWithWh?.toFixed(0)} Wh`
				: 'What it does without the link is within the plan',
		),
		figures: [
			figure('land-energy', answer.landWithWh, {
				digits: 1,
				note: `reserve ${((request.pack.usableWh * request.pack.reservePct) / 100).toFixed(1)}`,
			}),
			figure('energy-used', answer.totalWh, { digits: 1 }),
			figure('return-time', answer.totalTimeS, { digits: 0 }),
			figure('turn-back-within', answer.turnBackAtS, { digits: 0, note: 'of hovering here' }),
			...(request.obstacles.length === 0 ? [] : [figure('clearance', answer.clearance.minM, { digits: 0 })]),
			...(answer.touchdown && !home ? [figure('touchdown-distance', answer.touchdown.distanceM, { digits: 0 })] : []),
		],
		plots: [
			{
				kind: 'reach',
				title: 'From inside this line it returns with its reserve, at this height, in this wind',
				reach: answer.reach,
				aircraft: request.position,
				windFromDeg: request.wind.fromDeg,
				obstacles: request.obstacles,
			},
		],
		tables: [
			{
				title: 'Leg by leg',
				columns: ['it', 'time, s', 'energy, Wh', 'over ground, m/s'],
				rows: answer.legs.map((leg) => [LEG_WORDS[leg.name], leg.timeS, leg.energyWh, leg.groundMps]),
			},
		],
	};
});
