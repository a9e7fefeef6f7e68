import { run } from '$lib/workers/core';
import { number, metres, speed, choice } from '../fields';
import { headlineOf, num, opt, word, type Field, type Instrument, type Values } from '../instrument';

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

export const turnedHovers: Instrument = {
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
	fields: [
		...drift(1, 60, 0.9, 95),
		...drift(2, 240, 0.5, 40),
		{ ...speed('sigma', 'Drifts known to about', 0.08, 5), usual: true, note: 'usual for a track of a minute' },
	],
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

export const straightLeg: Instrument = {
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
