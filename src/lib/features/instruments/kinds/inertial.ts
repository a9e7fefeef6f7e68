import { STANDARD_GRAVITY_MPS2 } from '$lib/core/earth/gravity';
import { DEG } from '$lib/core/frames/angles';
import type { Mat3 } from '$lib/core/frames/mat3';
import { seededRng } from '$lib/core/frames/random';
import { FIVE_FACES, ONE_HOLD, REST, SETTLE, SIX_FACES } from '$lib/core/guide/holds';
import { accelKept } from '$lib/core/inertial/kept';
import { inertialLimits } from '$lib/core/inertial/limits';
import { ACCEL_LOG, GYRO_LOG, PRESSURE_LOG } from '$lib/core/record/logRoles';
import {
	recordGyro,
	recordPoses,
	recordPressure,
	recordShake,
	type AccelTruth,
	type GyroTruth,
	type PressureTruth,
	type ShakeTruth,
} from '$lib/rig/inertial';
import { run } from '$lib/workers/core';
import { headlineOf, opt, type Instrument, type Values } from '../instrument';
import { accelFile, csvFile, has, points, series, taken } from '../make';
import { ATTITUDE } from './attitude';

const RAD = 1 / DEG;
const AXES = ['x', 'y', 'z'] as const;
const facesOf = (answer: { poses: { face: string }[] }) => [...new Set(answer.poses.map(({ face }) => face))];

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

const recipeOf = (values: Values) => [FIVE_FACES, ONE_HOLD].find(({ id }) => id === values.recipe) ?? SIX_FACES;

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
	fields: [
		{
			kind: 'choice',
			id: 'recipe',
			label: 'Recipe of the aircraft',
			options: [SIX_FACES, FIVE_FACES, ONE_HOLD].map(({ id, name }) => ({ value: id, label: name })),
			start: SIX_FACES.id,
			usual: true,
		},
	],
	coach: { plan: recipeOf, faults: ['accelOff'] },
	file: {
		kind: 'table',
		hint: 'CSV with time and three accelerometer axes, in m/s² or g. No marks are needed: the poses are found.',
		roles: ACCEL_LOG,
		complete: has(['t', 'ax', 'ay', 'az']),
	},
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
		const answer = await run(
			'accel',
			{
				accel,
				rawUnit: 'm/s2',
				...(input.site
					? { site: { latDeg: input.site.latDeg, lonDeg: input.site.lonDeg, altM: input.site.altM, date: input.date } }
					: {}),
				faces: recipeOf(input.values).holds.flatMap(({ wanted }) => (wanted.kind === 'face' ? [wanted.face] : [])),
			},
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
				{
					label: 'Faces held',
					value: facesOf(answer).length,
					unit: 'of 6',
					digits: 0,
					note: facesOf(answer).join(', '),
				},
			],
			kept: accelKept(answer),
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
	fields: [
		{
			kind: 'choice',
			id: 'how',
			label: 'How long',
			options: [
				{ value: REST.id, label: 'A minute at rest' },
				{ value: SETTLE.id, label: 'The settle after power-on' },
			],
			start: REST.id,
			usual: true,
		},
	],
	coach: { plan: ({ how }) => (how === SETTLE.id ? SETTLE : REST), faults: [] },
	file: {
		kind: 'table',
		hint: 'CSV with time and three gyro axes, in rad/s or °/s: half a minute at rest, a minute is better.',
		roles: GYRO_LOG,
		complete: has(['t', 'gx', 'gy', 'gz']),
	},
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
			kept: AXES.map((k, i) => ({
				label: `Bias ${k}`,
				value: answer.biasRadps ? answer.biasRadps[i] * RAD : null,
				unit: '°/s',
				// A bias is as uncertain as it wanders.
				...(answer.biasInstabilityRadps ? { sigma: answer.biasInstabilityRadps[i] * RAD } : {}),
			})),
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

export const INERTIAL: readonly Instrument[] = [sixFaces, gyro, ...ATTITUDE, vibration, pressure];
