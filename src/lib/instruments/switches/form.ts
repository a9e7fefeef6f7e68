import { form } from '../form';
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

const channelCell = { kind: 'number' as const, id: 'channel', label: 'Channel', unit: '', min: 1, max: 32, start: 5 };

export const fields = form([
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
]);
