import { ACCEL_LOG, GYRO_LOG, PRESSURE_LOG } from '$lib/core/record/columns';
import { InputError } from '$lib/core/frames/inputError';
import { IDENTITY, multiply, type Mat3 } from '$lib/core/frames/mat3';
import { seededRng } from '$lib/core/frames/random';
import { aboutAxis, fromYawPitchRoll, rotationX, rotationZ } from '$lib/core/frames/rotation';
import { DEG } from '$lib/core/frames/angles';
import { STANDARD_GRAVITY_MPS2 } from '$lib/core/earth/gravity';
import type { Vec3 } from '$lib/core/frames/vec3';
import { inertialLimits } from '$lib/core/inertial/limits';
import {
	recordGestures,
	recordGyro,
	recordPoses,
	recordPressure,
	recordShake,
	standing,
	type AccelTruth,
	type Axes,
	type GyroTruth,
	type PressureTruth,
	type ShakeTruth,
} from '$lib/rig/inertial';
import { run } from '$lib/workers/core';
import { headlineOf, num, opt, type Instrument, type Input } from '../instrument';
import { csvFile, has, points } from '../make';
import type { Taken } from '../tableFlow.svelte';

const RAD = 1 / DEG;
const faces = (answer: { poses: { face: string }[] }) => answer.poses.map(({ face }) => face).join(', ');

/** The columns that were read. @throws InputError where nothing was. */
export function taken(input: Input): Taken {
	if (!input.taken) throw new InputError('no-file', 'file', 'Choose a log first.');
	return input.taken;
}

const series = (c: Taken, prefix: string) => ({ t: c.t, x: c[`${prefix}x`], y: c[`${prefix}y`], z: c[`${prefix}z`] });
const accelFile = (name: string, { t, x, y, z }: Axes) =>
	csvFile(name, { 't [s]': t, 'ax [m/s2]': x, 'ay [m/s2]': y, 'az [m/s2]': z });

const BENT: Mat3 = [
	[1.012, 0.003, -0.002],
	[0.003, 0.991, 0.004],
	[-0.002, 0.004, 1.006],
];
const poses = (name: string, more: Partial<AccelTruth>) => (seed: number) =>
	accelFile(
		name,
		recordPoses(
			{
				faces: ['belly', 'back', 'left', 'right', 'nose', 'tail'],
				holdS: 3,
				offsetMps2: [0.22, -0.15, 0.31],
				matrix: BENT,
				noiseMps2: 0.03,
				sloppyDeg: 4,
				...more,
			},
			seededRng(seed),
		),
	);

const sixFaces: Instrument = {
	id: 'six-faces',
	title: 'Six faces',
	group: 'Sensors',
	does: 'Offsets and scales of the accelerometer from poses held still; what they mean for level.',
	calls: 'accelerometer IMU calibration poses level drift faces belly nose tail',
	opening: 'Bring a log of the aircraft held still on its faces',
	caution: 'Propellers off where the motors could start. Hold a large aircraft with two hands: it topples.',
	method: [
		'Still windows of at least a second are found in the stream; a face is the axis within 30° of down. Offsets and scales by weighted least squares of |M(f − o)| − g, a weak prior keeping sane what the poses do not determine.',
		'Six-position test, IEEE Std 1293. Level error: what the raw sensor calls level against what the corrected one does.',
	],
	sensor: 'accelerometer',
	needsSite: true,
	fields: [],
	file: {
		kind: 'table',
		hint: 'CSV with time and three accelerometer axes, in m/s² or g. No marks are needed: the poses are found.',
		roles: ACCEL_LOG,
		complete: has(['t', 'ax', 'ay', 'az']),
	},
	live: ['motion', 'serial'],
	samples: [
		{
			id: 'good',
			label: 'Dunlin on the bench: six faces, offsets that matter',
			file: poses('dunlin-six-faces.csv', {}),
		},
		{
			id: 'five',
			label: 'The back was forgotten',
			bad: true,
			file: poses('dunlin-five-faces.csv', { faces: ['belly', 'left', 'right', 'nose', 'tail'] }),
		},
		{
			id: 'moved',
			label: 'The left side was moved while it was held',
			bad: true,
			file: poses('dunlin-moved.csv', { movedFace: 'left' }),
		},
	],
	async work(input, context) {
		const c = taken(input);
		const accel = series(c, 'a');
		const { latDeg, lonDeg, altM } = input.site;
		const answer = await run(
			'accel',
			{ accel, rawUnit: 'm/s2', site: { latDeg, lonDeg, altM, date: input.date } },
			context,
		);
		const offset = answer.offsetMps2;
		const sigma = answer.uncertainty?.offsetMps2;
		const lines = (['x', 'y', 'z'] as const).map((k) => ({ label: k, points: points(accel.t, accel[k]) }));
		return {
			headline: headlineOf(answer, `Raw level is off by ${answer.levelErrorDeg?.toFixed(1)}°; corrected it is right`),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Raw level is off by',
					value: answer.levelErrorDeg,
					unit: '°',
					digits: 1,
					sigma: sigma ? (Math.max(sigma[0], sigma[1]) / STANDARD_GRAVITY_MPS2) * RAD : null,
				},
				{
					label: 'Misfit of the poses',
					value: answer.residualRmsMps2,
					unit: 'm/s²',
					digits: 3,
					note: `limit ${inertialLimits.residualMps2.value}`,
				},
				{ label: 'Faces held', value: 6 - answer.missingFaces.length, unit: 'of 6', digits: 0, note: faces(answer) },
			],
			plots: [
				{
					kind: 'lines',
					title: answer.poses.length > 0 ? `${answer.poses.length} still poses were found` : 'No still pose was found',
					xLabel: 'time, s',
					yLabel: 'm/s²',
					lines,
					marks: answer.poses.map(({ face, tStart, tEnd }) => ({ x: (tStart + tEnd) / 2, label: face })),
				},
			],
			tables: [
				{
					title: 'Correction: m/s², axes x forward, y right, z down',
					columns: ['axis', 'offset', '± one sigma', 'scale', 'determined'],
					rows: (['x', 'y', 'z'] as const).map((k, i) => [
						k,
						offset?.[i] ?? null,
						sigma?.[i] ?? null,
						answer.matrix?.[i][i] ?? null,
						answer.determined.includes(`offset ${k}`) ? 'yes' : 'no',
					]),
				},
				{
					title: 'Poses found',
					columns: ['face down', 'from, s', 'to, s', 'off its face, °', 'stillness, m/s²'],
					rows: answer.poses.map((p) => [p.face, p.tStart, p.tEnd, p.tiltDeg, p.stillnessMps2]),
				},
			],
			answer,
		};
	},
};

const rest = (name: string, more: Partial<GyroTruth>) => (seed: number) => {
	const { t, x, y, z } = recordGyro(
		{
			forS: 60,
			biasRadps: [0.006, -0.004, 0.002],
			noiseRadps: 0.004,
			walk: 4e-5,
			warmUpRadps: 0,
			knocked: false,
			...more,
		},
		seededRng(seed),
	);
	return csvFile(name, { 't [s]': t, 'gx [rad/s]': x, 'gy [rad/s]': y, 'gz [rad/s]': z });
};

const gyro: Instrument = {
	id: 'gyro',
	title: 'Gyro at rest',
	group: 'Sensors',
	does: 'Bias, noise, how long it stays put, and whether it was moved.',
	calls: 'gyroscope still settle allan deviation bias drift warm-up rate turn',
	opening: 'Bring a log of the aircraft left alone for a minute',
	method: [
		'Mean; overlapping Allan deviation (IEEE Std 952); white noise from its −½ slope, bias instability from its floor ÷ 0.664; moved or not by a robust test of pieces.',
	],
	sensor: 'gyro',
	fields: [],
	file: {
		kind: 'table',
		hint: 'CSV with time and three gyro axes, in rad/s or °/s: half a minute at rest, a minute is better.',
		roles: GYRO_LOG,
		complete: has(['t', 'gx', 'gy', 'gz']),
	},
	live: ['motion', 'serial'],
	samples: [
		{ id: 'good', label: 'Dunlin left alone on the bench', file: rest('dunlin-gyro.csv', {}) },
		{
			id: 'warm',
			label: 'Just switched on: the bias still moves',
			bad: true,
			file: rest('dunlin-gyro-cold.csv', { warmUpRadps: 0.007 }),
		},
		{
			id: 'knocked',
			label: 'Somebody leant on the table',
			bad: true,
			file: rest('dunlin-gyro-knocked.csv', { knocked: true }),
		},
	],
	async work(input, context) {
		const answer = await run('gyro', { gyro: series(taken(input), 'g') }, context);
		const { allan } = answer;
		const worst = (v: readonly number[] | null) => (v ? Math.max(...v.map(Math.abs)) * RAD : null);
		const names = ['x', 'y', 'z'] as const;
		return {
			headline: headlineOf(answer, `At rest it turns by ${worst(answer.biasRadps)?.toFixed(2)} °/s and stays there`),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'Largest bias', value: worst(answer.biasRadps), unit: '°/s', digits: 2 },
				{
					label: 'Bias instability',
					value: answer.biasInstabilityRadps ? (worst(answer.biasInstabilityRadps) ?? 0) * 3600 : null,
					unit: '°/h',
					digits: 1,
				},
				{ label: 'Noise', value: worst(answer.noiseDensityRadpsRtHz), unit: '°/s/√Hz', digits: 3 },
				{
					label: 'Drift over the log',
					value: worst(answer.driftRadps),
					unit: '°/s',
					digits: 3,
					note: `limit ${(inertialLimits.gyroDriftRadps.value * RAD).toFixed(2)}`,
				},
			],
			plots: allan
				? [
						{
							kind: 'lines',
							title: 'Averaged for longer it grows quieter, until its bias wanders',
							xLabel: 'averaged for, s',
							yLabel: 'Allan deviation, °/s',
							log: true,
							lines: names.map((k) => ({ label: k, points: allan.tau.map((x, i) => ({ x, y: allan[k][i] * RAD })) })),
						},
					]
				: [],
			tables: [
				{
					title: 'By axis, °/s',
					columns: ['axis', 'bias', 'noise, °/s/√Hz', 'instability', 'drift'],
					rows: names.map((k, i) => [
						k,
						...[answer.biasRadps, answer.noiseDensityRadpsRtHz, answer.biasInstabilityRadps, answer.driftRadps].map(
							(v) => (v ? v[i] * RAD : null),
						),
					]),
				},
			],
			answer,
		};
	},
};

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
	fields: [
		{ kind: 'number', id: 'wantedRoll', label: 'Roll wanted', unit: '°', min: -20, max: 20, start: 0 },
		{
			kind: 'number',
			id: 'wantedPitch',
			label: 'Pitch wanted, nose-up',
			unit: '°',
			min: -20,
			max: 20,
			start: 0,
			note: 'a wing: its flying attitude',
		},
	],
	file: {
		kind: 'table',
		hint: 'CSV with time and three accelerometer axes: stand, turn half round on the spot, stand again. Both stands are found.',
		roles: ACCEL_LOG,
		complete: has(['t', 'ax', 'ay', 'az']),
	},
	live: ['motion', 'serial'],
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
		const windows = await run('still', series(c, 'a'), context);
		const stands = windows.filter(({ mean }) => mean[2] < 0);
		if (stands.length === 0)
			throw new InputError('no-stand', 'file', 'No stretch of a second at rest on the belly was found in this log.');
		const [first] = stands;
		const second = stands.length > 1 ? stands[stands.length - 1] : null;
		const wanted = {
			rollDeg: num(input.values, 'wantedRoll', 'Roll wanted'),
			pitchDeg: num(input.values, 'wantedPitch', 'Pitch wanted'),
		};
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
	fields: [],
	file: {
		kind: 'table',
		hint: 'CSV with time and three accelerometer axes in the sensor’s own axes: level, nose up by 30 to 90°, right side down by 30 to 90°, still for two seconds each.',
		roles: ACCEL_LOG,
		complete: has(['t', 'ax', 'ay', 'az']),
	},
	live: ['motion', 'serial'],
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
		if (windows.length < 3)
			throw new InputError(
				'gestures',
				'file',
				`Three still gestures are needed, ${windows.length} were found: level, nose up, right side down.`,
			);
		const [a, b, d] = windows;
		const accel = (v: Vec3) => ({ accel: [...v] as [number, number, number] });
		const answer = await run(
			'mounting',
			{ gestures: { level: accel(a.mean), noseUp: accel(b.mean), rightDown: accel(d.mean) } },
			context,
		);
		return {
			headline: headlineOf(answer, answer.steps),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'Yaw', value: answer.yawDeg, unit: '°', digits: 0 },
				{ label: 'Pitch', value: answer.pitchDeg, unit: '°', digits: 0 },
				{ label: 'Roll', value: answer.rollDeg, unit: '°', digits: 0 },
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
							title: 'Rotation from the sensor’s axes into the aircraft’s, R = Rz·Ry·Rx',
							columns: ['', 'sensor x', 'sensor y', 'sensor z'],
							rows: ['forward', 'right', 'down'].map((name, i) => [name, ...(answer.rotation?.[i] ?? [])]),
						},
					]
				: [],
			answer,
		};
	},
};

const shake = (name: string, more: Partial<ShakeTruth>) => (seed: number) =>
	accelFile(
		name,
		recordShake(
			{
				forS: 20,
				rateHz: 500,
				rotorHz: 92,
				blades: 2,
				rotorMps2: 1.2,
				bladeMps2: 0.8,
				noiseMps2: 0.5,
				rangeMps2: 156,
				...more,
			},
			seededRng(seed),
		),
	);

const vibration: Instrument = {
	id: 'vibration',
	title: 'Vibration',
	group: 'Sensors',
	does: 'How much the board shakes, at which rates, and whether the sensor is driven to its end.',
	calls: 'vibration shake spectrum clipping propeller balance motor bearing buzz noise filter peaks',
	opening: 'Bring an accelerometer log of a hover, at 200 Hz or more',
	caution: 'Cracked or loose? Look before the next flight; a buzz that grows means disarm.',
	method: [
		'Welch spectrum: Hann windows, half overlapped. RMS with the mean removed; peaks matched to the rotor’s rate and blade passing; clipped share of samples at the sensor’s end.',
	],
	fields: [
		{
			kind: 'number',
			id: 'rotorHz',
			label: 'Rotor rate in the hover',
			unit: 'Hz',
			min: 1,
			max: 2000,
			optional: true,
			start: null,
			note: 'turns a minute ÷ 60, where known',
		},
	],
	file: {
		kind: 'table',
		hint: 'CSV with time and three accelerometer axes of a hover, 200 Hz or more.',
		roles: ACCEL_LOG,
		complete: has(['t', 'ax', 'ay', 'az']),
	},
	live: ['motion', 'serial'],
	samples: [
		{ id: 'good', label: 'Dunlin hovers smoothly', values: { rotorHz: 92 }, file: shake('dunlin-vibration.csv', {}) },
		{
			id: 'unbalanced',
			label: 'Curlew with a chipped propeller',
			bad: true,
			values: { rotorHz: 92 },
			file: shake('curlew-vibration.csv', { rotorMps2: 12 }),
		},
		{
			id: 'clipped',
			label: 'A loose arm drives the sensor to its end',
			bad: true,
			values: { rotorHz: 92 },
			file: shake('curlew-loose-arm.csv', { rotorMps2: 42, bladeMps2: 15, rangeMps2: 39.2 }),
		},
	],
	async work(input, context) {
		const rotorHz = opt(input.values, 'rotorHz');
		const answer = await run(
			'vibration',
			{ accel: series(taken(input), 'a'), ...(rotorHz === null ? {} : { rotorHz }) },
			context,
		);
		const { spectrum, rms } = answer;
		const most = rms ? Math.max(...rms) : null;
		return {
			headline: headlineOf(answer, `It shakes by ${most?.toFixed(1)} m/s²: the estimates do not suffer`),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Shaking, worst axis',
					value: most,
					unit: 'm/s²',
					digits: 1,
					note: `limit ${inertialLimits.vibrationMps2.value}`,
				},
				{ label: 'Samples at the sensor’s end', value: answer.clippedPct, unit: '%' },
				{ label: 'Sampled at', value: answer.sampleRateHz, unit: 'Hz', digits: 0 },
			],
			plots: spectrum
				? [
						{
							kind: 'lines',
							title: answer.peaks[0]
								? `Most at ${answer.peaks[0].hz.toFixed(0)} Hz: ${answer.peaks[0].likely}`
								: 'No rate stands out',
							xLabel: 'Hz',
							yLabel: 'm/s²',
							lines: (['x', 'y', 'z'] as const).map((k) => ({ label: k, points: points(spectrum.hz, spectrum[k]) })),
							marks: [...new Set(answer.peaks.map(({ hz }) => Math.round(hz)))]
								.slice(0, 3)
								.map((hz) => ({ x: hz, label: `${hz} Hz` })),
						},
					]
				: [],
			tables: [
				{
					title: 'Peaks',
					columns: ['likely', 'Hz', 'm/s²', 'axis'],
					rows: answer.peaks.map((p) => [p.likely, p.hz, p.amplitude, p.axis]),
				},
			],
			answer,
		};
	},
};

const onStand = (name: string, truth: PressureTruth) => (seed: number) => {
	const { t, heightM, throttle } = recordPressure(truth, seededRng(seed));
	return csvFile(name, { 't [s]': t, 'height [m]': heightM, 'throttle [0..1]': throttle });
};

const pressure: Instrument = {
	id: 'pressure',
	title: 'Pressure height',
	group: 'Sensors',
	does: 'Noise, drift, and how far throttle or wind moves the height.',
	calls: 'barometer pressure altitude height foam gust prop wash bobbing altitude hold',
	opening: 'Bring a log of the pressure height of an aircraft that does not move',
	caution: 'With the throttle up: on a proper stand only, by the maker’s rules, nobody near.',
	method: [
		'Noise from successive differences (robust); drift per minute and the effect of throttle or wind by one least-squares fit of both, so that a slow ramp is not taken for drift. Compare before and after a foam cover by “Before and after”.',
	],
	fields: [],
	file: {
		kind: 'table',
		hint: 'CSV with time and pressure height; throttle (0 to 1, or %) or wind beside it tells what disturbs it.',
		roles: PRESSURE_LOG,
		complete: has(['t', 'height']),
	},
	live: ['serial'],
	samples: [
		{
			id: 'good',
			label: 'Dunlin with its foam cover',
			file: onStand('dunlin-pressure.csv', { noiseM: 0.08, driftMPerMin: 0.15, perThrottleM: 0.3 }),
		},
		{
			id: 'bare',
			label: 'The cover was left off',
			bad: true,
			file: onStand('dunlin-pressure-bare.csv', { noiseM: 0.34, driftMPerMin: 0.2, perThrottleM: 2.1 }),
		},
	],
	async work(input, context) {
		const c = taken(input);
		const answer = await run(
			'pressure',
			{ t: c.t, heightM: c.height, ...(c.disturbance ? { disturbance: c.disturbance } : {}) },
			context,
		);
		return {
			headline: headlineOf(answer, 'The pressure height is quiet, and nothing moves it'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Throttle or wind moves it by',
					value: answer.swingM,
					unit: 'm',
					quantity: 'height',
					digits: 1,
					sigma: answer.perDisturbanceSigma,
				},
				{ label: 'Noise', value: answer.noiseM, unit: 'm' },
				{ label: 'Drift', value: answer.driftMPerMin, unit: 'm/min' },
			],
			plots: [
				{
					kind: 'lines',
					title: 'Height while nothing moved',
					xLabel: 'time, s',
					yLabel: 'm',
					lines: [{ label: '', points: points(c.t, c.height) }],
				},
				...(c.disturbance
					? [
							{
								kind: 'lines' as const,
								title: 'What may disturb it',
								xLabel: 'time, s',
								yLabel: '',
								lines: [{ label: '', points: points(c.t, c.disturbance) }],
							},
						]
					: []),
			],
			tables: [],
			answer,
		};
	},
};

export const INERTIAL: readonly Instrument[] = [sixFaces, gyro, level, mounting, vibration, pressure];
