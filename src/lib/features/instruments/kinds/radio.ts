import { InputError } from '$lib/core/frames/inputError';
import { seededRng } from '$lib/core/frames/random';
import { radioLimits } from '$lib/core/radio/limits';
import { STICK_LOG } from '$lib/core/record/logRoles';
import { recordGestureSticks, recordSticks, type StickTruth } from '$lib/rig/sticks';
import { switchesRequestSchema } from '$lib/schema/radio';
import { run } from '$lib/workers/core';
import { checked } from '../check';
import { headlineOf, num, rows, word, type Instrument } from '../instrument';
import { csvFile, has, points, taken } from '../make';
import type { Taken } from '../tableFlow.svelte';

const CHANNELS = Array.from({ length: 8 }, (_, k) => `c${k + 1}`);
const channelsOf = (c: Taken) =>
	CHANNELS.filter((id) => c[id]).map((id) => ({ id, name: `channel ${id.slice(1)}`, values: c[id] }));

const stick = (name: string, more: Partial<StickTruth> = {}): StickTruth => ({
	name,
	centre: 0.004,
	low: -1,
	high: 1,
	hysteresis: 0.004,
	noise: 0.002,
	bend: 0,
	selfCentring: true,
	...more,
});
const sticksLog = (file: string, truths: readonly StickTruth[]) => (seed: number) => {
	const { t, axes } = recordSticks(truths, seededRng(seed));
	return csvFile(file, { 't [s]': t, ...Object.fromEntries(axes.map(({ values }, k) => [`ch${k + 1}`, values])) });
};
const four = (more: Partial<StickTruth> = {}) => [
	stick('roll', more),
	stick('pitch'),
	stick('throttle', { selfCentring: false }),
	stick('yaw'),
];

const sticks: Instrument = {
	id: 'sticks',
	title: 'Sticks',
	group: 'Radio',
	does: 'Centre, ends, return, noise and evenness of each stick; the dead band that follows.',
	calls: 'stick gimbal centre jitter dead band trim end points calibration transmitter radio gamepad hysteresis',
	opening: 'Move every stick to all its ends, slowly, and let it come back',
	caution: 'Propellers off whenever the aircraft listens to this radio.',
	method: [
		'Rest is a quarter of a second within 2 % of the travel. Centre: median of the rests; hysteresis: rests reached from above less those from below; dead band: 3σ of the jitter + hysteresis. Evenness: a slow sweep against a straight line.',
	],
	sensor: 'radio',
	fields: [
		{
			kind: 'choice',
			id: 'throttle',
			label: 'Which channel stays where it is put',
			options: [{ value: '', label: 'none' }, ...[1, 2, 3, 4].map((n) => ({ value: `c${n}`, label: `channel ${n}` }))],
			start: 'c3',
		},
	],
	file: {
		kind: 'table',
		hint: 'CSV with time and up to eight channels, from −1 to 1, in per cent, or as pulse widths about 1500 µs.',
		roles: STICK_LOG,
		complete: has(['t', 'c1']),
	},
	live: ['gamepad', 'serial'],
	samples: [
		{ id: 'good', label: 'The trust’s radio, in order', file: sticksLog('radio-sticks.csv', four()) },
		{
			id: 'worn',
			label: 'A worn roll stick',
			bad: true,
			file: sticksLog('radio-worn.csv', four({ centre: 0.05, hysteresis: 0.045, noise: 0.012 })),
		},
		{
			id: 'still',
			label: 'The yaw stick was left alone',
			bad: true,
			file: sticksLog('radio-still.csv', [...four().slice(0, 3), stick('yaw', { low: 0, high: 0, hysteresis: 0 })]),
		},
		{
			id: 'short',
			label: 'Roll does not reach its right end',
			bad: true,
			file: sticksLog('radio-short.csv', four({ high: 0.82 })),
		},
	],
	async work(input, context) {
		const c = taken(input);
		const all = channelsOf(c);
		const throttle = word(input.values, 'throttle');
		const answer = await run(
			'sticks',
			{ t: c.t, axes: all.map(({ id, name, values }) => ({ name, values, selfCentring: id !== throttle })) },
			context,
		);
		const worst = (key: 'centre' | 'hysteresis' | 'jitter' | 'deadBand') => {
			const values = answer.sticks.map((s) => s[key]).filter((v) => v !== null);
			return values.length > 0 ? 100 * Math.max(...values.map(Math.abs)) : null;
		};
		return {
			headline: headlineOf(answer, 'Every stick rests at its centre and reaches both ends'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'Dead band to set', value: worst('deadBand'), unit: '%', digits: 1 },
				{
					label: 'Largest centre error',
					value: worst('centre'),
					unit: '%',
					digits: 1,
					note: `limit ${100 * radioLimits.centre.value}`,
				},
				{
					label: 'Largest hysteresis',
					value: worst('hysteresis'),
					unit: '%',
					digits: 1,
					note: `limit ${100 * radioLimits.hysteresis.value}`,
				},
				{
					label: 'Most jitter',
					value: worst('jitter'),
					unit: '%',
					digits: 1,
					note: `limit ${100 * radioLimits.jitter.value}`,
				},
			],
			plots: [
				{
					kind: 'lines',
					title: 'The recording',
					xLabel: 'time, s',
					yLabel: 'travel',
					lines: all.slice(0, 4).map(({ name, values }) => ({ label: name, points: points(c.t, values) })),
				},
			],
			tables: [
				{
					title: 'By channel, % of travel',
					columns: ['channel', 'centre', 'low end', 'high end', 'hysteresis', 'jitter', 'dead band', 'bend'],
					rows: answer.sticks.map((s) => [
						s.name,
						...[s.centre, s.low, s.high, s.hysteresis, s.jitter, s.deadBand, s.bend].map((v) =>
							v === null ? null : Number((100 * v).toFixed(1)),
						),
					]),
				},
			],
			answer,
		};
	},
};

const ASKED = ['roll-right', 'pitch-forward', 'yaw-right', 'throttle-up'] as const;
const ORDER_GAP_S = 0.6;

/** The four gestures of a recording: stretches in which anything moves, apart by rest, in the order asked. */
function episodes(t: Float64Array, all: readonly { values: Float64Array }[]): { from: number; to: number }[] {
	const rest = all.map(({ values }) => values[0]);
	const moving = Array.from(t, (_, i) => all.some(({ values }, k) => Math.abs(values[i] - rest[k]) > 0.12));
	const found: { from: number; to: number }[] = [];
	for (let i = 0; i < t.length; i++) {
		if (!moving[i]) continue;
		const last = found.at(-1);
		if (last && t[i] - t[last.to] < ORDER_GAP_S) last.to = i;
		else found.push({ from: i, to: i });
	}
	return found;
}

const orderLog = (file: string, order: readonly number[], signs: readonly number[]) => (seed: number) => {
	const { t, channels } = recordGestureSticks(order, signs, seededRng(seed));
	return csvFile(file, { 't [s]': t, ...Object.fromEntries(channels.map((values, k) => [`ch${k + 1}`, values])) });
};

const order: Instrument = {
	id: 'channel-order',
	title: 'Channel order',
	group: 'Radio',
	does: 'Which channel carries which stick, and which are reversed, from four asked gestures.',
	calls: 'channel map order reversed aileron elevator rudder throttle wrong axis mode stick moves',
	opening: 'Roll right, pitch forward, yaw right, throttle up: one after the other, a second apart',
	caution: 'Propellers off whenever the aircraft listens to this radio.',
	method: [
		'Each gesture goes to the channel that moved most; it must carry three fifths of all that moved. Four gestures, four channels; reversed where the value falls.',
	],
	fields: [],
	file: {
		kind: 'table',
		hint: 'CSV with time and the channels, at rest first, then the four gestures in this order with a second of rest between.',
		roles: STICK_LOG,
		complete: has(['t', 'c1', 'c2']),
	},
	gestures: true,
	samples: [
		{ id: 'good', label: 'In the usual order', file: orderLog('radio-order.csv', [0, 1, 3, 2], [1, 1, 1, 1]) },
		{
			id: 'mixed',
			label: 'Throttle and yaw exchanged, pitch reversed',
			bad: true,
			file: orderLog('radio-order-mixed.csv', [0, 1, 2, 3], [1, -1, 1, 1]),
		},
		{
			id: 'twice',
			label: 'A mix moves roll for yaw too',
			bad: true,
			file: orderLog('radio-order-twice.csv', [0, 1, 0, 2], [1, 1, 1, 1]),
		},
	],
	async work(input, context) {
		const c = taken(input);
		const all = channelsOf(c);
		const found = episodes(c.t, all);
		if (found.length !== 4)
			throw new InputError(
				'gestures',
				'file',
				`Four gestures were asked for, ${found.length} were found: rest a second between them.`,
			);
		const gestures = ASKED.map((asked, k) => {
			const from = Math.max(k === 0 ? 0 : found[k - 1].to + 1, found[k].from - 12);
			return { asked, channels: all.map(({ values }) => values.slice(from, found[k].to + 1)) };
		});
		const answer = await run('order', { gestures }, context);
		const first = answer.channels[0];
		return {
			headline: headlineOf(answer, answer.steps.charAt(0).toUpperCase() + answer.steps.slice(1)),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: answer.channels.map((ch) => ({
				label: ch.function,
				value: ch.channel,
				unit: ch.channel === null ? '' : ch.reversed ? 'channel, reversed' : 'channel',
				digits: 0,
				note: `${(100 * ch.share).toFixed(0)} % of the movement`,
			})),
			plots: [
				{
					kind: 'lines',
					title: `${first.function} and the rest, as recorded`,
					xLabel: 'time, s',
					yLabel: 'travel',
					lines: all.slice(0, 4).map(({ name, values }) => ({ label: name, points: points(c.t, values) })),
					marks: ASKED.map((asked, k) => ({ x: c.t[found[k].from], label: asked.replace('-', ' ') })),
				},
			],
			tables: [],
			answer,
		};
	},
};

const ROLES = [
	{ value: 'flight', label: 'way of flying' },
	{ value: 'return', label: 'return home' },
	{ value: 'arm', label: 'arming' },
	{ value: 'pre-arm', label: 'guard before arming' },
	{ value: 'self-righting', label: 'self-righting' },
	{ value: 'beeper', label: 'beeper' },
	{ value: 'throttle-cut', label: 'throttle cut' },
	{ value: 'other', label: 'other' },
];
const numberCell = (id: string, label: string, start: number | null, optional = false) => ({
	kind: 'number' as const,
	id,
	label,
	unit: '',
	min: -1.5,
	max: 1.5,
	start,
	optional,
});
const channelCell = { kind: 'number' as const, id: 'channel', label: 'Channel', unit: '', min: 1, max: 32, start: 5 };
const SWITCHES = [
	{ name: 'left top', channel: 5, p1: -1, p2: 0, p3: 1 },
	{ name: 'right top', channel: 6, p1: -1, p2: 1, p3: null },
];
const RANGES = [
	{ does: 'self-level', role: 'flight', channel: 5, low: -1, high: -0.4 },
	{ does: 'position hold', role: 'flight', channel: 5, low: -0.39, high: 0.4 },
	{ does: 'return home', role: 'return', channel: 5, low: 0.41, high: 1 },
	{ does: 'arm', role: 'arm', channel: 6, low: 0.4, high: 1 },
];

const switches: Instrument = {
	id: 'switches',
	title: 'Switches',
	group: 'Radio',
	does: 'What is active in each switch position; overlaps, near edges, and traps at the arm switch.',
	calls: 'switch mode flight mode arm range overlap gap unintended active slots self-righting',
	opening: 'Enter each switch with its positions, and what the aircraft does in each range',
	method: [
		'Every position is laid into every range of its channel. Two ways of flying at once, a return or an arming out of reach, arming at rest and self-righting at rest stop; edges nearer than 6 % and a throttle cut beside an arm switch caution.',
	],
	sensor: 'radio',
	fields: [
		{
			kind: 'rows',
			id: 'switches',
			label: 'Switches; the first position is where it rests',
			one: 'a switch',
			of: [
				{ kind: 'text', id: 'name', label: 'Switch', start: '' },
				channelCell,
				numberCell('p1', 'Position 1', -1),
				numberCell('p2', 'Position 2', 1, true),
				numberCell('p3', 'Position 3', null, true),
			],
			start: SWITCHES,
		},
		{
			kind: 'rows',
			id: 'ranges',
			label: 'What the aircraft does',
			one: 'a range',
			of: [
				{ kind: 'text', id: 'does', label: 'It does', start: '' },
				{ kind: 'choice', id: 'role', label: 'Kind', options: ROLES, start: 'flight' },
				channelCell,
				numberCell('low', 'From', -1),
				numberCell('high', 'To', 1),
			],
			start: RANGES,
		},
		{
			kind: 'rows',
			id: 'linkLoss',
			label: 'What the receiver holds without the radio, where it sends anything',
			one: 'a channel',
			of: [channelCell, numberCell('value', 'Holds', -1)],
			start: [],
		},
	],
	samples: [
		{ id: 'good', label: 'Dunlin, in order', values: { switches: SWITCHES, ranges: RANGES, linkLoss: [] } },
		{
			id: 'traps',
			label: 'Armed by link loss, and two ways of flying at once',
			bad: true,
			values: {
				switches: SWITCHES,
				ranges: [...RANGES, { does: 'height hold', role: 'flight', channel: 5, low: -0.2, high: 0.2 }],
				linkLoss: [{ channel: 6, value: 1 }],
			},
		},
	],
	async work(input, context) {
		const request = checked(switchesRequestSchema, {
			switches: rows(input.values, 'switches').map((r) => ({
				name: word(r, 'name') || 'unnamed',
				channel: num(r, 'channel', 'Channel'),
				positions: [r.p1, r.p2, r.p3].filter((p) => typeof p === 'number'),
			})),
			ranges: rows(input.values, 'ranges').map((r) => ({
				does: word(r, 'does') || 'unnamed',
				role: word(r, 'role'),
				channel: num(r, 'channel', 'Channel'),
				low: num(r, 'low', 'From'),
				high: num(r, 'high', 'To'),
			})),
			linkLoss: rows(input.values, 'linkLoss').map((r) => ({
				channel: num(r, 'channel', 'Channel'),
				value: num(r, 'value', 'Holds'),
			})),
		});
		const answer = await run('switches', request, context);
		return {
			headline: headlineOf(answer, 'Every position gives what its range says'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'Positions looked at', value: answer.positions.length, unit: '', digits: 0 },
				{
					label: 'Things to mind',
					value: answer.reasons.filter(({ level }) => level !== 'pass').length,
					unit: '',
					digits: 0,
				},
			],
			plots: [],
			tables: [
				{
					title: 'What is active in each position',
					columns: ['switch', 'position', 'value', 'active'],
					rows: answer.positions.map((p) => [p.switch, p.position, p.value, p.active.join(' + ') || 'nothing']),
				},
			],
			answer,
		};
	},
};

const curve: Instrument = {
	id: 'curve',
	title: 'Stick curve',
	group: 'Radio',
	does: 'Rate over stick: how soft the middle is, how fast the end, and how much of it you find comfortable.',
	calls: 'expo rates curve deg/s sensitivity indoor preset comfort',
	opening: 'Enter the curve and what you are comfortable with',
	caution:
		'Lower rates first; raise them when they feel slow. Note the old figures before an indoor preset, and put them back before flying outdoors.',
	method: ['y = e·x³ + (1 − e)·x; rate = full rate · y. Seconds to 90° at full stick = 90 / full rate.'],
	fields: [
		{ kind: 'number', id: 'expo', label: 'Curve e, 0 straight to 1', unit: '', min: 0, max: 1, start: 0.3 },
		{ kind: 'number', id: 'rate', label: 'Full rate', unit: '°/s', min: 1, max: 3000, start: 220 },
		{ kind: 'number', id: 'low', label: 'Comfortable from', unit: '°/s', min: 1, max: 3000, start: 90 },
		{ kind: 'number', id: 'high', label: 'Comfortable up to', unit: '°/s', min: 1, max: 3000, start: 240 },
	],
	samples: [
		{ id: 'good', label: 'Survey flying', values: { expo: 0.3, rate: 220, low: 90, high: 240 } },
		{ id: 'indoor', label: 'Indoor preset', values: { expo: 0.1, rate: 100, low: 60, high: 160 } },
		{
			id: 'fast',
			label: 'Copied from somebody faster',
			bad: true,
			values: { expo: 0.4, rate: 800, low: 90, high: 240 },
		},
	],
	async work(input, context) {
		const v = input.values;
		const answer = await run(
			'curve',
			{
				expo: num(v, 'expo', 'Curve'),
				maxRateDegPerS: num(v, 'rate', 'Full rate'),
				comfortLowDegPerS: num(v, 'low', 'Comfortable from'),
				comfortHighDegPerS: num(v, 'high', 'Comfortable up to'),
			},
			context,
		);
		return {
			headline: headlineOf(answer, 'The whole stick stays within what you find comfortable'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{ label: 'Time to 90° at full stick', value: answer.to90S, unit: 's' },
				{ label: 'First tenth of the stick', value: answer.centreDegPerSPerTenth, unit: '°/s', digits: 0 },
				{ label: 'Comfortable part of the stick', value: 100 * answer.calmTravel, unit: '%', digits: 0 },
			],
			plots: [
				{
					kind: 'lines',
					title: 'Rate over stick',
					xLabel: 'stick',
					yLabel: '°/s',
					lines: [{ label: '', points: points(answer.curve.stick, answer.curve.rateDegPerS) }],
					limits: [{ y: num(v, 'high'), label: 'comfortable up to here' }],
				},
			],
			tables: [],
			answer,
		};
	},
};

export const RADIO: readonly Instrument[] = [sticks, order, switches, curve];
