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
			? reason('pass', 'righted', `It came over in ${pushes.length === 1 ? 'one push' : `${pushes.length} pushes`}.`, {
					value: pushes.length,
					limit,
					next: 'Disarm, look at propellers and frame before anything else; then its switch off.',
				})
			: last === 'stuck'
				? reason('fail', 'righting-stuck', 'A motor stood still or hummed.', {
						next: 'Disarm at once; walk there. Look for grass round a shaft, feel for a hot motor, no second try today.',
					})
				: pushes.length === 0
					? reason('fail', 'insufficient-pushes', 'It was not tried.', {
							next: 'Try it once on grass, or set it aside.',
						})
					: reason('caution', 'not-righted', `It did not come over in ${pushes.length} pushes.`, {
							value: pushes.length,
							limit,
							next: 'Disarm and walk there. Look which way it turns for each stick before it is needed.',
						});
	return { ...judge([out]), headline: out.text };
}
