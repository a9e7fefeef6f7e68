import { balanceRequestSchema, packRequestSchema } from '$lib/schema/power';
import { powerLimits } from '$lib/core/propulsion/limits';
import { ceilingRequestSchema, feedRequestSchema, flowRequestSchema } from '$lib/schema/payload';
import { payloadLimits } from '$lib/core/payload/limits';
import { run } from '$lib/workers/core';
import { checked } from '../check';
import { headlineOf, num, opt, rows, word, type Instrument, type NumberField } from '../instrument';

const number = (
	id: string,
	label: string,
	unit: string,
	start: number | null,
	more: Partial<NumberField> = {},
): NumberField => ({ kind: 'number', id, label, unit, start, ...more });
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
		number('sigma', 'An arm is measured to', '± mm', 1.5, { min: 0, max: 100 }),
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

const nozzles = (...litres: number[]) => litres.map((l, k) => ({ name: `nozzle ${k + 1}`, litres: l }));

const flow: Instrument = {
	id: 'flow',
	title: 'Spray flow',
	group: 'Payload and camera',
	does: 'Bucket test: flow against what is set, evenness of the nozzles, litres per hectare.',
	calls: 'spray nozzle flow pump litre hectare bucket calibration sprayer rate even meter',
	opening: 'Catch what each nozzle gives in a measured time',
	caution:
		'Water, not the product. Propellers off. Vent the lines first: loosen the relief valves, spray until it runs evenly, close them.',
	method: [
		'Collected volume over time against the setting; correction = set / measured; coefficient of variation over the nozzles; litres per hectare = 600·Q/(v·w), Q in L/min, v in km/h, w in m.',
	],
	fields: [
		number('seconds', 'Caught for', 's', 60, { min: 1, max: 36_000 }),
		number('set', 'Flow set', 'L/min', 2, { min: 0.01, max: 1000 }),
		number('shown', 'Flow the aircraft shows', 'L/min', 2.02, { min: 0, max: 1000, optional: true }),
		number('speed', 'Flying at', 'km/h', 18, { min: 0.1, max: 200 }),
		number('swath', 'Swath', 'm', 4, { min: 0.1, max: 200 }),
		{
			kind: 'rows',
			id: 'nozzles',
			label: 'What each nozzle gave',
			one: 'a nozzle',
			of: [
				{ kind: 'text', id: 'name', label: 'Nozzle', start: '' },
				number('litres', 'Caught', 'L', 0.5, { min: 0, max: 1000 }),
			],
			start: nozzles(0.5, 0.49, 0.51, 0.5),
		},
	],
	samples: [
		{ id: 'good', label: 'Four nozzles, even', values: { nozzles: nozzles(0.5, 0.49, 0.51, 0.5) } },
		{
			id: 'blocked',
			label: 'The third is half blocked',
			bad: true,
			values: { nozzles: nozzles(0.52, 0.5, 0.27, 0.51) },
		},
	],
	async work({ values: v }, context) {
		const request = checked(flowRequestSchema, {
			nozzles: rows(v, 'nozzles').map((r, k) => ({
				name: word(r, 'name') || `nozzle ${k + 1}`,
				litres: num(r, 'litres', 'Caught'),
			})),
			collectedS: num(v, 'seconds', 'Caught for'),
			setLPerMin: num(v, 'set', 'Flow set'),
			speedKmh: num(v, 'speed', 'Flying at'),
			swathM: num(v, 'swath', 'Swath'),
			shownLPerMin: opt(v, 'shown'),
		});
		const answer = await run('flow', request, context);
		return {
			headline: headlineOf(answer, `It gives what is set: ${answer.ratePerHa.toFixed(1)} litres per hectare`),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Off what is set by',
					value: answer.errorPct,
					unit: '%',
					digits: 1,
					note: `limit ±${payloadLimits.flowPct.value}`,
				},
				{ label: 'Multiply the setting by', value: answer.correction, unit: '', digits: 3 },
				{ label: 'Flow', value: answer.flowLPerMin, unit: 'L/min' },
				{
					label: 'Rate',
					value: answer.ratePerHa,
					unit: 'L/ha',
					digits: 1,
					note: `set ${answer.rateSetPerHa.toFixed(1)}`,
				},
				{
					label: 'Unevenness',
					value: answer.nozzleCvPct,
					unit: '%',
					digits: 1,
					note: `limit ${payloadLimits.nozzleCvPct.value}`,
				},
			],
			plots: [
				{
					kind: 'bars',
					title: 'Nozzle by nozzle',
					unit: 'L/min',
					bars: answer.nozzles.map((n) => ({
						label: n.name,
						value: n.lPerMin,
						note: `${n.deviationPct >= 0 ? '+' : '−'}${Math.abs(n.deviationPct).toFixed(0)} %`,
					})),
				},
			],
			tables: [],
			answer,
		};
	},
};

const feed: Instrument = {
	id: 'feed',
	title: 'Spreader feed',
	group: 'Payload and camera',
	does: 'Feeder turns and mass against what is set, kilograms per hectare, and the setting that gives it.',
	calls: 'spreader feeder seed granule fan rpm kilogram hectare calibration',
	opening: 'Catch what the feeder gives in a measured time',
	caution: 'Power off to exchange tank and hopper. Fingers out of the feeder and the fan; propellers off.',
	method: [
		'Turns over time against the setting; grams per turn; kg per hectare = 600·(kg/min)/(v·w); the setting that brings what is wanted; the fan beside it.',
	],
	fields: [
		number('set', 'Feeder set', 'turns/min', 60, { min: 0.1, max: 10_000 }),
		number('turns', 'Turns counted', '', 60, { min: 0.1, max: 1e6 }),
		number('seconds', 'in', 's', 60, { min: 1, max: 36_000 }),
		number('grams', 'Caught', 'g', 900, { min: 0, max: 1e6 }),
		number('speed', 'Flying at', 'km/h', 18, { min: 0.1, max: 200 }),
		number('swath', 'Swath', 'm', 6, { min: 0.1, max: 200 }),
		number('wanted', 'Wanted', 'kg/ha', 5, { min: 0.01, max: 10_000 }),
		number('fanSet', 'Fan set', 'turns/min', 3000, { min: 1, max: 100_000, optional: true }),
		number('fan', 'Fan turns', 'turns/min', 2950, { min: 0, max: 100_000, optional: true }),
	],
	samples: [
		{ id: 'good', label: 'Curlew: sea-lavender seed', values: {} },
		{
			id: 'bad',
			label: 'The feeder slips and the fan is blocked',
			bad: true,
			values: { turns: 49, grams: 700, fan: 2100 },
		},
	],
	async work({ values: v }, context) {
		const request = checked(feedRequestSchema, {
			setRpm: num(v, 'set', 'Feeder set'),
			turns: num(v, 'turns', 'Turns counted'),
			seconds: num(v, 'seconds', 'in'),
			collectedG: num(v, 'grams', 'Caught'),
			speedKmh: num(v, 'speed', 'Flying at'),
			swathM: num(v, 'swath', 'Swath'),
			wantedKgPerHa: num(v, 'wanted', 'Wanted'),
			fanSetRpm: opt(v, 'fanSet'),
			fanRpm: opt(v, 'fan'),
		});
		const answer = await run('feed', request, context);
		return {
			headline: headlineOf(answer, `It spreads ${answer.kgPerHa.toFixed(1)} kilograms per hectare, as wanted`),
			verdict: answer.verdict,
			reasons: answer.reasons,
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
			plots: [],
			tables: [],
			answer,
		};
	},
};

const ceiling: Instrument = {
	id: 'ceiling',
	title: 'Under a ceiling',
	group: 'Payload and camera',
	does: 'Room left under a ceiling over the tallest thing flown over.',
	calls: 'indoor indoors ceiling height furniture clearance room table shelf',
	opening: 'Enter the room, and what it is flown over',
	caution:
		'A first hover belongs outdoors. Indoors without the link: hover or land, never return. Vents, windows and walls push it about.',
	method: [
		'Ceiling − (hold height + tallest thing) − margin where the downward sensor follows what it sees; otherwise the hold height above the floor must clear the tallest thing.',
	],
	fields: [
		number('ceiling', 'Ceiling', 'm', 4, { quantity: 'height', min: 0.5, max: 200 }),
		number('hold', 'It holds', 'm', 1.2, { quantity: 'height', min: 0.1, max: 100 }),
		number('margin', 'Margin', 'm', 0.5, { quantity: 'height', min: 0, max: 20 }),
		{
			kind: 'choice',
			id: 'follows',
			label: 'Its downward sensor',
			options: [
				{ value: 'yes', label: 'follows what lies below' },
				{ value: 'no', label: 'is off, or keeps to the floor' },
			],
			start: 'yes',
		},
		{
			kind: 'rows',
			id: 'things',
			label: 'Flown over',
			one: 'a thing',
			of: [
				{ kind: 'text', id: 'name', label: 'Thing', start: '' },
				number('heightM', 'Height', 'm', 0.8, { quantity: 'height', min: 0, max: 100 }),
			],
			start: [{ name: 'bench', heightM: 0.9 }],
		},
	],
	samples: [
		{ id: 'good', label: 'The trust’s hall', values: {} },
		{
			id: 'bad',
			label: 'Six feet over a five-foot shelf under a ten-foot ceiling',
			bad: true,
			values: { ceiling: 3.048, hold: 1.8288, margin: 0, things: [{ name: 'shelf', heightM: 1.524 }] },
		},
	],
	async work({ values: v }, context) {
		const request = checked(ceilingRequestSchema, {
			ceilingM: num(v, 'ceiling', 'Ceiling'),
			holdM: num(v, 'hold', 'It holds'),
			marginM: num(v, 'margin', 'Margin'),
			followsSurface: word(v, 'follows') === 'yes',
			things: rows(v, 'things').map((r) => ({
				name: word(r, 'name') || 'thing',
				heightM: num(r, 'heightM', 'Height'),
			})),
		});
		const answer = await run('ceiling', request, context);
		return {
			headline: headlineOf(answer, `Over ${answer.worst} there is room under the ceiling`),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'Room left', value: answer.clearanceM, unit: 'm', quantity: 'height', digits: 1 },
				{ label: 'Hold at most', value: answer.highestHoldM, unit: 'm', quantity: 'height', digits: 1 },
			],
			plots: [],
			tables: [],
			answer,
		};
	},
};

const list = (...values: number[]) => values.map((value) => ({ value, sigma: null }));

const repeats: Instrument = {
	id: 'before-after',
	title: 'Before and after',
	group: 'Records',
	does: 'Whether a difference between repeated measurements is larger than their noise.',
	calls: 'compare comparison before after repeat noise difference significant foam cold calibration improvement',
	opening: 'Enter what was measured before, and after',
	method: [
		'Two or more on each side: Welch’s test (1947). One on each side: their stated uncertainties. Neither: it cannot be told. A difference rarer than one in twenty by chance counts.',
	],
	fields: [
		{ kind: 'text', id: 'what', label: 'What was measured', start: 'Wander in the hover' },
		{ kind: 'text', id: 'unit', label: 'Unit', start: 'm' },
		{
			kind: 'choice',
			id: 'better',
			label: 'Better is',
			options: [
				{ value: 'lower', label: 'lower' },
				{ value: 'higher', label: 'higher' },
			],
			start: 'lower',
		},
		{
			kind: 'rows',
			id: 'before',
			label: 'Before',
			one: 'a value',
			of: [number('value', 'Value', '', 0), number('sigma', '± one sigma', '', null, { optional: true, min: 0 })],
			start: list(2.9, 3.2, 3.0),
		},
		{
			kind: 'rows',
			id: 'after',
			label: 'After',
			one: 'a value',
			of: [number('value', 'Value', '', 0), number('sigma', '± one sigma', '', null, { optional: true, min: 0 })],
			start: list(2.1, 1.9, 2.2),
		},
	],
	samples: [
		{
			id: 'real',
			label: 'A foam cover that helped',
			values: { before: list(2.9, 3.2, 3.0), after: list(2.1, 1.9, 2.2) },
		},
		{
			id: 'noise',
			label: 'A chilled calibration that made no difference',
			values: { before: list(2.9, 2.2, 3.0), after: list(2.5, 2.8, 2.3) },
		},
		{ id: 'once', label: 'Once before, once after', bad: true, values: { before: list(2.9), after: list(2.1) } },
	],
	async work({ values: v }, context) {
		const side = (id: string) => rows(v, id).map((r) => ({ value: num(r, 'value', 'Value'), sigma: opt(r, 'sigma') }));
		const told = {
			what: word(v, 'what') || 'The quantity',
			unit: word(v, 'unit'),
			lowerIsBetter: word(v, 'better') !== 'higher',
		};
		const answer = await run('repeats', { before: side('before'), after: side('after'), told }, context);
		return {
			headline: answer.reasons[0].text,
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'Difference', value: answer.difference, unit: told.unit, sigma: answer.differenceSigma },
				{
					label: 'By chance',
					value: answer.byChance === null ? null : 100 * answer.byChance,
					unit: '%',
					digits: 1,
					note: 'limit 5',
				},
				{ label: `Before, ${answer.before.n} ×`, value: answer.before.mean, unit: told.unit },
				{ label: `After, ${answer.after.n} ×`, value: answer.after.mean, unit: told.unit },
			],
			plots: [
				{
					kind: 'bars',
					title: 'Value by value',
					unit: told.unit,
					bars: [
						...side('before').map(({ value }, k) => ({ label: `before ${k + 1}`, value })),
						...side('after').map(({ value }, k) => ({ label: `after ${k + 1}`, value })),
					],
				},
			],
			tables: [],
			answer,
		};
	},
};

export const POWER: readonly Instrument[] = [pack, balance];
export const PAYLOAD: readonly Instrument[] = [flow, feed, ceiling];
export const RECORDS: readonly Instrument[] = [repeats];
