import { STANDARD_GRAVITY_MPS2 } from '../earth/gravity';
import { DEG } from '../frames/angles';

/** What a column may hold, with the units it may come in and their factor to SI (µT for fields). */
export interface Role {
	name: string;
	label: string;
	group: string;
	required: boolean;
	units: Record<string, number>;
	/** Added after the factor, for units that do not begin at zero. */
	offsets?: Record<string, number>;
	/** Headers that are taken for it, lower case, without the unit. */
	patterns: RegExp;
	/** Typical size in the first unit, to tell units apart when the header does not say. */
	typical?: number;
}

/** A time of day and date as text. */
export const ISO = 'ISO 8601';
/** Hours, minutes and seconds without a date: they fall back to zero at midnight. */
export const CLOCK = 'time of day';
/** Seconds of the GPS week: they fall back to zero at its end. */
export const GPS_WEEK = 's of GPS week';
const TIME = { s: 1, ms: 1e-3, µs: 1e-6, [ISO]: 1, [CLOCK]: 1, [GPS_WEEK]: 1 };
const FIELD = { µT: 1, mG: 0.1, G: 100, nT: 1e-3 };
const ACCELERATION = { 'm/s²': 1, g: STANDARD_GRAVITY_MPS2 };
const RATE = { 'rad/s': 1, '°/s': DEG };
const METRES = { m: 1, ft: 0.3048 };
const DEGREES = { '°': 1 };

const role = (
	name: string,
	label: string,
	group: string,
	required: boolean,
	units: Record<string, number>,
	patterns: RegExp,
	typical?: number,
): Role => ({
	name,
	label,
	group,
	required,
	units,
	patterns,
	...(typical === undefined ? {} : { typical }),
});

const time = role(
	't',
	'Time',
	'time',
	true,
	TIME,
	/^(t|time|timestamp|date_?time|utc|clock|utc_?time|time_?utc|local_?time|seconds|elapsed|time_?(s|ms|us|µs)|(gps_?)?(tow|itow|week_?seconds))$/,
);
export const WEEK_NAME = /(tow|week_?seconds)$/;
const axis = (prefixes: string, k: string) => new RegExp(`^(${prefixes})[ _.]?(${k})$|^${k}[ _]?(${prefixes})$`);

/** Columns of a compass log. */
export const COMPASS_ROLES: readonly Role[] = [
	time,
	...['x', 'y', 'z'].map((k) =>
		role(`m${k}`, `Magnetometer ${k}`, 'mag', true, FIELD, axis('m|mag|magx?|magn|magnetometer|magnetic|field', k), 48),
	),
	...['x', 'y', 'z'].map((k) =>
		role(
			`a${k}`,
			`Accelerometer ${k}`,
			'accel',
			false,
			ACCELERATION,
			axis('a|acc|accel|accelerometer|acceleration', k),
			9.8,
		),
	),
	...['x', 'y', 'z'].map((k) =>
		role(`g${k}`, `Gyro ${k}`, 'gyro', false, RATE, axis('g|gyr|gyro|gyroscope|omega|rate', k)),
	),
];

const ACCEL_ROLES = COMPASS_ROLES.filter(({ group }) => group === 'accel').map((r) => ({ ...r, required: true }));
const GYRO_ROLES = COMPASS_ROLES.filter(({ group }) => group === 'gyro').map((r) => ({ ...r, required: true }));
const MAG_ROLES = COMPASS_ROLES.filter(({ group }) => group === 'mag');

/** Columns of logs of one sensor. */
export const ACCEL_LOG: readonly Role[] = [time, ...ACCEL_ROLES];
export const GYRO_LOG: readonly Role[] = [time, ...GYRO_ROLES];
/** Accelerometer, and gyro where there is one. */
export const MOTION_LOG: readonly Role[] = [
	time,
	...ACCEL_ROLES,
	...COMPASS_ROLES.filter(({ group }) => group === 'gyro'),
];

/** A pressure height at rest, with what may disturb it. */
export const PRESSURE_LOG: readonly Role[] = [
	time,
	role('height', 'Pressure height', 'height', true, METRES, /^(p(ressure)?_?(height|alt\w*)|baro\w*|height|alt\w*)$/),
	role(
		'disturbance',
		'Throttle, or wind',
		'disturbance',
		false,
		{ '0 to 1': 1, '%': 0.01, 'm/s': 1 },
		/^(throttle|thr|wind\w*|motor\w*)$/,
	),
];

/** A compass on a stand while the power changes. */
export const LOAD_LOG: readonly Role[] = [
	time,
	...MAG_ROLES,
	role(
		'load',
		'Current, or throttle',
		'load',
		true,
		{ A: 1, mA: 1e-3, '% of throttle': 0.01, '0 to 1': 1 },
		/^(current|cur|amps?|i|throttle|thr|load)$/,
	),
];

/** Two compasses side by side. */
export const PAIR_LOG: readonly Role[] = [
	time,
	...['1', '2'].flatMap((n) =>
		['x', 'y', 'z'].map((k) =>
			role(
				`m${n}${k}`,
				`Compass ${n}, ${k}`,
				`compass ${n}`,
				true,
				FIELD,
				axis(`m${n}|mag${n}|compass${n}|compass_${n}|mag_${n}`, k),
				48,
			),
		),
	),
];

/** A walk with a magnetometer: where, and what it read. */
export const SURVEY_LOG: readonly Role[] = [
	time,
	...MAG_ROLES,
	role('north', 'North', 'local', false, METRES, /^(n|north|pos_?n)$/),
	role('east', 'East', 'local', false, METRES, /^(e|east|pos_?e)$/),
	role('lat', 'Latitude', 'geo', false, DEGREES, /^(lat|latitude)$/),
	role('lon', 'Longitude', 'geo', false, DEGREES, /^(lon|lng|long|longitude)$/),
];

const CHANNEL = { '−1 to 1': 1, '%': 0.01, 'pulse µs': 1 / 500 };
const CHANNEL_OFFSETS = { 'pulse µs': -3 };
const STICK_NAMES: readonly (readonly [string, string, string])[] = [
	['c1', 'Channel 1', 'roll|aileron|ail'],
	['c2', 'Channel 2', 'pitch|elevator|ele'],
	['c3', 'Channel 3', 'throttle|thr'],
	['c4', 'Channel 4', 'yaw|rudder|rud'],
];

/** Sticks of a radio, up to eight channels: from −1 to 1, in per cent, or as pulse widths about 1500 µs. */
export const STICK_LOG: readonly Role[] = [
	time,
	...Array.from({ length: 8 }, (_, k): Role => {
		const [name, label, words] = STICK_NAMES[k] ?? [`c${k + 1}`, `Channel ${k + 1}`, `aux${k - 3}`];
		return {
			...role(
				name,
				label,
				'channel',
				k === 0,
				CHANNEL,
				new RegExp(`^(${words}|ch_?${k + 1}|channel_?${k + 1}|axis_?${k + 1}|rc_?${k + 1})$`),
			),
			offsets: CHANNEL_OFFSETS,
		};
	}),
];

/** Columns of a hover log: north, east, up, or latitude, longitude, altitude. */
export const HOVER_ROLES: readonly Role[] = [
	time,
	role('north', 'North', 'local', false, METRES, /^(n|north|pos_?n|y_?north)(_m)?$/),
	role('east', 'East', 'local', false, METRES, /^(e|east|pos_?e|x_?east)(_m)?$/),
	role('up', 'Height', 'local', false, METRES, /^(u|up|height|h|rel_?alt|pos_?u)(_m)?$/),
	role('lat', 'Latitude', 'geo', false, DEGREES, /^(lat|latitude)$/),
	role('lon', 'Longitude', 'geo', false, DEGREES, /^(lon|lng|long|longitude)$/),
	role('alt', 'Altitude', 'altitude', false, METRES, /^(alt|altitude|ele|elevation)(_m)?$/),
	role('heading', 'Heading', 'heading', false, { '°': 1, rad: 1 / DEG }, /^(heading|yaw|hdg|course_?heading)$/),
	role('roll', 'Roll', 'attitude', false, { '°': 1, rad: 1 / DEG }, /^(roll|phi)$/),
	role('pitch', 'Pitch', 'attitude', false, { '°': 1, rad: 1 / DEG }, /^(pitch|theta)$/),
	role('satellites', 'Satellites', 'quality', false, { '': 1 }, /^(sats?|satellites|num_?sats?|nsat)$/),
	role(
		'speed',
		'Speed over ground',
		'speed',
		false,
		{ 'm/s': 1, 'km/h': 1 / 3.6, kt: 0.514444 },
		/^(g?_?spe?e?d|ground_?speed)$/,
		5,
	),
	role(
		'voltage',
		'Voltage',
		'voltage',
		false,
		{ V: 1, mV: 1e-3 },
		/^(v|volt(s|age)?|v_?bat|bat(t(ery)?)?(_?(v|volts?|voltage))?)$/,
		15,
	),
	role(
		'temperature',
		'Temperature',
		'temperature',
		false,
		{ '°C': 1 },
		/^(temp(erature)?|(esc|imu|board|air)_?temp(erature)?)$/,
	),
];
