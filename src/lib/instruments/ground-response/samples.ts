import type { Sample } from '../instrument';

export const samples: readonly Sample[] = [
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
];
