import type { Reason } from '../../schema/common';
import type { SwitchesAnswer, SwitchesRequest } from '../../schema/radio';
import { InputError } from '../finding/inputError';
import { judge, reason } from '../finding/reasons';
import { radioLimits as limits } from './limits';

type Range = SwitchesRequest['ranges'][number];

const within = (value: number, { low, high }: Range) => value >= low && value <= high;

/**
 * Audits switches against the ranges in which the aircraft acts: what is active in each position, overlaps of flight modes,
 * edges too near, actions no switch can reach, and the traps: armed at rest, armed by link loss, self-righting active
 * without asking, a throttle cut beside an arm switch. Values −1 to 1.
 * @throws InputError where a range is upside down.
 */
export function auditSwitches({ switches, ranges, linkLoss }: SwitchesRequest): SwitchesAnswer {
	ranges.forEach(({ does, low, high }, k) => {
		if (!(low < high))
			throw new InputError('range', `ranges.${k}.high`, `${does}: the upper end must be above the lower.`);
	});
	if (switches.length === 0 || ranges.length === 0)
		return {
			positions: [],
			...judge([
				reason('fail', 'insufficient-switches', 'There is no switch or no action to audit.', {
					next: 'Enter each switch with its positions, and each action with its range.',
				}),
			]),
		};
	const reasons: Reason[] = [];
	const positions = switches.flatMap(({ name, channel, positions: values }) =>
		values.map((value, position) => {
			const own = ranges.filter((r) => r.channel === channel);
			const active = own.filter((r) => within(value, r));
			const margin =
				own.length === 0
					? null
					: Math.min(...own.flatMap(({ low, high }) => [Math.abs(value - low), Math.abs(value - high)]));
			const label = `${name}, position ${position + 1}`;
			const flights = active.filter(({ role }) => role === 'flight' || role === 'return');
			if (flights.length > 1)
				reasons.push(
					reason('fail', 'overlap', `${label}: ${flights.map(({ does }) => does).join(' and ')} at once.`, {
						value,
						next: 'Move the ranges apart.',
					}),
				);
			// An end stop lies at −1 or 1, where ranges end too: only an edge inside the travel is near.
			const edges = own.flatMap(({ low, high }) => [low, high]).filter((edge) => Math.abs(edge) < 0.98);
			const near = Math.min(...edges.map((edge) => Math.abs(value - edge)));
			if (near < limits.switchMargin.value)
				reasons.push(
					reason('caution', 'edge-near', `${label} lies near the edge of a range.`, {
						value: near,
						limit: limits.switchMargin,
						next: 'Put the edge half way between two positions.',
					}),
				);
			return { switch: name, position: position + 1, value, active: active.map(({ does }) => does), margin };
		}),
	);
	for (const range of ranges) {
		const reach = switches.some(
			(s) => s.channel === range.channel && s.positions.some((value) => within(value, range)),
		);
		if (!reach)
			reasons.push(
				reason(
					range.role === 'return' || range.role === 'arm' ? 'fail' : 'caution',
					'unreachable',
					`No switch position gives ${range.does}.`,
					{ next: 'Change its channel or its range, or take it out.' },
				),
			);
	}
	const atRest = (range: Range) =>
		switches.some(({ channel, positions: [rest] }) => channel === range.channel && within(rest, range));
	const roles = (role: Range['role']) => ranges.filter((r) => r.role === role);
	for (const arm of roles('arm')) {
		if (atRest(arm))
			reasons.push(
				reason('fail', 'armed-at-rest', `${arm.does} is on where its switch rests.`, {
					next: 'Turn the switch round: at rest it must be off.',
				}),
			);
		const lost = linkLoss.find(({ channel }) => channel === arm.channel);
		if (lost && within(lost.value, arm))
			reasons.push(
				reason('caution', 'armed-by-loss', `Without the radio the receiver holds ${arm.does} on.`, {
					value: lost.value,
					next: 'Let the receiver send nothing on link loss, or set this channel off, as the maker says.',
				}),
			);
		const twin = ranges.find((r) => r !== arm && r.channel === arm.channel && r.low <= arm.high && arm.low <= r.high);
		if (twin && (twin.role === 'flight' || twin.role === 'self-righting'))
			reasons.push(
				reason('caution', 'arm-shared', `${twin.does} shares a range with ${arm.does}.`, {
					next: 'Give the arm switch a channel of its own.',
				}),
			);
	}
	for (const righting of roles('self-righting'))
		if (atRest(righting))
			reasons.push(
				reason(
					'fail',
					'self-righting-at-rest',
					`${righting.does} is on where its switch rests: the aircraft would sit glued to the ground.`,
					{ next: 'Turn the switch round.' },
				),
			);
	const arms = roles('arm').length;
	if (arms > 0 && roles('throttle-cut').length > 0)
		reasons.push(
			reason(
				'caution',
				'throttle-cut',
				'A throttle cut in the radio beside an arm switch stops the motors in the air, armed still.',
				{ next: 'Leave the stopping to the arm switch.' },
			),
		);
	if (arms === 0)
		reasons.push(
			reason('caution', 'no-arm', 'No range arms the aircraft.', {
				next: 'Enter how it is armed, also where it is a stick gesture.',
			}),
		);
	if (reasons.length === 0)
		reasons.push(
			reason('pass', 'switches-clear', 'Every position gives what its range says, with room to spare.', {
				value: positions.length,
			}),
		);
	return { positions, ...judge(reasons) };
}
