import { figure } from '$lib/core/figures/figure';
import { report } from '../instrument';
import { fields } from './form';
import { working } from '../form';
import { powerLimits } from '$lib/core/propulsion/limits';
import { reviewPack } from '$lib/core/propulsion/pack';
import { packRequestSchema } from '$lib/schema/power';
import { checked } from '$lib/core/finding/checked';

const minutes = (s: number | null) => (s === null ? null : s / 60);

export const compute = working(fields, async ({ form: v }) => {
	const { lightA, lightV, heavyA, heavyV } = v;
	const step = lightA !== null && lightV !== null && heavyA !== null && heavyV !== null;
	const request = checked(packRequestSchema, {
		chemistry: v.chemistry,
		cellsV: v.cells.map((r) => r.v),
		temperatureC: v.temperature,
		ratedMah: v.ratedMah,
		loadStep: step ? { lightA, lightV, heavyA, heavyV } : null,
		history: v.history.map((r) => ({
			cycles: r.cycles,
			mah: r.mah,
		})),
		cycles: v.cycles,
		reservePct: v.reserve,
		hoverW: v.hoverW,
		warnPct: v.warn,
		actPct: v.act,
	});
	const answer = reviewPack(request);
	return {
		...report(answer, ''),
		headline:
			answer.verdict === 'fail'
				? answer.reasons[0].text
				: `${minutes(answer.flightTimeS)?.toFixed(1)} minutes in the hover; set the timer to ${minutes(answer.timerS)?.toFixed(1)}`,
		figures: [
			figure('flight-time', minutes(answer.flightTimeS), { digits: 1, sigma: minutes(answer.flightTimeSigmaS) }),
			figure('timer', minutes(answer.timerS), { digits: 1, note: 'one sigma earlier' }),
			figure('charge', answer.chargePct, { digits: 0, sigma: answer.chargeSigmaPct }),
			figure('usable', answer.usableWh, { digits: 0, sigma: answer.usableSigmaWh }),
			figure('cell-spread', answer.spreadMv, { digits: 0, note: `limit ${powerLimits.spreadMv.value}` }),
			figure('cell-resistance', answer.resistancePerCellMohm, { digits: 1 }),
			figure('capacity', answer.capacityMah, {
				digits: 0,
				sigma: answer.capacitySigmaMah,
				note: `${answer.healthPct.toFixed(0)} % of what is printed`,
			}),
			figure('warns-after', minutes(answer.warnAtS), { digits: 1 }),
			figure('acts-after', minutes(answer.actAtS), { digits: 1 }),
		],
		plots: [
			{
				kind: 'bars',
				title: `At rest the cells lie ${answer.spreadMv.toFixed(0)} mV apart, shown above the weakest`,
				unit: 'mV',
				digits: 0,
				bars: request.cellsV.map((volts, k) => ({
					label: `cell ${k + 1}, ${volts.toFixed(2)} V`,
					value: 1000 * (volts - Math.min(...request.cellsV)),
				})),
				limit: { value: powerLimits.spreadMv.value, label: `line: ${powerLimits.spreadMv.value} mV apart` },
			},
			...(request.history.length > 1
				? [
						{
							kind: 'lines' as const,
							title: `Capacity is ${answer.healthPct.toFixed(0)} % of what is printed, at ${request.cycles} charges`,
							xLabel: 'charges',
							yLabel: 'mAh',
							lines: [{ label: 'measured', points: request.history.map((h) => ({ x: h.cycles, y: h.mah })) }],
							limits: [
								{ y: (powerLimits.healthPct.value / 100) * request.ratedMah, label: 'retired by most below this' },
							],
							marks: [{ x: request.cycles, label: 'today' }],
						},
					]
				: []),
		],
	};
});
