import { FAULT_WORDS, nextWords, type CheckCode } from '$lib/core/propulsion/words';
import { responseRequestSchema } from '$lib/schema/response';
import { run } from '$lib/workers/core';
import { checked } from '../check';
import { choice } from '../fields';
import { headlineOf, word, type Instrument } from '../instrument';

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

export const response: Instrument = {
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
					note: first.motors.length > 1 ? `may be ${first.motors.join(', ')}` : first.motors.join(''),
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
