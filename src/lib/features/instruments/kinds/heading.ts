import { compassLimits } from '$lib/core/compass/limits';
import { fieldAt } from '$lib/core/earth/field';
import { InputError } from '$lib/core/frames/inputError';
import { judge, reason } from '$lib/core/frames/reasons';
import { changeMounting, moduleMounting } from '$lib/core/inertial/mountingChange';
import { run } from '$lib/workers/core';
import { headlineOf, num, rows, word, type Instrument, type NumberField } from '../instrument';

const angle = (id: string, label: string, note = ''): NumberField => ({
	kind: 'number',
	id,
	label,
	unit: '°',
	min: -360,
	max: 360,
	start: 0,
	...(note ? { note } : {}),
});

const headingCheck: Instrument = {
	id: 'heading-check',
	title: 'Heading check',
	group: 'Compass',
	does: 'Headings shown against bearings that you know: mounting, declination or the compass itself.',
	calls: 'heading check known bearing landmark compass direction north map nose points declination wrong quarter',
	opening: 'Point the nose along a bearing that you know, and read what it shows',
	caution: 'Propellers off. Stand away from cars and fences: they turn this check, too.',
	method: [
		'Shown less known, both from true north. Alike at every heading: the mounting (right angles), or the declination of this place left out or applied twice. Changing with the heading: the compass.',
		'A bearing is known from a map: from where you stand to a mast, a church, the end of a straight road. By eye the nose is pointed right to two or three degrees.',
	],
	needsSite: true,
	fields: [
		{
			kind: 'choice',
			id: 'north',
			label: 'Your bearings are from',
			options: [
				{ value: 'true', label: 'True north (a map)' },
				{ value: 'magnetic', label: 'Magnetic north (a hand compass)' },
			],
			start: 'true',
			usual: true,
		},
		{
			kind: 'rows',
			id: 'pairs',
			label: 'Directions',
			one: 'a direction',
			of: [angle('known', 'Bearing known'), angle('shown', 'Heading shown')],
			start: [
				{ known: 0, shown: 0 },
				{ known: 120, shown: 120 },
				{ known: 240, shown: 240 },
			],
		},
	],
	samples: [
		{
			id: 'good',
			label: 'Dunlin: right all round',
			values: {
				north: 'true',
				pairs: [
					{ known: 14, shown: 15 },
					{ known: 131, shown: 129 },
					{ known: 252, shown: 254 },
				],
			},
		},
		{
			id: 'half',
			label: 'Curlew: the arrow points to the tail',
			bad: true,
			values: {
				north: 'true',
				pairs: [
					{ known: 14, shown: 196 },
					{ known: 131, shown: 309 },
					{ known: 252, shown: 73 },
				],
			},
		},
		{
			id: 'bent',
			label: 'Right one way, wrong across',
			bad: true,
			values: {
				north: 'true',
				pairs: [
					{ known: 14, shown: 16 },
					{ known: 104, shown: 121 },
					{ known: 284, shown: 268 },
				],
			},
		},
	],
	async work(input, context) {
		if (!input.site) throw new InputError('missing', 'site', 'Site: enter one, the bearing of north depends on it.');
		const { declinationDeg } = fieldAt(input.site.latDeg, input.site.lonDeg, input.site.altM, input.date);
		const magnetic = word(input.values, 'north') === 'magnetic';
		const pairs = rows(input.values, 'pairs').map((row) => ({
			knownDeg: num(row, 'known', 'Bearing known') + (magnetic ? declinationDeg : 0),
			shownDeg: num(row, 'shown', 'Heading shown'),
		}));
		const answer = await run('headings', { pairs, declinationDeg }, context);
		return {
			headline: headlineOf(answer, 'The heading agrees with the bearings that you know'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Worst difference',
					value: answer.worstDeg,
					unit: '°',
					digits: 0,
					note: `limit ${compassLimits.headingShownDeg.value}`,
				},
				{ label: 'Alike at every heading', value: answer.constantDeg, unit: '°', digits: 0 },
				{ label: 'Changing with it', value: answer.varyingDeg, unit: '°', digits: 0 },
				{ label: 'Declination here', value: declinationDeg, unit: '°', digits: 1 },
			],
			plots: [
				{
					kind: 'bars',
					title: 'Shown less known, by direction',
					unit: '°',
					digits: 0,
					bars: pairs.map(({ knownDeg }, k) => ({ label: `${knownDeg.toFixed(0)}°`, value: answer.errorsDeg[k] })),
				},
			],
			tables: [
				{
					title: 'Directions, from true north',
					columns: ['known, °', 'shown, °', 'difference, °'],
					rows: pairs.map(({ knownDeg, shownDeg }, k) => [knownDeg, shownDeg, answer.errorsDeg[k]]),
				},
			],
			answer,
		};
	},
};

const compassModule: Instrument = {
	id: 'compass-module',
	title: 'Compass mounting',
	group: 'Compass',
	does: 'The setting for a compass module, from where its arrow points, whether it is flipped, and how it is tilted.',
	calls: 'compass module orientation arrow flipped upside down tilted mast gps rotation setting yaw roll pitch',
	opening: 'Look where the arrow on the compass points, and how the case sits',
	caution: 'Flat is better than tilted: three angles can be entered in the wrong order.',
	method: [
		'The case’s arrow is its x axis, its underside z. Flipped is half a turn about the arrow. R = Rz(yaw)·Ry(pitch)·Rx(roll): tilt about the arrow, then across it, then the turn about the vertical.',
		'Turning the compass with a gyro beside it ranks all 24 right-angle mountings by dm/dt = −ω × m: “Compass” tells which it found. Then check the heading against a bearing that you know.',
	],
	fields: [
		angle('arrow', 'The arrow points, from the nose', 'clockwise from above: right 90, tail 180'),
		{
			kind: 'choice',
			id: 'flipped',
			label: 'The sensor in its case is',
			options: [
				{ value: 'no', label: 'Upright' },
				{ value: 'yes', label: 'Upside down (flipped)' },
			],
			start: 'no',
		},
		{ ...angle('up', 'The arrow’s end is up by', 'nought where it lies flat'), usual: true },
		{ ...angle('right', 'Its right side is down by', 'nought where it lies flat'), usual: true },
		{ ...angle('nowYaw', 'Setting now: yaw', 'nought unless it was set'), usual: true },
		{ ...angle('nowPitch', 'Setting now: pitch', 'nought unless it was set'), usual: true },
		{ ...angle('nowRoll', 'Setting now: roll', 'nought unless it was set'), usual: true },
	],
	samples: [
		{
			id: 'good',
			label: 'Dunlin: arrow forward, upright, set so',
			values: { arrow: 0, flipped: 'no', up: 0, right: 0, nowYaw: 0, nowPitch: 0, nowRoll: 0 },
		},
		{
			id: 'tail',
			label: 'Arrow to the tail, flipped; the setting is at nought',
			bad: true,
			values: { arrow: 180, flipped: 'yes', up: 0, right: 0, nowYaw: 0, nowPitch: 0, nowRoll: 0 },
		},
		{
			id: 'mast',
			label: 'On a mast, twenty degrees up, set flat',
			bad: true,
			values: { arrow: 90, flipped: 'no', up: 20, right: 0, nowYaw: 90, nowPitch: 0, nowRoll: 0 },
		},
	],
	// The answer is a few sines: a worker would only take longer.
	async work({ values }) {
		const module = {
			arrowDeg: num(values, 'arrow', 'The arrow points'),
			flipped: word(values, 'flipped') === 'yes',
			tiltUpDeg: num(values, 'up', 'The arrow’s end is up by'),
			tiltRightDeg: num(values, 'right', 'Its right side is down by'),
		};
		const { rotation } = moduleMounting(module);
		const change = changeMounting(
			rotation,
			{
				yawDeg: num(values, 'nowYaw', 'Setting now: yaw'),
				pitchDeg: num(values, 'nowPitch', 'Setting now: pitch'),
				rollDeg: num(values, 'nowRoll', 'Setting now: roll'),
			},
			false,
		);
		const tilted = module.tiltUpDeg !== 0 || module.tiltRightDeg !== 0;
		const judged = judge([
			change.right
				? reason('pass', 'setting-right', 'The setting is how it is mounted.')
				: reason(
						'fail',
						'setting-wrong',
						change.words,
						undefined,
						undefined,
						'Enter it, restart, and check the heading against a bearing that you know.',
					),
			...(tilted
				? [
						reason(
							'caution' as const,
							'mounted-tilted',
							'It is mounted tilted: the order of the angles counts, and not every setting takes them.',
							undefined,
							undefined,
							'Mount it flat where that is possible.',
						),
					]
				: []),
		]);
		return {
			headline: change.words,
			...judged,
			figures: [
				{ label: 'Yaw to enter', value: change.wanted.yawDeg, unit: '°', digits: 0 },
				{ label: 'Pitch to enter', value: change.wanted.pitchDeg, unit: '°', digits: 0 },
				{ label: 'Roll to enter', value: change.wanted.rollDeg, unit: '°', digits: 0 },
			],
			plots: [],
			tables: [
				{
					title: 'Rotation from the compass’s axes into the aircraft’s',
					columns: ['', 'compass x', 'compass y', 'compass z'],
					rows: ['forward', 'right', 'down'].map((name, i) => [
						name,
						...rotation[i].map((v) => Math.round(v * 1e4) / 1e4),
					]),
				},
			],
			answer: { ...change, module },
		};
	},
};

export const HEADING: readonly Instrument[] = [headingCheck, compassModule];
