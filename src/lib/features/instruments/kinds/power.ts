import { powerLimits } from '$lib/core/propulsion/limits';
import { balanceRequestSchema, packRequestSchema } from '$lib/schema/power';
import { run } from '$lib/workers/core';
import { checked } from '../check';
import { number } from '../fields';
import { num, opt, rows, word, type Instrument } from '../instrument';

const minutes = (s: number | null) => (s === null ? null : s / 60);
const cells = (...volts: number[]) => volts.map((v) => ({ v }));
const history = (...pairs: [number, number][]) => pairs.map(([cycles, mah]) => ({ cycles, mah }));

const pack: Instrument = {
	id: 'pack',
	title: 'Pack and flight time',
	group: 'Power and balance',
	does: 'Charge, cell spread, resistance, what is left of its capacity; flight time, timer and warning levels.',
	calls:
		'battery pack cell voltage lipo capacity internal resistance flight time timer reserve endurance warning alarm',
	opening: 'Measure the cells at rest and say what the aircraft draws',
	caution:
		'Never charge unwatched. A swollen, hot or damaged pack is not measured: it is put outside, by the maker’s rules.',
	method: [
		'Charge from the weakest cell’s voltage at rest by its chemistry’s curve; ±15 mV of cell to cell as its uncertainty. Resistance = ΔV/ΔI of a load step.',
		'Capacity over its life by the median of slopes (Theil, Sen). Flight time = usable · (1 − reserve) / power; the timer is one sigma earlier. The cold takes its share.',
	],
	fields: [
		{
			kind: 'choice',
			id: 'chemistry',
			label: 'Chemistry',
			options: [
				{ value: 'lipo', label: 'lithium polymer, 4.20 V' },
				{ value: 'lihv', label: 'lithium polymer, 4.35 V' },
				{ value: 'liion', label: 'lithium-ion, 4.20 V' },
				{ value: 'lifepo4', label: 'iron phosphate, 3.45 V' },
			],
			start: 'lipo',
		},
		number('ratedMah', 'Printed on it', 'mAh', 5200, { min: 1, max: 200_000 }),
		number('cycles', 'Charged so far', 'times', 41, { min: 0, max: 10_000 }),
		number('temperature', 'Temperature of the pack', '°C', 18, { quantity: 'temperature', min: -40, max: 80 }),
		number('hoverW', 'Power in the hover', 'W', 210, { min: 1, max: 1e5 }),
		number('reserve', 'Reserve', '%', 25, { min: 0, max: 95 }),
		number('warn', 'It warns at', '% left', 30, { min: 0, max: 100 }),
		number('act', 'It acts at', '% left', 15, { min: 0, max: 100 }),
		number('lightA', 'Light load', 'A', null, { min: 0, max: 1000, optional: true }),
		number('lightV', 'Voltage at light load', 'V', null, { min: 0, max: 150, optional: true }),
		number('heavyA', 'Heavy load', 'A', null, { min: 0, max: 1000, optional: true }),
		number('heavyV', 'Voltage at heavy load', 'V', null, { min: 0, max: 150, optional: true }),
		{
			kind: 'rows',
			id: 'cells',
			label: 'Cells at rest',
			one: 'a cell',
			of: [number('v', 'Cell', 'V', 4.19, { min: 0, max: 6 })],
			start: cells(4.19, 4.19, 4.18, 4.19),
		},
		{
			kind: 'rows',
			id: 'history',
			label: 'Capacities measured before',
			one: 'a measurement',
			of: [
				number('cycles', 'After charges', '', 10, { min: 0, max: 10_000 }),
				number('mah', 'Capacity', 'mAh', 5150, { min: 1, max: 200_000 }),
			],
			start: history([10, 5150], [25, 5110], [40, 5060]),
		},
	],
	samples: [
		{ id: 'good', label: 'D-3: young and full', values: { lightA: 2, lightV: 16.7, heavyA: 22, heavyV: 16.15 } },
		{
			id: 'old',
			label: 'D-1: 112 charges, one cell lags',
			bad: true,
			values: {
				cycles: 112,
				cells: cells(4.17, 4.05, 4.16, 4.17),
				history: history([20, 5100], [60, 4700], [90, 4380], [110, 4100]),
				lightA: 2,
				lightV: 16.4,
				heavyA: 22,
				heavyV: 14.9,
			},
		},
		{ id: 'cold', label: 'D-3 on a frosty morning', bad: true, values: { temperature: -4 } },
	],
	async work({ values: v }, context) {
		const [lightA, lightV, heavyA, heavyV] = ['lightA', 'lightV', 'heavyA', 'heavyV'].map((id) => opt(v, id));
		const step = lightA !== null && lightV !== null && heavyA !== null && heavyV !== null;
		const request = checked(packRequestSchema, {
			chemistry: word(v, 'chemistry'),
			cellsV: rows(v, 'cells').map((r) => num(r, 'v', 'Cell')),
			temperatureC: num(v, 'temperature', 'Temperature'),
			ratedMah: num(v, 'ratedMah', 'Printed on it'),
			loadStep: step ? { lightA, lightV, heavyA, heavyV } : null,
			history: rows(v, 'history').map((r) => ({
				cycles: num(r, 'cycles', 'After charges'),
				mah: num(r, 'mah', 'Capacity'),
			})),
			cycles: num(v, 'cycles', 'Charged so far'),
			reservePct: num(v, 'reserve', 'Reserve'),
			hoverW: num(v, 'hoverW', 'Power in the hover'),
			warnPct: num(v, 'warn', 'It warns at'),
			actPct: num(v, 'act', 'It acts at'),
		});
		const answer = await run('pack', request, context);
		return {
			headline:
				answer.verdict === 'fail'
					? answer.reasons[0].text
					: `${minutes(answer.flightTimeS)?.toFixed(1)} minutes in the hover; set the timer to ${minutes(answer.timerS)?.toFixed(1)}`,
			verdict: answer.verdict,
			reasons: answer.reasons,
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
				{ label: 'Resistance per cell', value: answer.resistancePerCellMohm, unit: 'mΩ', digits: 1 },
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
					title: 'Cells at rest, above the weakest',
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
								title: 'Capacity over its life',
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
			tables: [],
			answer,
		};
	},
};

const PARTS = [
	{ name: 'airframe', massG: 640, armMm: 34 },
	{ name: 'camera', massG: 210, armMm: -12 },
	{ name: 'pack', massG: 390, armMm: 4 },
];

const balance: Instrument = {
	id: 'balance',
	title: 'Balance',
	group: 'Power and balance',
	does: 'Where it balances, against the mark, and how far to move the pack.',
	calls: 'centre of gravity CG balance wing nose heavy tail heavy pack shift weight',
	opening: 'Weigh the parts and measure how far back they sit',
	caution: 'Tail-heavy is not flown: it pitches up and stalls. The sheet that came with the aircraft gives the mark.',
	method: [
		'Σm·x / Σm against the mark; the pack moves by total mass × error / its own mass. A little nose-heavy is tolerated, tail-heavy is not.',
	],
	fields: [
		number('mark', 'The mark, behind the datum', 'mm', 20, { min: -1e4, max: 1e4 }),
		number('tolerance', 'Nose-heavy still good by', 'mm', 6, { min: 0, max: 1000 }),
		number('sigma', 'An arm is measured to', '± mm', 1.5, {
			min: 0,
			max: 100,
			usual: true,
			note: 'usual with a ruler',
		}),
		{
			kind: 'rows',
			id: 'parts',
			label: 'Parts; name the pack "pack"',
			one: 'a part',
			of: [
				{ kind: 'text', id: 'name', label: 'Part', start: '' },
				number('massG', 'Mass', 'g', 100, { min: 0, max: 1e6 }),
				number('armMm', 'Behind the datum', 'mm', 0, { min: -1e4, max: 1e4 }),
			],
			start: PARTS,
		},
	],
	samples: [
		{ id: 'good', label: 'Avocet with its camera', values: { parts: PARTS } },
		{
			id: 'tail',
			label: 'Avocet, the heavy pack slid back',
			bad: true,
			values: { parts: [...PARTS.slice(0, 2), { name: 'pack', massG: 520, armMm: 40 }] },
		},
	],
	async work({ values: v }, context) {
		const parts = rows(v, 'parts').map((r) => ({
			name: word(r, 'name') || 'part',
			massG: num(r, 'massG', 'Mass'),
			armMm: num(r, 'armMm', 'Behind the datum'),
		}));
		const named = parts.findIndex(({ name }) => /pack|battery/i.test(name));
		const request = checked(balanceRequestSchema, {
			parts,
			packIndex: named >= 0 ? named : parts.length,
			markMm: num(v, 'mark', 'The mark'),
			noseHeavyMm: num(v, 'tolerance', 'Nose-heavy'),
			armSigmaMm: num(v, 'sigma', 'An arm is measured to'),
		});
		const answer = await run('balance', request, context);
		const shift = answer.shiftPackMm;
		return {
			headline: answer.verdict === 'pass' ? 'It balances at the mark or a little before it' : answer.reasons[0].text,
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Balances behind the mark by',
					value: answer.errorMm,
					unit: 'mm',
					digits: 1,
					sigma: answer.centreSigmaMm,
				},
				{
					label: 'Move the pack',
					value: shift === null ? null : Math.abs(shift),
					unit: 'mm',
					digits: 0,
					note: shift === null ? 'it has no mass here' : shift < 0 ? 'forward' : 'back',
				},
				{ label: 'It weighs', value: answer.massG, unit: 'g', digits: 0 },
			],
			plots: [
				{
					kind: 'bars',
					title: 'What pulls it back and forth about the mark',
					unit: 'g·mm',
					digits: 0,
					bars: parts.map((p) => ({ label: p.name, value: p.massG * (p.armMm - request.markMm) })),
				},
			],
			tables: [],
			answer,
		};
	},
};

export const POWER: readonly Instrument[] = [pack, balance];
