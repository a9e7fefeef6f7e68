import { radio as say } from '$lib/messages/radio';
import type { Reason } from '../../schema/common';
import type { SwitchesAnswer, SwitchesRequest } from '../../schema/radio';
import { InputError } from '../finding/inputError';
import { judge, reason } from '../finding/reasons';
import { radioLimits as limits } from './limits';

type Range = SwitchesRequest['ranges'][number];
type Switch = SwitchesRequest['switches'][number];
type Position = SwitchesAnswer['positions'][number];

/** An end stop lies at −1 or 1, where ranges end too: only an edge further inside than that may be too near. */
const INSIDE = 0.98;

const within = (value: number, { low, high }: Range) => value >= low && value <= high;
const edgesOf = (ranges: readonly Range[]) => ranges.flatMap(({ low, high }) => [low, high]);
const nearest = (value: number, edges: readonly number[]) => Math.min(...edges.map((edge) => Math.abs(value - edge)));
/** True where a range is active while its switch rests, in its first position. */
const atRest = (range: Range, switches: readonly Switch[]) =>
	switches.some(({ channel, positions: [rest] }) => channel === range.channel && within(rest, range));
const ofRole = (ranges: readonly Range[], role: Range['role']) => ranges.filter((range) => range.role === role);

/** One position of a switch: what is active in it, flight modes that are active together, and edges too near. */
function positionAt(
	{ name, channel, positions }: Switch,
	position: number,
	ranges: readonly Range[],
): { position: Position; reasons: Reason[] } {
	const value = positions[position];
	const own = ranges.filter((range) => range.channel === channel);
	const active = own.filter((range) => within(value, range));
	const reasons: Reason[] = [];
	const flights = active.filter(({ role }) => role === 'flight' || role === 'return');
	if (flights.length > 1)
		reasons.push(
			reason('fail', say('overlap', { name, position, actions: flights.map(({ does }) => does) }), { value }),
		);
	const near = nearest(
		value,
		edgesOf(own).filter((edge) => Math.abs(edge) < INSIDE),
	);
	if (near < limits.switchMargin.value)
		reasons.push(reason('caution', say('edge-near', { name, position }), { value: near, limit: limits.switchMargin }));
	const margin = own.length === 0 ? null : nearest(value, edgesOf(own));
	return {
		position: { switch: name, position: position + 1, value, active: active.map(({ does }) => does), margin },
		reasons,
	};
}

/** Actions that no position of any switch gives. */
const unreached = (ranges: readonly Range[], switches: readonly Switch[]): Reason[] =>
	ranges
		.filter(
			(range) =>
				!switches.some(
					({ channel, positions }) => channel === range.channel && positions.some((value) => within(value, range)),
				),
		)
		.map(({ role, does }) =>
			reason(role === 'return' || role === 'arm' ? 'fail' : 'caution', say('unreachable', { does })),
		);

/** Ways in which the aircraft arms, or stays armed, without being asked to. */
function armTraps({ switches, ranges, linkLoss }: SwitchesRequest): Reason[] {
	return ofRole(ranges, 'arm').flatMap((arm) => {
		const lost = linkLoss.find(({ channel }) => channel === arm.channel);
		const twin = ranges.find((r) => r !== arm && r.channel === arm.channel && r.low <= arm.high && arm.low <= r.high);
		return [
			...(atRest(arm, switches) ? [reason('fail', say('armed-at-rest', { does: arm.does }))] : []),
			...(lost && within(lost.value, arm)
				? [reason('caution', say('armed-by-loss', { does: arm.does }), { value: lost.value })]
				: []),
			...(twin && (twin.role === 'flight' || twin.role === 'self-righting')
				? [reason('caution', say('arm-shared', { does: twin.does, arms: arm.does }))]
				: []),
		];
	});
}

/** Self-righting that is active at rest, a throttle cut besides an arm switch, and no way to arm at all. */
function otherTraps({ switches, ranges }: SwitchesRequest): Reason[] {
	const reasons = ofRole(ranges, 'self-righting')
		.filter((righting) => atRest(righting, switches))
		.map(({ does }) => reason('fail', say('self-righting-at-rest', { does })));
	if (ofRole(ranges, 'arm').length === 0) reasons.push(reason('caution', say('no-arm')));
	else if (ofRole(ranges, 'throttle-cut').length > 0) reasons.push(reason('caution', say('throttle-cut')));
	return reasons;
}

/**
 * Audits switches against the ranges in which the aircraft acts: what is active in each position, overlaps of flight modes,
 * edges too near, actions no switch can reach, and the traps: armed at rest, armed by link loss, self-righting active
 * without asking, a throttle cut besides an arm switch. Values −1 to 1.
 * @throws InputError where a range is upside down.
 */
export function auditSwitches(request: SwitchesRequest): SwitchesAnswer {
	const { switches, ranges } = request;
	ranges.forEach(({ does, low, high }, k) => {
		if (!(low < high))
			throw new InputError('range', `ranges.${k}.high`, `${does}: the upper end must be above the lower.`);
	});
	if (switches.length === 0 || ranges.length === 0)
		return {
			positions: [],
			...judge([reason('fail', say('insufficient-switches'))]),
		};
	const each = switches.flatMap((one) => one.positions.map((_, position) => positionAt(one, position, ranges)));
	const positions = each.map(({ position }) => position);
	const reasons = [
		...each.flatMap((one) => one.reasons),
		...unreached(ranges, switches),
		...armTraps(request),
		...otherTraps(request),
	];
	if (reasons.length === 0) reasons.push(reason('pass', say('switches-clear'), { value: positions.length }));
	return { positions, ...judge(reasons) };
}
