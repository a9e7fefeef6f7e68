import { auditRequestSchema } from '$lib/schema/audit';
import { returnRequestSchema } from '$lib/schema/return';
import { run } from '$lib/workers/core';
import { checked } from '../check';
import { number, metres, speed, choice } from '../fields';
import { headlineOf, num, opt, rows, word, type Instrument, type Values } from '../instrument';

const LEG_WORDS: Record<string, string> = {
	climb: 'climbs',
	'climb-return': 'climbs on the way home',
	cruise: 'flies home',
	descend: 'comes down',
	hover: 'hovers',
	fall: 'falls',
};
const ACTIONS = { return: 'return', land: 'land', hover: 'hover', 'cut-motors': 'stop the motors' };
const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.round(s % 60)).padStart(2, '0')} min`;

const homeStart: Values = {
	action: 'return',
	usableWh: 62,
	usedWh: 18,
	reservePct: 25,
	bearingDeg: 62,
	distanceM: 480,
	heightM: 25,
	windFrom: 250,
	wind: 4,
	gust: 6,
	returnHeightM: 40,
	minDistanceM: 15,
};

export const wayHome: Instrument = {
	id: 'way-home',
	title: 'Way home',
	group: 'Position and flight',
	does: 'If the link fails here, now: does it get home, with how much left, and how far could it be.',
	calls: 'return home failsafe reach distance wind reserve battery headwind turn back link loss',
	opening: 'Enter the aircraft, the pack, the wind and where it is',
	caution: 'It counts with the figures you enter. The maker’s manual and the local rules stand above it.',
	method: [
		'Wind by a power law of the height; wind triangle for every leg; energy by leg; the reach is where the return uses exactly what is above the reserve. A gust’s excess is set straight against the flight and only cautions.',
		'Obstacles within 10 m of the path: below 3 m over one fails, below 10 m cautions.',
	],
	fields: [
		choice('action', 'Without the link it will', ACTIONS, 'return'),
		choice('speedKind', 'Its return speed is held', { ground: 'over the ground', air: 'through the air' }, 'ground'),
		speed('airspeedMax', 'Fastest through the air', 16),
		speed('returnSpeed', 'Return speed', 9),
		speed('climb', 'Climb', 3, 50),
		speed('descent', 'Descent', 1.5, 50),
		number('hoverW', 'Power in the hover', 'W', 210, { min: 1, max: 1e5 }),
		number('cruiseW', 'Power at the return speed', 'W', 230, { min: 1, max: 1e5 }),
		number('climbW', 'Power climbing', 'W', 290, { min: 1, max: 1e5 }),
		number('descentW', 'Power coming down', 'W', 185, { min: 1, max: 1e5 }),
		number('usableWh', 'Pack, usable', 'Wh', 62, { min: 0.1, max: 1e5 }),
		number('usedWh', 'Used so far', 'Wh', 18, { min: 0, max: 1e5 }),
		number('reservePct', 'Reserve', '%', 25, { min: 0, max: 95 }),
		number('bearingDeg', 'The aircraft is from home toward', '°', 62, { min: 0, max: 360 }),
		{ ...metres('distanceM', 'at a distance of', 480, 1e5) },
		metres('heightM', 'and a height of', 25, 5000),
		number('windFrom', 'Wind from', '°', 250, { min: 0, max: 360 }),
		speed('wind', 'Wind', 4),
		speed('gust', 'Gusts', 6, 150),
		metres('returnHeightM', 'Return height', 40),
		metres('minDistanceM', 'Lands where it is, nearer than', 15, 10_000),
		choice('climbFirst', 'It climbs', { yes: 'first', no: 'on the way' }, 'yes'),
		{
			kind: 'rows',
			id: 'obstacles',
			label: 'Things in the way',
			one: 'a thing',
			of: [
				number('bearingDeg', 'Toward', '°', 62, { min: 0, max: 360 }),
				metres('distanceM', 'Distance', 120, 1e5),
				metres('heightM', 'Height', 12, 5000),
				metres('widthM', 'Width', 10, 10_000),
			],
			start: [],
		},
	],
	samples: [
		{ id: 'good', label: 'Dunlin over the near marsh, light wind', values: homeStart },
		{
			id: 'far',
			label: 'Dunlin at the far corner, downwind, in gusts',
			bad: true,
			values: { ...homeStart, distanceM: 1600, wind: 8, gust: 12, usedWh: 30 },
		},
		{
			id: 'trees',
			label: 'A tree line taller than the return height',
			bad: true,
			values: {
				...homeStart,
				returnHeightM: 12,
				heightM: 12,
				obstacles: [{ bearingDeg: 62, distanceM: 200, heightM: 14, widthM: 60 }],
			},
		},
	],
	async work({ values: v }, context) {
		const request = checked(returnRequestSchema, {
			aircraft: {
				airspeedMaxMps: num(v, 'airspeedMax', 'Fastest through the air'),
				returnSpeedMps: num(v, 'returnSpeed', 'Return speed'),
				speedKind: word(v, 'speedKind'),
				climbMps: num(v, 'climb', 'Climb'),
				descentMps: num(v, 'descent', 'Descent'),
				hoverW: num(v, 'hoverW'),
				cruiseW: num(v, 'cruiseW'),
				climbW: num(v, 'climbW'),
				descentW: num(v, 'descentW'),
			},
			pack: { usableWh: num(v, 'usableWh', 'Pack'), reservePct: num(v, 'reservePct', 'Reserve') },
			wind: {
				fromDeg: num(v, 'windFrom', 'Wind from'),
				speedMps: num(v, 'wind', 'Wind'),
				gustMps: num(v, 'gust', 'Gusts'),
			},
			settings: {
				returnHeightM: num(v, 'returnHeightM', 'Return height'),
				minDistanceM: num(v, 'minDistanceM'),
				climbFirst: word(v, 'climbFirst') === 'yes',
				action: word(v, 'action'),
			},
			position: {
				bearingDeg: num(v, 'bearingDeg', 'Toward'),
				distanceM: num(v, 'distanceM', 'Distance'),
				heightM: num(v, 'heightM', 'Height'),
			},
			obstacles: rows(v, 'obstacles').map((r) => ({
				bearingDeg: num(r, 'bearingDeg', 'Toward'),
				distanceM: num(r, 'distanceM', 'Distance'),
				heightM: num(r, 'heightM', 'Height'),
				widthM: num(r, 'widthM', 'Width'),
			})),
			usedWh: num(v, 'usedWh', 'Used so far'),
		});
		const answer = await run('return', request, context);
		const home = request.settings.action === 'return';
		return {
			headline: headlineOf(
				answer,
				home
					? `It comes home in ${clock(answer.totalTimeS ?? 0)} and lands with ${answer.landWithWh?.toFixed(0)} Wh`
					: 'What it does without the link is within the plan',
			),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Lands with',
					value: answer.landWithWh,
					unit: 'Wh',
					digits: 1,
					note: `reserve ${((request.pack.usableWh * request.pack.reservePct) / 100).toFixed(1)}`,
				},
				{ label: 'Uses', value: answer.totalWh, unit: 'Wh', digits: 1 },
				{ label: 'Time', value: answer.totalTimeS, unit: 's', digits: 0 },
				{ label: 'Turn back within', value: answer.turnBackAtS, unit: 's', digits: 0, note: 'of hovering here' },
				...(request.obstacles.length === 0
					? []
					: [
							{
								label: 'Clear of the things in the way by',
								value: answer.clearance.minM,
								unit: 'm',
								quantity: 'height' as const,
								digits: 0,
							},
						]),
				...(answer.touchdown && !home
					? [
							{
								label: 'Touches down from home at',
								value: answer.touchdown.distanceM,
								unit: 'm',
								quantity: 'height' as const,
								digits: 0,
							},
						]
					: []),
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
			answer,
		};
	},
};

const KNOWN = { yes: 'yes', no: 'no', unknown: 'not known' };

export const settings: Instrument = {
	id: 'settings-audit',
	title: 'Link-loss settings',
	group: 'Position and flight',
	does: 'What the aircraft is set to do when the link is lost or the pack is low, against the place, the wind and each other.',
	calls: 'failsafe settings return height low battery action audit arm without gps radio loss test',
	opening: 'Enter what the aircraft is set to, and the place',
	caution:
		'Test on the bench with the propellers off, in the air low and near, over clear ground. The maker’s manual stands above every rule here.',
	method: [
		'Thirteen rules; each gives its reason, passing ones too. The wind at head height; higher up it is stronger.',
	],
	fields: [
		choice('venue', 'Where', { outdoors: 'outdoors', indoors: 'indoors' }, 'outdoors'),
		choice('hasPosition', 'It holds its position', { yes: 'yes', no: 'no' }, 'yes'),
		choice('linkLoss', 'Without the link it will', { ...ACTIONS, unknown: 'not known' }, 'return'),
		metres('returnHeightM', 'Return height', 40),
		speed('returnSpeed', 'Return speed', 8),
		speed('descent', 'Descent', 1.5, 50),
		metres('minDistanceM', 'Lands where it is, nearer than', 20, 10_000),
		number('minSatellites', 'Takes home with', 'satellites', 8, { min: 0, max: 100 }),
		choice('armsWithoutFix', 'It arms without a fix', KNOWN, 'no'),
		choice(
			'plausibility',
			'It checks that a return makes sense',
			{ always: 'always', 'link-loss-only': 'on link loss only', off: 'never', unknown: 'not known' },
			'always',
		),
		number('warnPct', 'It warns at', '% left', 30, { min: 0, max: 100 }),
		number('actPct', 'It acts at', '% left', 15, { min: 0, max: 100 }),
		choice('act', 'and then will', { return: 'return', land: 'land', hover: 'hover', nothing: 'do nothing' }, 'land'),
		number('timerS', 'Timer of the radio', 's', null, { min: 0, max: 36_000, optional: true }),
		number('throttleMin', 'Least throttle it may use', '%', null, { min: 0, max: 100, optional: true }),
		number('throttleHover', 'Hovers at', '%', null, { min: 0, max: 100, optional: true }),
		number('throttleMax', 'Most throttle it may use', '%', null, { min: 0, max: 100, optional: true }),
		metres('tallest', 'Tallest thing here', 12),
		{ ...metres('ceiling', 'Ceiling', 0), start: null, optional: true },
		{
			...metres('legal', 'Height allowed here', 120, 10_000),
			optional: true,
			note: 'the local rule, looked up by you',
		},
		speed('wind', 'Wind', 4),
		speed('gust', 'Gusts', 6, 150),
		{ ...metres('testDistance', 'The return is tested at', 60, 1e5), optional: true },
		choice('benchArmed', 'Tested on the bench, armed, propellers off', KNOWN, 'yes'),
		choice('benchDisarmed', 'Tested on the bench, disarmed', KNOWN, 'yes'),
		choice('radioOffInAir', 'Tested in the air with the radio off', KNOWN, 'no'),
		choice('switchInAir', 'Tested in the air by the switch', KNOWN, 'yes'),
		choice('sinceChange', 'Tested since the last change of firmware or settings', KNOWN, 'yes'),
	],
	samples: [
		{ id: 'good', label: 'Dunlin at the saltings, all tested', values: { radioOffInAir: 'yes', gust: 5 } },
		{
			id: 'factory',
			label: 'As it came out of the box',
			bad: true,
			values: {
				linkLoss: 'cut-motors',
				armsWithoutFix: 'unknown',
				plausibility: 'unknown',
				sinceChange: 'no',
				benchArmed: 'no',
				minSatellites: 6,
			},
		},
		{
			id: 'indoors',
			label: 'Taken indoors with the outdoor settings',
			bad: true,
			values: { venue: 'indoors', ceiling: 4, returnHeightM: 40, act: 'return', testDistance: null, wind: 0, gust: 0 },
		},
	],
	async work({ values: v }, context) {
		const [minPct, hoverPct, maxPct] = [opt(v, 'throttleMin'), opt(v, 'throttleHover'), opt(v, 'throttleMax')];
		const request = checked(auditRequestSchema, {
			venue: word(v, 'venue'),
			hasPosition: word(v, 'hasPosition') === 'yes',
			linkLoss: word(v, 'linkLoss'),
			returnHeightM: num(v, 'returnHeightM', 'Return height'),
			returnSpeedMps: num(v, 'returnSpeed', 'Return speed'),
			descentMps: num(v, 'descent', 'Descent'),
			minDistanceM: num(v, 'minDistanceM'),
			minSatellites: num(v, 'minSatellites', 'Satellites'),
			armsWithoutFix: word(v, 'armsWithoutFix'),
			plausibility: word(v, 'plausibility'),
			battery: {
				warnPct: num(v, 'warnPct', 'It warns at'),
				actPct: num(v, 'actPct', 'It acts at'),
				act: word(v, 'act'),
				timerS: opt(v, 'timerS'),
			},
			throttle: minPct !== null && hoverPct !== null && maxPct !== null ? { minPct, hoverPct, maxPct } : null,
			tallestM: num(v, 'tallest', 'Tallest thing'),
			ceilingM: opt(v, 'ceiling'),
			legalHeightM: opt(v, 'legal'),
			windMps: num(v, 'wind', 'Wind'),
			gustMps: num(v, 'gust', 'Gusts'),
			testDistanceM: opt(v, 'testDistance'),
			tests: {
				benchArmed: word(v, 'benchArmed'),
				benchDisarmed: word(v, 'benchDisarmed'),
				radioOffInAir: word(v, 'radioOffInAir'),
				switchInAir: word(v, 'switchInAir'),
				sinceChange: word(v, 'sinceChange'),
			},
		});
		const answer = await run('audit', request, context);
		const count = (level: string) => answer.reasons.filter((r) => r.level === level).length;
		return {
			headline: headlineOf(answer, 'Every rule is met'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'Rules that stop', value: count('fail'), unit: `of ${answer.rules}`, digits: 0 },
				{ label: 'Rules to mind', value: count('caution'), unit: '', digits: 0 },
				{ label: 'Rules met', value: count('pass'), unit: '', digits: 0 },
			],
			plots: [],
			tables: [
				{
					title: 'Rule by rule',
					columns: ['what was found', 'next'],
					rows: answer.reasons.map((r) => [r.text, r.next ?? '–']),
				},
			],
			answer,
		};
	},
};
