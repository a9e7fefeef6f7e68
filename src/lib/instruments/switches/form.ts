import { form, number, rows, text } from '../form';
import { RANGES, SWITCHES } from './parts';

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

const channelCell = number('channel', 'Channel', '', 5, { min: 1, max: 32 });

export const fields = form([
	rows(
		'switches',
		'Switches; the first position is where it rests',
		'a switch',
		[
			text('name', 'Switch', ''),
			channelCell,
			numberCell('p1', 'Position 1', -1),
			numberCell('p2', 'Position 2', 1, true),
			numberCell('p3', 'Position 3', null, true),
		],
		SWITCHES,
	),
	rows(
		'ranges',
		'What the aircraft does',
		'a range',
		[
			text('does', 'It does', ''),
			{ kind: 'choice', id: 'role', label: 'Kind', options: ROLES, start: 'flight' },
			channelCell,
			numberCell('low', 'From', -1),
			numberCell('high', 'To', 1),
		],
		RANGES,
	),
	rows(
		'linkLoss',
		'What the receiver holds without the radio, where it sends anything',
		'a channel',
		[channelCell, numberCell('value', 'Holds', -1)],
		[],
	),
]);
