import { rigReceiverLog } from '$lib/rig/receiverLog';
import { FAULT_WORDS, nextWords, type CheckCode } from '$lib/core/propulsion/words';
import { auditRequestSchema } from '$lib/schema/audit';
import { responseRequestSchema } from '$lib/schema/response';
import { returnRequestSchema } from '$lib/schema/return';
import { run } from '$lib/workers/core';
import { readText } from '$lib/sources/readFile';
import { checked } from '../check';
import {
	headlineOf,
	num,
	opt,
	rows,
	word,
	type Field,
	type Instrument,
	type NumberField,
	type Values,
} from '../instrument';
import { textFile } from '../make';
import { fileOf } from './compass';

const number = (
	id: string,
	label: string,
	unit: string,
	start: number | null,
	more: Partial<NumberField> = {},
): NumberField => ({ kind: 'number', id, label, unit, start, ...more });
const metres = (id: string, label: string, start: number, max = 1000): NumberField =>
	number(id, label, 'm', start, { quantity: 'height', min: 0, max });
const speed = (id: string, label: string, start: number, max = 100): NumberField =>
	number(id, label, 'm/s', start, { quantity: 'speed', min: 0, max });
const choice = (id: string, label: string, options: Record<string, string>, start: string): Field => ({
	kind: 'choice',
	id,
	label,
	options: Object.entries(options).map(([value, l]) => ({ value, label: l })),
	start,
});

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

const wayHome: Instrument = {
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

const settings: Instrument = {
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
	sensor: 'link-loss',
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

const OUTCOMES = {
	'as-commanded': 'as commanded',
	opposite: 'the other way',
	'swapped-axis': 'on another axis',
	none: 'nothing',
	squats: 'squats and revs',
	flips: 'flips or hops',
	spins: 'spins',
	'not-tried': 'not tried',
};
const OBSERVED = {
	rollRight: 'Stick right: it',
	pitchForward: 'Stick forward: it',
	yawRight: 'Yaw right: it',
	throttle: 'A little throttle: it',
};

const COUNTED = {
	'not-done': 'not checked yet',
	right: 'all right',
	'one-wrong': 'one wrong',
	'some-wrong': 'some wrong',
	wrong: 'all wrong',
};
const SINGLE = { 'not-done': 'not checked yet', right: 'right', wrong: 'wrong' };
/** Propellers off or power off; by the codes of the checks. */
const CHECKED: readonly (readonly [CheckCode, string, Record<string, string>])[] = [
	['spin-check', 'Propellers off, one motor at a time: turning', COUNTED],
	['motor-order-check', 'Propellers off, one output at a time: the arm that answers', COUNTED],
	['prop-inspection', 'Power off: hand and side up of the propellers', COUNTED],
	['tilt-check', 'Tilted and turned by hand: the attitude shown', SINGLE],
	['rc-monitor', 'Sticks moved: the channels that answer', SINGLE],
	['mode-check', 'The mode that is switched on', SINGLE],
];

const response: Instrument = {
	id: 'ground-response',
	title: 'Ground response',
	group: 'Position and flight',
	does: 'The fault behind a wrong tilt on the ground, ranked, and the one check that tells most.',
	calls: 'motor order direction propeller prop flip wrong way yaw spins squats ground nudge response diagnose',
	opening: 'Nudge each stick on the ground and enter what the aircraft did',
	caution:
		'Three metres away, tail toward you, nobody else near. At the first wrong sign: throttle down, disarm, disconnect. Never add throttle.',
	method: [
		'Every single fault and the plausible pairs of this layout are flown in a small model of the controller and compared with what was seen; the posterior ranks them, and the next check is the one expected to tell most (bits). What a check showed narrows the ranking further.',
	],
	fields: [
		choice(
			'layout',
			'Layout',
			{
				'quad-x': 'four, X',
				'quad-plus': 'four, +',
				'hex-x': 'six, X',
				'hex-plus': 'six, +',
				'octo-x': 'eight, X',
				y6: 'six on three arms',
			},
			'quad-x',
		),
		choice(
			'spin',
			'The front propellers turn',
			{ 'front-inward': 'inward', 'front-outward': 'outward' },
			'front-inward',
		),
		...Object.entries(OBSERVED).map(([id, label]) => choice(id, label, OUTCOMES, 'not-tried')),
		...CHECKED.map(([id, label, outcomes]) => choice(id, label, outcomes, 'not-done')),
	],
	samples: [
		{
			id: 'good',
			label: 'Everything as commanded',
			values: {
				rollRight: 'as-commanded',
				pitchForward: 'as-commanded',
				yawRight: 'as-commanded',
				throttle: 'as-commanded',
			},
		},
		{
			id: 'board',
			label: 'Roll and pitch come out on each other',
			bad: true,
			values: { rollRight: 'swapped-axis', pitchForward: 'swapped-axis', yawRight: 'as-commanded', throttle: 'flips' },
		},
		{
			id: 'yaw',
			label: 'Roll and pitch right, yaw the other way',
			bad: true,
			values: {
				rollRight: 'as-commanded',
				pitchForward: 'as-commanded',
				yawRight: 'opposite',
				throttle: 'as-commanded',
			},
		},
		{
			id: 'checked',
			label: 'It flips; the motors turn right, one propeller does not fit',
			bad: true,
			values: {
				rollRight: 'as-commanded',
				pitchForward: 'as-commanded',
				yawRight: 'as-commanded',
				throttle: 'flips',
				'spin-check': 'right',
				'prop-inspection': 'one-wrong',
			},
		},
		{ id: 'flips', label: 'It flips at a little throttle', bad: true, values: { throttle: 'flips' } },
	],
	async work({ values: v }, context) {
		const request = checked(responseRequestSchema, {
			layout: word(v, 'layout'),
			spin: word(v, 'spin'),
			observed: Object.fromEntries(Object.keys(OBSERVED).map((id) => [id, word(v, id)])),
			checks: Object.fromEntries(CHECKED.map(([id]) => [id, word(v, id)])),
		});
		const answer = await run('response', request, context);
		const [first] = answer.ranked;
		return {
			headline: headlineOf(answer, 'It answers as it should'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: `Most likely: ${FAULT_WORDS(first.fault)}`,
					value: 100 * first.probability,
					unit: '%',
					digits: 0,
					note: first.motors.length > 1 ? `any of ${first.motors.join(', ')}` : first.motors.join(''),
				},
				{
					label: 'The next check tells',
					value: answer.nextTest.gainBits,
					unit: 'bits',
					note: nextWords(answer.nextTest.code),
				},
			],
			plots: [
				{
					kind: 'bars',
					title: 'What it may be',
					unit: '%',
					digits: 0,
					bars: answer.ranked.slice(0, 6).map((r) => ({
						label: `${FAULT_WORDS(r.fault)}${r.motors.length > 0 ? ` (${r.motors.join(', ')})` : ''}`,
						value: 100 * r.probability,
					})),
				},
			],
			tables: [
				{
					title: 'What shows it',
					columns: ['it may be', '%', 'where to look'],
					rows: answer.ranked
						.slice(0, 6)
						.map((r) => [FAULT_WORDS(r.fault), Math.round(100 * r.probability), nextWords(r.check)]),
				},
			],
			answer,
		};
	},
};

const drift = (n: 1 | 2, heading: number, speedMps: number, toward: number): Field[] => [
	number(`heading${n}`, `Hover ${n}: nose toward`, '°', heading, { min: 0, max: 360 }),
	speed(`speed${n}`, `Hover ${n}: drifted at`, speedMps),
	number(`toward${n}`, `Hover ${n}: drifted toward`, '°', toward, { min: 0, max: 360 }),
];
const drifting = (v: Values, n: 1 | 2) => {
	const toward = (num(v, `toward${n}`, 'drifted toward') * Math.PI) / 180;
	const mps = num(v, `speed${n}`, 'drifted at');
	return {
		headingDeg: num(v, `heading${n}`, 'nose toward'),
		northMps: mps * Math.cos(toward),
		eastMps: mps * Math.sin(toward),
		sigmaMps: num(v, 'sigma', 'Known to'),
	};
};

const turnedHovers: Instrument = {
	id: 'turned-hovers',
	title: 'Hover, turned half round',
	group: 'Position and flight',
	does: 'Wind and level trim told apart by a hover repeated with the nose the other way.',
	calls: 'drift lean wind trim level creep hover repeat half turn',
	opening: 'Hover hands off without position hold, twice, the second time turned half round',
	caution: 'Outdoors, room on the lee side, hands at the sticks: without position hold it drifts.',
	method: [
		'Drift = wind + trim turned with the nose; two headings give both. Trim in degrees by drag 0.28 /s (0.2 to 0.38 is its uncertainty): tan(trim) = drift·drag/g.',
	],
	fields: [...drift(1, 60, 0.9, 95), ...drift(2, 240, 0.5, 40), speed('sigma', 'Drifts known to about', 0.08, 5)],
	samples: [
		{
			id: 'wind',
			label: 'Only the wind',
			values: { heading1: 60, speed1: 0.8, toward1: 70, heading2: 240, speed2: 0.82, toward2: 68, sigma: 0.08 },
		},
		{
			id: 'trim',
			label: 'It leans to its right',
			bad: true,
			values: { heading1: 0, speed1: 0.9, toward1: 90, heading2: 180, speed2: 0.7, toward2: 270, sigma: 0.08 },
		},
		{
			id: 'small',
			label: 'Hardly turned',
			bad: true,
			values: { heading1: 0, speed1: 0.9, toward1: 90, heading2: 30, speed2: 0.9, toward2: 95, sigma: 0.08 },
		},
	],
	async work({ values: v }, context) {
		const answer = await run('twoHovers', { first: drifting(v, 1), second: drifting(v, 2) }, context);
		return {
			headline: headlineOf(answer, answer.reasons[0].text),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Level leans right by',
					value: answer.trim?.rollDeg ?? null,
					unit: '°',
					sigma: answer.trim?.sigmaDeg ?? null,
				},
				{
					label: 'and nose-up by',
					value: answer.trim?.pitchDeg ?? null,
					unit: '°',
					sigma: answer.trim?.sigmaDeg ?? null,
				},
				{
					label: 'Wind',
					value: answer.wind?.speedMps ?? null,
					unit: 'm/s',
					quantity: 'speed',
					digits: 1,
					sigma: answer.wind?.sigmaMps ?? null,
					note: answer.wind ? `from ${answer.wind.fromDeg.toFixed(0)}°` : '',
				},
				{ label: 'Turned by', value: answer.turnedDeg, unit: '°', digits: 0 },
			],
			plots: [],
			tables: [],
			answer,
		};
	},
};

const leg = (v: Values, n: 1 | 2) => {
	const course = (num(v, `course${n}`, 'course over ground') * Math.PI) / 180;
	const mps = num(v, `legSpeed${n}`, 'speed');
	return {
		northMps: mps * Math.cos(course),
		eastMps: mps * Math.sin(course),
		headingDeg: num(v, `legHeading${n}`, 'heading'),
		lengthM: num(v, `length${n}`, 'length'),
		sigmaMps: 0.15,
	};
};
const legFields = (n: 1 | 2, heading: number): Field[] => [
	number(`legHeading${n}`, `Leg ${n}: heading shown`, '°', heading, { min: 0, max: 360 }),
	number(`course${n}`, `Leg ${n}: course over ground`, '°', heading, { min: 0, max: 360 }),
	speed(`legSpeed${n}`, `Leg ${n}: speed over ground`, 4),
	metres(`length${n}`, `Leg ${n}: length`, 12),
];

const straightLeg: Instrument = {
	id: 'straight-leg',
	title: 'Straight leg',
	group: 'Position and flight',
	does: 'The compass error that a hover hides: heading shown against the course flown, nose first.',
	calls: 'heading course compass check straight line veers track known bearing',
	opening: 'Fly straight ahead in self-level, stick forward only, then back the same way',
	caution:
		'Not in position hold: it flies the course it believes and shows nothing. Clear ground ahead, a spotter beside you.',
	method: [
		'Heading less course over ground. Two legs flown opposite ways: the wind falls out of their difference. One alone carries the wind in its uncertainty.',
	],
	fields: [
		...legFields(1, 20),
		choice('back', 'Flown back too', { yes: 'yes', no: 'no' }, 'yes'),
		...legFields(2, 200),
		{ ...speed('wind', 'Wind, where only one leg was flown', 3), optional: true },
	],
	samples: [
		{
			id: 'good',
			label: 'It flies where its nose points',
			values: { legHeading1: 20, course1: 24, legHeading2: 200, course2: 197 },
		},
		{
			id: 'off',
			label: 'The compass reads 30° too far',
			bad: true,
			values: { legHeading1: 50, course1: 22, legHeading2: 230, course2: 198 },
		},
		{
			id: 'one',
			label: 'One leg only, in wind',
			bad: true,
			values: { back: 'no', legHeading1: 20, course1: 28, wind: 4 },
		},
	],
	async work({ values: v }, context) {
		const answer = await run(
			'legs',
			{ out: leg(v, 1), back: word(v, 'back') === 'yes' ? leg(v, 2) : null, windMps: opt(v, 'wind') },
			context,
		);
		return {
			headline: headlineOf(answer, answer.reasons[0].text),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Compass reads too far clockwise by',
					value: answer.compassErrorDeg,
					unit: '°',
					digits: 0,
					sigma: answer.sigmaDeg,
				},
				{ label: 'Course without the wind', value: answer.courseDeg, unit: '°', digits: 0 },
			],
			plots: [],
			tables: [],
			answer,
		};
	},
};

const link: Instrument = {
	id: 'serial-line',
	title: 'Receiver’s line',
	group: 'Position and flight',
	does: 'How full the serial line of a receiver is, and what could be switched off.',
	calls: 'gps serial baud rate NMEA link bandwidth budget receiver slow updates',
	opening: 'Bring half a minute of the receiver’s text and say how fast the line is',
	method: ['Bytes per epoch × 10 bits × rate ÷ baud. Above 70 % is a caution: a fuller sky sends more.'],
	fields: [
		number('baud', 'Line', 'baud', 57_600, { min: 1, max: 1e7 }),
		number('rateHz', 'Rate wanted, where it shall be raised', 'Hz', null, { min: 0.1, max: 100, optional: true }),
	],
	file: { kind: 'text', hint: 'NMEA 0183 text as the receiver sends it.', accept: '.nmea,.txt,.log,.gps,text/plain' },
	live: ['serial'],
	samples: [
		{
			id: 'good',
			label: 'Dunlin at 57 600 baud',
			values: { baud: 57_600 },
			file: (seed) => textFile('dunlin-receiver.nmea', rigReceiverLog(seed, 40)),
		},
		{
			id: 'slow',
			label: 'The same on a line of 9 600 baud',
			bad: true,
			values: { baud: 9600 },
			file: (seed) => textFile('dunlin-receiver.nmea', rigReceiverLog(seed, 40)),
		},
	],
	async work(input, context) {
		const text = await readText(fileOf(input), 'latin1');
		const answer = await run(
			'link',
			{ text, baud: num(input.values, 'baud', 'Line'), rateHz: opt(input.values, 'rateHz') },
			context,
		);
		return {
			headline: headlineOf(answer, 'The line has room to spare'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'The line is full to', value: answer.loadPct, unit: '%', digits: 0, note: 'limit 70' },
				{ label: 'Rate', value: answer.rateHz, unit: 'Hz', digits: 1 },
				{ label: 'Each time it sends', value: answer.bytesPerEpoch, unit: 'bytes', digits: 0 },
			],
			plots: [
				{
					kind: 'bars',
					title: 'What fills the line',
					unit: 'bytes',
					digits: 0,
					bars: answer.types.map((t) => ({ label: t.type, value: t.bytesPerEpoch })),
				},
			],
			tables: [],
			answer,
		};
	},
};

export const FLIGHT: readonly Instrument[] = [wayHome, settings, response, turnedHovers, straightLeg, link];
