import { RESISTANCE } from '../given';
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
			{
				label: 'Flight time above the reserve',
				value: minutes(answer.flightTimeS),
				unit: 'min',
				digits: 1,
				sigma: minutes(answer.flightTimeSigmaS),
			},
			{ label: 'Timer', value: minutes(answer.timerS), unit: 'min', digits: 1, note: 'one sigma earlier' },
			{ label: 'Charge', value: answer.chargePct, unit: '%', digits: 0, sigma: answer.chargeSigmaPct },
			{ label: 'Usable', value: answer.usableWh, unit: 'Wh', digits: 0, sigma: answer.usableSigmaWh },
			{
				label: 'Spread of the cells',
				value: answer.spreadMv,
				unit: 'mV',
				digits: 0,
				note: `limit ${powerLimits.spreadMv.value}`,
			},
			{ label: RESISTANCE, value: answer.resistancePerCellMohm, unit: 'mΩ', digits: 1 },
			{
				label: 'Capacity',
				value: answer.capacityMah,
				unit: 'mAh',
				digits: 0,
				sigma: answer.capacitySigmaMah,
				note: `${answer.healthPct.toFixed(0)} % of what is printed`,
			},
			{ label: 'It warns after', value: minutes(answer.warnAtS), unit: 'min', digits: 1 },
			{ label: 'and acts after', value: minutes(answer.actAtS), unit: 'min', digits: 1 },
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
