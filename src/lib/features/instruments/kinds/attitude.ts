import { DEG } from '$lib/core/frames/angles';
import { InputError } from '$lib/core/frames/inputError';
import { IDENTITY, multiply, type Mat3 } from '$lib/core/frames/mat3';
import { seededRng } from '$lib/core/frames/random';
import { aboutAxis, fromYawPitchRoll, rotationX, rotationZ } from '$lib/core/frames/rotation';
import type { Vec3 } from '$lib/core/frames/vec3';
import { GESTURES, HALF_TURN } from '$lib/core/guide/holds';
import { gesturesOf } from '$lib/core/inertial/gestures';
import { rateOf } from '$lib/core/inertial/poses';
import { changeMounting } from '$lib/core/inertial/mountingChange';
import { ACCEL_LOG, HOVER_ROLES, MOTION_LOG } from '$lib/core/record/logRoles';
import { recordGestures, recordLegs, standing } from '$lib/rig/inertial';
import { run } from '$lib/workers/core';
import { headlineOf, num, type Instrument, type NumberField, type Values } from '../instrument';
import { accelFile, csvFile, has, points, series, taken } from '../make';

/** Attitudes wanted: a wing flies nose-up by its own figure. */
const WANTED: readonly NumberField[] = [
	{
		kind: 'number',
		id: 'wantedRoll',
		label: 'Roll wanted',
		unit: '°',
		min: -20,
		max: 20,
		start: 0,
		usual: true,
		note: 'level, for most',
	},
	{
		kind: 'number',
		id: 'wantedPitch',
		label: 'Pitch wanted, nose-up',
		unit: '°',
		min: -20,
		max: 20,
		start: 0,
		usual: true,
		note: 'a wing: its flying attitude',
	},
];
const wantedOf = (values: Values) => ({
	rollDeg: num(values, 'wantedRoll', 'Roll wanted'),
	pitchDeg: num(values, 'wantedPitch', 'Pitch wanted'),
});

const onSurface = (surfaceDeg: number, rollDeg: number, pitchDeg: number) => {
	const surface = aboutAxis([0.6, 0.8, 0], surfaceDeg * DEG);
	const askew = fromYawPitchRoll(0, pitchDeg * DEG, rollDeg * DEG);
	return [0, Math.PI].map((turn) => multiply(multiply(surface, rotationZ(turn)), askew));
};
const levelLog =
	(name: string, surfaceDeg: number, rollDeg: number, pitchDeg: number, once = false) =>
	(seed: number) =>
		accelFile(name, standing(onSurface(surfaceDeg, rollDeg, pitchDeg).slice(0, once ? 1 : 2), seededRng(seed)));

const level: Instrument = {
	id: 'level',
	title: 'Level trim',
	group: 'Sensors',
	does: 'What level reads, with the surface’s own tilt taken out by turning the aircraft half round.',
	calls: 'level trim horizon creep lean drift half turn surface wing nose-up attitude offset bubble',
	opening: 'Stand it on a firm surface, read, turn it half round on the spot, read again',
	caution: 'A wing flies a little nose-up: enter its own flying attitude, from its sheet.',
	method: [
		'Measured twice on one surface, turned by half a turn: the sum of both directions of gravity lies along the surface’s normal as the aircraft feels it, whatever the tilt; half the angle between them is the tilt.',
		'roll = atan2(−f_y, −f_z), pitch = asin(f_x/g). One degree pushes sideways with 0.17 m/s²: two metres after five seconds where nothing corrects it.',
	],
	sensor: 'level',
	fields: WANTED,
	coach: { plan: () => HALF_TURN, faults: ['accelOff'] },
	file: {
		kind: 'table',
		hint: 'CSV with time and three accelerometer axes: stand, turn half round on the spot, stand again. Both stands are found, better still with gyro axes beside them.',
		roles: MOTION_LOG,
		complete: has(['t', 'ax', 'ay', 'az']),
	},
	samples: [
		{
			id: 'good',
			label: 'Dunlin: level is right, the bench is not',
			file: levelLog('dunlin-level.csv', 1.4, 0.1, -0.2),
		},
		{
			id: 'off',
			label: 'Curlew leans right and noses down',
			bad: true,
			file: levelLog('curlew-level.csv', 0.8, 1.2, -0.9),
		},
		{
			id: 'wing',
			label: 'Avocet: four degrees nose-up, as it flies',
			values: { wantedRoll: 0, wantedPitch: 4 },
			file: levelLog('avocet-level.csv', 0.6, 0.1, 4.1),
		},
		{
			id: 'once',
			label: 'Measured once only',
			bad: true,
			file: levelLog('dunlin-level-once.csv', 1.4, 0.1, -0.2, true),
		},
	],
	async work(input, context) {
		const c = taken(input);
		const gyro = c.gx && c.gy && c.gz ? series(c, 'g') : undefined;
		const windows = await run('still', { ...series(c, 'a'), rate: rateOf({ t: c.t }, gyro) }, context);
		const stands = windows.filter(({ mean }) => mean[2] < 0);
		if (stands.length === 0)
			throw new InputError('no-stand', 'file', 'No stretch of a second at rest on the belly was found in this log.');
		const [first] = stands;
		const second = stands.length > 1 ? stands[stands.length - 1] : null;
		const wanted = wantedOf(input.values);
		const sigmaMps2 = Math.max(
			...stands.map(({ stillnessMps2, samples }) => stillnessMps2 / Math.sqrt(Math.min(samples, 50))),
		);
		const answer = await run(
			'level',
			{ first: [...first.mean], second: second ? [...second.mean] : null, wanted, sigmaMps2 },
			context,
		);
		const { trim } = answer;
		return {
			headline: headlineOf(answer, 'It reads level as wanted'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'Roll to trim, right positive', value: trim?.rollDeg ?? null, unit: '°', sigma: answer.sigmaDeg },
				{ label: 'Pitch to trim, nose-up positive', value: trim?.pitchDeg ?? null, unit: '°', sigma: answer.sigmaDeg },
				{
					label: 'Tilt of the surface',
					value: answer.surfaceTiltDeg,
					unit: '°',
					digits: 1,
					note:
						answer.surfaceTowardDeg === null ? '' : `falls toward ${answer.surfaceTowardDeg.toFixed(0)}° from the nose`,
				},
				{ label: 'Untrimmed it would push', value: answer.driftMps2, unit: 'm/s²' },
				{ label: 'and after 5 s be away', value: answer.driftAfter5sM, unit: 'm', quantity: 'height', digits: 1 },
			],
			plots: [
				{
					kind: 'lines',
					title: `${stands.length} stands were found`,
					xLabel: 'time, s',
					yLabel: 'm/s²',
					lines: (['x', 'y'] as const).map((k) => ({ label: k, points: points(c.t, c[`a${k}`]) })),
					marks: [
						{ x: (first.tStart + first.tEnd) / 2, label: 'first' },
						...(second ? [{ x: (second.tStart + second.tEnd) / 2, label: 'turned' }] : []),
					],
				},
			],
			tables: [],
			answer,
		};
	},
};

const gestureLog =
	(name: string, mounting: Mat3, nose = 45, right = 45) =>
	(seed: number) =>
		accelFile(name, recordGestures(mounting, nose, right, seededRng(seed)));
const QUARTER = rotationZ(Math.PI / 2);

const mounting: Instrument = {
	id: 'mounting',
	title: 'Board mounting',
	group: 'Sensors',
	does: 'How the board sits, from three gestures: which axes are exchanged or reversed.',
	calls: 'board orientation mounting rotation rotated upside down exchanged axes flip arrow yaw 90 180',
	opening: 'Hold it level, then nose up, then right side down, still each time',
	caution: 'Propellers off. After a firmware change always look again: it may have forgotten the mounting.',
	method: [
		'z from level, x from the change when the nose is lifted, y = z × x; the nearest of the 24 right-angle rotations, the runner-up beside it. The right-down gesture must agree.',
	],
	sensor: 'mounting',
	fields: [
		{
			kind: 'choice',
			id: 'axes',
			label: 'The axes of the log are',
			options: [
				{ value: 'raw', label: 'The sensor’s own' },
				{ value: 'shown', label: 'As the aircraft shows them' },
			],
			start: 'raw',
			usual: true,
		},
		...(['Yaw', 'Pitch', 'Roll'] as const).map((name): NumberField => ({
			kind: 'number',
			id: `now${name}`,
			label: `Setting now: ${name.toLowerCase()}`,
			unit: '°',
			min: -360,
			max: 360,
			start: 0,
			usual: true,
			note: 'nought unless it was set',
		})),
	],
	coach: { plan: () => GESTURES, faults: ['boardTurned'] },
	file: {
		kind: 'table',
		hint: 'CSV with time and three accelerometer axes in the sensor’s own axes: level, nose up by 30 to 90°, right side down by 30 to 90°, still for two seconds each.',
		roles: ACCEL_LOG,
		complete: has(['t', 'ax', 'ay', 'az']),
	},
	samples: [
		{ id: 'good', label: 'Mounted straight', file: gestureLog('dunlin-mounting.csv', IDENTITY) },
		{ id: 'turned', label: 'Turned by a quarter, found', file: gestureLog('curlew-mounting.csv', QUARTER) },
		{
			id: 'flipped',
			label: 'Upside down and turned',
			file: gestureLog('avocet-mounting.csv', multiply(QUARTER, rotationX(Math.PI))),
		},
		{
			id: 'small',
			label: 'The nose was hardly lifted',
			bad: true,
			file: gestureLog('dunlin-mounting-small.csv', IDENTITY, 8),
		},
		{
			id: 'wrong',
			label: 'Left side down instead of right',
			bad: true,
			file: gestureLog('dunlin-mounting-left.csv', IDENTITY, 45, -45),
		},
	],
	async work(input, context) {
		const c = taken(input);
		const windows = await run('still', series(c, 'a'), context);
		const gestures = gesturesOf(windows);
		if (!gestures)
			throw new InputError(
				'gestures',
				'file',
				`Three still gestures are needed, ${windows.length} were found: level, nose up, right side down.`,
			);
		const [a, b, d] = gestures;
		const accel = (v: Vec3) => ({ accel: [...v] as [number, number, number] });
		const answer = await run(
			'mounting',
			{ gestures: { level: accel(a.mean), noseUp: accel(b.mean), rightDown: accel(d.mean) } },
			context,
		);
		const now = {
			yawDeg: num(input.values, 'nowYaw', 'Setting now: yaw'),
			pitchDeg: num(input.values, 'nowPitch', 'Setting now: pitch'),
			rollDeg: num(input.values, 'nowRoll', 'Setting now: roll'),
		};
		const change = answer.rotation && changeMounting(answer.rotation, now, input.values.axes === 'shown');
		return {
			headline: headlineOf(answer, change?.words ?? answer.steps),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'Yaw to enter', value: change?.wanted.yawDeg ?? null, unit: '°', digits: 0 },
				{ label: 'Pitch to enter', value: change?.wanted.pitchDeg ?? null, unit: '°', digits: 0 },
				{ label: 'Roll to enter', value: change?.wanted.rollDeg ?? null, unit: '°', digits: 0 },
				{
					label: 'Gestures off by',
					value: answer.agreementDeg,
					unit: '°',
					digits: 0,
					note: `next mounting ${answer.runnerUpDeg?.toFixed(0) ?? '–'}° off`,
				},
			],
			plots: [],
			tables: answer.rotation
				? [
						{
							title: 'Rotation from the axes of the log into the aircraft’s, R = Rz·Ry·Rx',
							columns: ['', 'sensor x', 'sensor y', 'sensor z'],
							rows: ['forward', 'right', 'down'].map((name, i) => [name, ...(answer.rotation?.[i] ?? [])]),
						},
					]
				: [],
			answer,
		};
	},
};

const legs =
	(name: string, pitchDeg: number, rollDeg: number, more: { legS?: number; gustDeg?: number } = {}) =>
	(seed: number) => {
		const { t, roll, pitch, height, heading } = recordLegs(
			{ pitchDeg, rollDeg, legS: 14, gustDeg: 0.7, ...more },
			seededRng(seed),
		);
		return csvFile(name, {
			't [s]': t,
			'roll [deg]': roll,
			'pitch [deg]': pitch,
			'height [m]': height,
			'heading [deg]': heading,
		});
	};

const levelFlight: Instrument = {
	id: 'level-flight',
	title: 'Level from a flight',
	group: 'Sensors',
	does: 'What straight and level flight shows, beside what it should: the correction of a wing’s bench guess.',
	calls: 'wing level trim correction after flight climbs when level held nose-up offset attitude legs',
	opening: 'Bring the log of a flight with straight legs at one height',
	caution: 'The bench guess comes first, and a small one. A wing that climbs when level is held has it too high.',
	method: [
		'Pieces of two seconds without climb or turn are straight and level; the median of their attitude is what level shows. What is wanted less that is the correction. ± from the spread between pieces, gusts included.',
	],
	sensor: 'level',
	fields: WANTED,
	file: {
		kind: 'table',
		hint: 'CSV with time, roll, pitch and height; heading beside them tells turns from legs.',
		roles: HOVER_ROLES,
		complete: has(['t', 'roll', 'pitch', 'up']),
	},
	samples: [
		{
			id: 'good',
			label: 'Avocet: flies four degrees nose-up, as wanted',
			values: { wantedRoll: 0, wantedPitch: 4 },
			file: legs('avocet-legs.csv', 4.1, 0.1),
		},
		{
			id: 'climbs',
			label: 'Avocet climbed when level was held',
			values: { wantedRoll: 0, wantedPitch: 4 },
			file: legs('avocet-legs-high.csv', 1.6, -0.6),
		},
		{
			id: 'short',
			label: 'Turns and climbs only',
			bad: true,
			values: { wantedRoll: 0, wantedPitch: 4 },
			file: legs('avocet-turns.csv', 4, 0, { legS: 3 }),
		},
	],
	async work(input, context) {
		const c = taken(input);
		const log = { t: c.t, rollDeg: c.roll, pitchDeg: c.pitch, heightM: c.up, headingDeg: c.heading };
		const answer = await run('levelFlight', { log, wanted: wantedOf(input.values) }, context);
		const { correction, sigmaDeg, shown } = answer;
		return {
			headline: headlineOf(answer, 'Straight and level reads as wanted'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Add to pitch',
					value: correction?.pitchDeg ?? null,
					unit: '°',
					digits: 2,
					sigma: sigmaDeg?.pitchDeg ?? null,
				},
				{
					label: 'Add to roll',
					value: correction?.rollDeg ?? null,
					unit: '°',
					digits: 2,
					sigma: sigmaDeg?.rollDeg ?? null,
				},
				{ label: 'Pitch shown', value: shown?.pitchDeg ?? null, unit: '°', digits: 1 },
				{ label: 'Straight and level', value: answer.levelS, unit: 's', digits: 0 },
			],
			plots: [
				{
					kind: 'lines',
					title: `${answer.stretches.length} straight, level stretches were found`,
					xLabel: 'time, s',
					yLabel: '°',
					lines: [
						{ label: 'pitch', points: points(c.t, c.pitch) },
						{ label: 'roll', points: points(c.t, c.roll) },
					],
					marks: answer.stretches.slice(0, 8).map(({ fromS, toS }) => ({ x: (fromS + toS) / 2, label: 'level' })),
				},
			],
			tables: [],
			answer,
		};
	},
};

/** What the aircraft takes for level and for forward. */
export const ATTITUDE: readonly Instrument[] = [level, levelFlight, mounting];
