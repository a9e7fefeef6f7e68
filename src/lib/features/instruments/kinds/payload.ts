import { payloadLimits } from '$lib/core/payload/limits';
import { ceilingRequestSchema, feedRequestSchema, flowRequestSchema } from '$lib/schema/payload';
import { run } from '$lib/workers/core';
import { checked } from '../check';
import { number } from '../fields';
import { headlineOf, num, opt, rows, word, type Instrument } from '../instrument';

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
		number('margin', 'Margin', 'm', 0.5, {
			quantity: 'height',
			min: 0,
			max: 20,
			usual: true,
			note: 'Winglogos default: a gust in a room',
		}),
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

export const PAYLOAD: readonly Instrument[] = [flow, feed, ceiling];
