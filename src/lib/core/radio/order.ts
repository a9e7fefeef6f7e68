import { radio as say } from '$lib/messages/radio';
import type { Reason } from '../../schema/common';
import type { OrderAnswer, StickFunction } from '../../schema/radio';
import { InputError } from '../finding/inputError';
import { judge, reason } from '../finding/reasons';
import { median } from '../math/statistics';
import { radioLimits as limits } from './limits';

/** What the pilot was asked for: one function moved one way, everything else left alone. Columns are channels. */
export interface Gesture {
	asked: 'roll-right' | 'pitch-forward' | 'yaw-right' | 'throttle-up';
	channels: readonly ArrayLike<number>[];
}

const FUNCTION_OF: Record<Gesture['asked'], StickFunction> = {
	'roll-right': 'roll',
	'pitch-forward': 'pitch',
	'yaw-right': 'yaw',
	'throttle-up': 'throttle',
};
const ASKED: readonly Gesture['asked'][] = ['roll-right', 'pitch-forward', 'yaw-right', 'throttle-up'];
/** The first part of a gesture is the rest before it. */
const BEFORE = 0.15;

/** Signed largest excursion of a channel from where it rested before the gesture. */
function excursion(values: ArrayLike<number>): number {
	const first = Array.from({ length: Math.max(1, Math.ceil(values.length * BEFORE)) }, (_, i) => values[i]);
	const rest = median(first);
	let most = 0;
	for (let i = 0; i < values.length; i++) if (Math.abs(values[i] - rest) > Math.abs(most)) most = values[i] - rest;
	return most;
}

/**
 * Which channel carries which stick function, and which way round: from four asked gestures. A channel is *reversed* when it
 * falls at a gesture right, forward or up. Channels are numbered from 1.
 * @throws InputError where a gesture is missing, stands twice, or holds no samples.
 */
export function solveOrder(gestures: readonly Gesture[]): OrderAnswer {
	for (const asked of ASKED) {
		const found = gestures.filter((g) => g.asked === asked);
		if (found.length !== 1)
			throw new InputError(
				found.length === 0 ? 'gesture-missing' : 'gesture-twice',
				`gestures.${asked}`,
				found.length === 0 ? `The gesture ${asked} is missing.` : `The gesture ${asked} stands twice.`,
			);
	}
	gestures.forEach(({ channels }, k) => {
		if (channels.length === 0 || channels.some((c) => c.length === 0))
			throw new InputError('empty', `gestures.${k}`, 'This gesture holds no samples.');
	});
	const reasons: Reason[] = [];
	const channels = ASKED.map((asked) => {
		const gesture = gestures.find((g) => g.asked === asked);
		const moves = (gesture?.channels ?? []).map(excursion);
		const total = moves.reduce((sum, m) => sum + Math.abs(m), 0);
		const best = moves.reduce((a, m, k) => (Math.abs(m) > Math.abs(moves[a]) ? k : a), 0);
		const share = total > 0 ? Math.abs(moves[best]) / total : 0;
		const name = FUNCTION_OF[asked];
		if (Math.abs(moves[best]) < limits.gestureTravel.value) {
			reasons.push(
				reason('fail', say('insufficient-movement', { gesture: asked.replace('-', ' ') }), {
					value: Math.abs(moves[best]),
					limit: limits.gestureTravel,
				}),
			);
			return { function: name, channel: null, reversed: null, share };
		}
		if (share < limits.gestureShare.value)
			reasons.push(
				reason('fail', say('two-moved', { gesture: asked.replace('-', ' ') }), {
					value: share,
					limit: limits.gestureShare,
				}),
			);
		return { function: name, channel: best + 1, reversed: moves[best] < 0, share };
	});
	const seen = new Map<number, string>();
	for (const { function: name, channel } of channels) {
		if (channel === null) continue;
		const other = seen.get(channel);
		if (other !== undefined) reasons.push(reason('fail', say('same-channel', { channel, other, name })));
		seen.set(channel, name);
	}
	const turned = channels.filter(({ reversed }) => reversed);
	const words = channels.map(
		({ function: name, channel, reversed }) =>
			`${name}: ${channel === null ? 'not seen' : `channel ${channel}${reversed ? ', reversed' : ''}`}`,
	);
	if (reasons.length === 0)
		reasons.push(
			turned.length > 0
				? reason(
						'caution',
						say('reversed', {
							gestures: turned.map(({ function: name }) => name),
							channels: channels.map(({ function: name, channel }) => `${name} ${channel ?? '–'}`),
						}),
						{ value: turned.length },
					)
				: reason('pass', say('order-known'), { value: 4 }),
		);
	return { channels, steps: words.join('; '), ...judge(reasons) };
}
