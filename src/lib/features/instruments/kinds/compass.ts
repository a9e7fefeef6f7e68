import { compassLimits } from '$lib/core/compass/limits';
import { fieldAt } from '$lib/core/earth/field';
import { localScale, toLocal } from '$lib/core/earth/geodesy';
import { InputError } from '$lib/core/frames/inputError';
import { apply, transpose } from '$lib/core/frames/mat3';
import { seededRng } from '$lib/core/frames/random';
import { fromYawPitchRoll, rotationZ } from '$lib/core/frames/rotation';
import type { Vec3 } from '$lib/core/frames/vec3';
import { COMPASS_ROLES, LOAD_LOG, PAIR_LOG, SURVEY_LOG } from '$lib/core/record/logRoles';
import { recordLoad, secondCompass, walkAbout, type Iron, type LoadTruth } from '$lib/rig/surroundings';
import { run } from '$lib/workers/core';
import { headlineOf, num, type Input, type Instrument } from '../instrument';
import { csvFile, has, points, taken } from '../make';

/** The field that the samples are made in: that of Hollin Saltings. */
const FIELD: Vec3 = [17.53, -0.42, 46.55];
function modelOf({ site, date }: Input) {
	if (!site) throw new InputError('missing', 'site', 'Site: enter one, the field is compared with that of the place.');
	return fieldAt(site.latDeg, site.lonDeg, site.altM, date);
}

const standing = (name: string, offset: Vec3, swing: number) => (seed: number) => {
	const rng = seededRng(seed);
	const t = Array.from({ length: 400 }, (_, k) => k / 50);
	const mag = (k: number) => t.map((s) => FIELD[k] + offset[k] + swing * Math.sin(2 * s + k) + 0.3 * rng.normal());
	const accel = (v: number) => t.map(() => v + 0.04 * rng.normal());
	return csvFile(name, {
		't [s]': t,
		'mx [uT]': mag(0),
		'my [uT]': mag(1),
		'mz [uT]': mag(2),
		'ax [m/s2]': accel(0),
		'ay [m/s2]': accel(0),
		'az [m/s2]': accel(-9.81),
	});
};

const siteField: Instrument = {
	id: 'site-field',
	title: 'Site field',
	group: 'Compass',
	does: 'Strength and dip of the field where you stand, against the model of the Earth.',
	calls: 'magnetic site check disturbed metal steel interference strength inclination clean place',
	opening: 'Stand still for five seconds where you would turn the compass',
	caution: 'Watch, belt, phone and knife bend the field too: put them away first.',
	method: [
		'Mean strength and dip of readings at rest against the World Magnetic Model 2025 at the site. A sensor without a calibration brings its own offset: a difference is then a caution, not a verdict on the place.',
	],
	needsSite: true,
	fields: [],
	file: {
		kind: 'table',
		hint: 'CSV with time and three magnetometer axes at rest for five seconds, calibrated; accelerometer axes beside them tell the dip.',
		roles: COMPASS_ROLES,
		complete: has(['t', 'mx', 'my', 'mz']),
	},
	live: ['serial'],
	samples: [
		{
			id: 'good',
			label: 'The saltings, away from the sluice',
			file: standing('saltings-clean.csv', [0.4, -0.3, 0.2], 0),
		},
		{
			id: 'sluice',
			label: 'Beside the steel sluice',
			bad: true,
			file: standing('saltings-sluice.csv', [9, -6, 11], 0),
		},
		{ id: 'cable', label: 'Over a buried cable', bad: true, file: standing('saltings-cable.csv', [1, 0, 1], 3) },
	],
	async work(input, context) {
		const c = taken(input);
		const model = modelOf(input);
		const mag = { t: c.t, x: c.mx, y: c.my, z: c.mz };
		const accel = c.ax && c.ay && c.az ? { t: c.t, x: c.ax, y: c.ay, z: c.az } : undefined;
		const answer = await run('site', { mag, accel, model }, context);
		const strength = Float64Array.from(c.t, (_, i) => Math.hypot(c.mx[i], c.my[i], c.mz[i]));
		return {
			headline: headlineOf(answer, 'The field of this place is as the model says'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Strength here',
					value: answer.strengthUt,
					unit: 'µT',
					digits: 1,
					sigma: answer.strengthSigmaUt,
					note: `model ${model.totalUt.toFixed(1)}`,
				},
				{
					label: 'Dip here',
					value: answer.dipDeg,
					unit: '°',
					digits: 1,
					note: `model ${model.inclinationDeg.toFixed(1)}`,
				},
				{ label: 'Stood still', value: answer.stillS, unit: 's', digits: 0 },
			],
			plots: [
				{
					kind: 'lines',
					title: 'Strength while standing still',
					xLabel: 'time, s',
					yLabel: 'µT',
					lines: [
						{ label: '', points: points(c.t, strength) },
						{ label: 'model', dashed: true, points: [0, c.t.length - 1].map((i) => ({ x: c.t[i], y: model.totalUt })) },
					],
				},
			],
			tables: [],
			answer,
		};
	},
};

const walk =
	(name: string, iron: readonly Iron[], offset: Vec3 = [4, -3, 2]) =>
	(seed: number) => {
		const { t, north, east, x, y, z } = walkAbout(iron, FIELD, offset, seededRng(seed));
		return csvFile(name, {
			't [s]': t,
			'north [m]': north,
			'east [m]': east,
			'mx [uT]': x,
			'my [uT]': y,
			'mz [uT]': z,
		});
	};

const survey: Instrument = {
	id: 'survey',
	title: 'Walk-about survey',
	group: 'Compass',
	does: 'A map of where the field leaves its usual strength; where to turn the compass, and where not.',
	calls: 'survey walk map iron rebar buried phone magnetometer field ground clean metal',
	opening: 'Walk the place in lanes with a sensor carried one way up',
	caution: 'Do not carry the sensor beside a watch, a phone or keys.',
	method: [
		'|F| along the track, smoothed by a median over 0.6 s, less its own middle: a sensor carried one way up keeps its own offset, which falls out. Solid places are more than a twentieth of the field off.',
	],
	needsSite: true,
	fields: [],
	file: {
		kind: 'table',
		hint: 'CSV with time, three magnetometer axes and the place: north and east in metres, or latitude and longitude.',
		roles: SURVEY_LOG,
		complete: (choices) =>
			has(['t', 'mx', 'my', 'mz'])(choices) && (has(['north', 'east'])(choices) || has(['lat', 'lon'])(choices)),
	},
	live: ['serial'],
	samples: [
		{ id: 'good', label: 'Open grass on the north shore', file: walk('north-shore-walk.csv', []) },
		{
			id: 'culvert',
			label: 'An old pipe lies under the east side',
			bad: true,
			file: walk('culvert-walk.csv', [
				{ north: 8, east: 15, depthM: 0.9, momentUtM3: 16 },
				{ north: 11, east: 15, depthM: 0.9, momentUtM3: 16 },
			]),
		},
		{
			id: 'yard',
			label: 'The yard: reinforced floor',
			bad: true,
			file: walk(
				'yard-walk.csv',
				Array.from({ length: 36 }, (_, k) => ({
					north: 4 * (k % 6),
					east: 4 * Math.floor(k / 6),
					depthM: 0.8,
					momentUtM3: k % 2 ? 30 : -30,
				})),
			),
		},
	],
	async work(input, context) {
		const c = taken(input);
		const origin = { latDeg: c.lat?.[0] ?? 0, lonDeg: c.lon?.[0] ?? 0 };
		const scale = localScale(origin.latDeg, 0);
		const local = c.north && c.east ? null : Array.from(c.t, (_, i) => toLocal(origin, c.lat[i], c.lon[i], scale));
		const track = {
			t: c.t,
			north: c.north ?? local?.map((p) => p.northM) ?? [],
			east: c.east ?? local?.map((p) => p.eastM) ?? [],
		};
		const answer = await run(
			'survey',
			{ mag: { t: c.t, x: c.mx, y: c.my, z: c.mz }, track, modelUt: modelOf(input).totalUt },
			context,
		);
		return {
			headline: headlineOf(answer, 'The field is even over the whole walk: turn the compass anywhere here'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Largest deviation',
					value: answer.worstUt,
					unit: 'µT',
					digits: 1,
					note: `clean below ${compassLimits.surveyUt.value}`,
				},
				{
					label: 'Clean ground',
					value: answer.cleanShare === null ? null : 100 * answer.cleanShare,
					unit: '%',
					digits: 0,
				},
				{
					label: 'Usual strength',
					value: answer.medianUt,
					unit: 'µT',
					digits: 1,
					note: `model ${answer.modelUt?.toFixed(1) ?? '–'}, the sensor’s own offset in it`,
				},
			],
			plots: [
				{
					kind: 'map',
					title: answer.cleanAt ? 'Turn the compass at the marked place' : 'No clean stretch',
					unit: 'µT',
					points: answer.points.map(({ north, east, deviationUt }) => ({ north, east, value: deviationUt })),
					limit: compassLimits.surveyUt.value,
					marks: [
						...(answer.cleanAt ? [{ ...answer.cleanAt, label: 'turn here' }] : []),
						...(answer.worstAt && (answer.worstUt ?? 0) > compassLimits.surveyUt.value
							? [{ ...answer.worstAt, label: 'keep away' }]
							: []),
					],
				},
			],
			tables: [],
			answer,
		};
	},
};

const load = (name: string, more: Partial<LoadTruth>) => (seed: number) => {
	const {
		t,
		x,
		y,
		z,
		load: current,
	} = recordLoad(
		{ perLoadUt: [0.02, -0.01, 0.03], noiseUt: 0.35, topLoad: 18, slipDeg: 0, ...more },
		FIELD,
		seededRng(seed),
	);
	return csvFile(name, { 't [s]': t, 'mx [uT]': x, 'my [uT]': y, 'mz [uT]': z, 'current [A]': current });
};

const interference: Instrument = {
	id: 'interference',
	title: 'Throttle interference',
	group: 'Compass',
	does: 'How much the motors’ current turns the heading, in the hover and at full power.',
	calls: 'motor current throttle interference compass power wires heading shift',
	opening: 'Bring a log of the compass on a stand while the power goes up and down',
	caution:
		'Held down by a proper stand, by the maker’s rules, nobody in the plane of the propellers. If there is no stand, leave this out.',
	method: [
		'Each axis regressed on the load with a slow drift beside it, robustly; the shift at hover power against the horizontal field of this place: asin(shift/H). The whole shift counts, which errs to the safe side.',
	],
	needsSite: true,
	fields: [
		{ kind: 'number', id: 'hoverLoad', label: 'Load in the hover', unit: 'A, or 0 to 1', min: 0, max: 1000, start: 15 },
		{ kind: 'number', id: 'fullLoad', label: 'Full load', unit: 'same unit', min: 0, max: 1000, start: 40 },
	],
	file: {
		kind: 'table',
		hint: 'CSV with time, three magnetometer axes, and current or throttle: half a minute, idle to hover power and back, twice.',
		roles: LOAD_LOG,
		complete: has(['t', 'mx', 'my', 'mz', 'load']),
	},
	live: ['serial'],
	samples: [
		{ id: 'good', label: 'Dunlin: compass on its mast', file: load('dunlin-load.csv', {}) },
		{
			id: 'bad',
			label: 'Curlew: power leads under the compass',
			bad: true,
			file: load('curlew-load.csv', { perLoadUt: [0.34, 0.22, 0.1] }),
		},
		{ id: 'slip', label: 'The stand slipped', bad: true, file: load('curlew-load-slipped.csv', { slipDeg: 40 }) },
	],
	async work(input, context) {
		const c = taken(input);
		const mag = { t: c.t, x: c.mx, y: c.my, z: c.mz };
		const answer = await run(
			'interference',
			{
				mag,
				load: { t: c.t, values: c.load },
				hoverLoad: num(input.values, 'hoverLoad', 'Load in the hover'),
				fullLoad: num(input.values, 'fullLoad', 'Full load'),
				horizontalUt: modelOf(input).horizontalUt,
			},
			context,
		);
		const middle = (v: Float64Array) => v.reduce((a, b) => a + b, 0) / v.length;
		return {
			headline: headlineOf(answer, 'The motors hardly move the heading'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Heading error in the hover, worst',
					value: answer.headingAtHoverDeg,
					unit: '°',
					digits: 1,
					sigma: answer.headingAtHoverSigmaDeg,
					note: `limit ${compassLimits.interferenceDeg.value}`,
				},
				{ label: 'at full power', value: answer.headingAtFullDeg, unit: '°', digits: 1 },
				{ label: 'Shift in the hover', value: answer.hoverShiftUt, unit: 'µT', digits: 1 },
				{
					label: 'Explained by the load',
					value: answer.explained === null ? null : 100 * answer.explained,
					unit: '%',
					digits: 0,
				},
			],
			plots: [
				{
					kind: 'lines',
					title: 'Readings less their middle',
					xLabel: 'time, s',
					yLabel: 'µT',
					lines: (['x', 'y', 'z'] as const).map((k) => ({
						label: k,
						points: points(
							c.t,
							c[`m${k}`].map((v) => v - middle(c[`m${k}`])),
						),
					})),
				},
				{
					kind: 'lines',
					title: 'Load',
					xLabel: 'time, s',
					yLabel: '',
					lines: [{ label: '', points: points(c.t, c.load) }],
				},
			],
			tables: [
				{
					title: 'Shift per unit of load, µT',
					columns: ['axis', 'shift', '± one sigma'],
					rows: (['x', 'y', 'z'] as const).map((k, i) => [
						k,
						answer.perLoadUt?.[i] ?? null,
						answer.perLoadSigmaUt?.[i] ?? null,
					]),
				},
			],
			answer,
		};
	},
};

const two = (name: string, bias: Vec3) => (seed: number) => {
	const rng = seededRng(seed);
	const t = Array.from({ length: 500 }, (_, k) => k / 20);
	const turned = t.map((s) =>
		apply(transpose(fromYawPitchRoll(0.7 * s, 0.9 * Math.sin(0.31 * s), 1.1 * Math.sin(0.23 * s))), FIELD),
	);
	const first = {
		t,
		x: turned.map((v) => v[0] + 0.3 * rng.normal()),
		y: turned.map((v) => v[1] + 0.3 * rng.normal()),
		z: turned.map((v) => v[2] + 0.3 * rng.normal()),
	};
	const second = secondCompass(first, rotationZ(Math.PI / 2), bias, rng);
	return csvFile(name, {
		't [s]': t,
		'm1_x [uT]': first.x,
		'm1_y [uT]': first.y,
		'm1_z [uT]': first.z,
		'm2_x [uT]': second.x,
		'm2_y [uT]': second.y,
		'm2_z [uT]': second.z,
	});
};

const pair: Instrument = {
	id: 'pair',
	title: 'Two compasses',
	group: 'Compass',
	does: 'Whether two compasses agree over a whole turn, and how the second is mounted against the first.',
	calls: 'dual compass second external internal disagree inconsistent compare',
	opening: 'Turn the aircraft through all poses while both compasses are recorded',
	method: [
		'The rotation that takes one’s directions of the field onto the other’s (least squares, Kabsch 1976); what is left is the angle they part by, as degrees of a level heading.',
	],
	needsSite: true,
	fields: [],
	file: {
		kind: 'table',
		hint: 'CSV with time and both compasses, calibrated: m1_x … m1_z and m2_x … m2_z.',
		roles: PAIR_LOG,
		complete: has(['t', 'm1x', 'm1y', 'm1z', 'm2x', 'm2y', 'm2z']),
	},
	live: ['serial'],
	samples: [
		{ id: 'good', label: 'Curlew: both compasses agree', file: two('curlew-two.csv', [0, 0, 0]) },
		{
			id: 'bad',
			label: 'The inner one sits beside the power board',
			bad: true,
			file: two('curlew-two-bad.csv', [7, -4, 3]),
		},
	],
	async work(input, context) {
		const c = taken(input);
		const of = (n: 1 | 2) => ({ t: c.t, x: c[`m${n}x`], y: c[`m${n}y`], z: c[`m${n}z`] });
		const answer = await run(
			'pair',
			{ first: of(1), second: of(2), inclinationDeg: modelOf(input).inclinationDeg },
			context,
		);
		const { series } = answer;
		return {
			headline: headlineOf(answer, 'The two compasses agree over the whole turn'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'They part by, at worst',
					value: answer.worstDeg,
					unit: '°',
					digits: 1,
					note: `limit ${compassLimits.pairDeg.value}`,
				},
				{ label: 'in the mean', value: answer.meanDeg, unit: '°', digits: 1 },
				{ label: 'The second is turned by', value: answer.yawDeg, unit: '°', digits: 0 },
			],
			plots: series
				? [
						{
							kind: 'lines',
							title: 'How far they part over the turn',
							xLabel: 'time, s',
							yLabel: '°',
							lines: [{ label: '', points: points(series.t, series.deg) }],
							limits: [
								{ y: compassLimits.pairDeg.value, label: 'differ' },
								{ y: compassLimits.pairFailDeg.value, label: 'disagree' },
							],
						},
					]
				: [],
			tables: [],
			answer,
		};
	},
};

export const COMPASS_EXTRAS: readonly Instrument[] = [siteField, survey, interference, pair];

/** A file that must be there. @throws InputError where nothing was chosen. */
export function fileOf(input: Input): File {
	if (!input.file) throw new InputError('no-file', 'file', 'Choose a file first.');
	return input.file;
}
