import { session as say } from '$lib/messages/session';
import type { Reason, Verdict } from '../../schema/common';
import { judge, reason } from '../finding/reasons';

/** Where nothing is in the way, seen by the pilot who stands behind the aircraft as it lies. */
export type FreeSide = 'left' | 'right' | 'away' | 'toward';
export const FREE_SIDES: readonly FreeSide[] = ['away', 'left', 'right', 'toward'];

export const FREE_WORDS: Record<FreeSide, { side: string; stick: string }> = {
	left: { side: 'to the left', stick: 'to the left' },
	right: { side: 'to the right', stick: 'to the right' },
	away: { side: 'away from you', stick: 'forward' },
	toward: { side: 'toward you', stick: 'back' },
};

/** How a push went. */
export type Push = 'over' | 'other-way' | 'moved' | 'stuck';
export const PUSH_WORDS: Record<Push, string> = {
	over: 'It is over, and sits on its feet',
	'other-way': 'It tipped the other way',
	moved: 'It moved and fell back',
	stuck: 'Nothing moved, or it hums',
};
/** More pushes than this heat motors that stand still: Winglogos default; the maker's manual stands above it. */
export const MOST_PUSHES = 4;

/** What to do next after the pushes so far; null where it is over, or no more is tried. */
export function nextPush(pushes: readonly Push[], side: FreeSide): string | null {
	const last = pushes.at(-1);
	if (last === 'over' || last === 'stuck' || pushes.length >= MOST_PUSHES) return null;
	const { stick } = FREE_WORDS[side];
	if (last === undefined) return `Stick ${stick}, a quarter of a second, then let go`;
	if (last === 'other-way') return 'It lies the other way round than you thought: the opposite stick, just as short';
	return `The same again, a little longer, never held: stick ${stick}`;
}

/** What was learnt by trying it. Nothing tried passes nothing. */
export function judgeRighting(pushes: readonly Push[]): { headline: string; verdict: Verdict; reasons: Reason[] } {
	const last = pushes.at(-1);
	const limit = {
		value: MOST_PUSHES,
		unit: 'pushes',
		source: 'Winglogos default: motors that are driven and stand still burn',
	};
	const out =
		last === 'over'
			? reason('pass', say('righted', { pushes: pushes.length }), { value: pushes.length, limit })
			: last === 'stuck'
				? reason('fail', say('righting-stuck'))
				: pushes.length === 0
					? reason('fail', say('insufficient-pushes'))
					: reason('caution', say('not-righted', { pushes: pushes.length }), { value: pushes.length, limit });
	return { ...judge([out]), headline: out.text };
}
