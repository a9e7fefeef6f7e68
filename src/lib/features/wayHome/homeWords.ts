import type { HomePlan } from '$lib/core/return/planned';
import { bearingWord } from '$lib/words/bearing';
import { clock } from '$lib/words/clock';

type Action = keyof HomePlan['actions'];

export const ACTION_WORDS: Record<Action, string> = {
	return: 'Return',
	land: 'Land',
	hover: 'Hover',
	'cut-motors': 'Stop the motors',
};

/** What an action would do from the worst place, in a sentence. */
export function outcomeWords(
	action: Action,
	{ totalTimeS, landWithWh, touchdown, reasons }: HomePlan['actions'][Action],
	height: (m: number) => string,
): string {
	if (!touchdown || totalTimeS === null) return reasons[0]?.text ?? 'the wind stops it.';
	const down = `${height(touchdown.distanceM)} ${bearingWord(touchdown.bearingDeg)} of home`;
	if (action === 'return')
		return touchdown.distanceM < 1
			? `home in ${clock(totalTimeS)} min, with ${landWithWh?.toFixed(0)} Wh left.`
			: `it lands where it is, ${down}.`;
	if (action === 'land') return `down in ${clock(totalTimeS)} min, carried ${height(touchdown.driftM)}, ${down}.`;
	if (action === 'hover') return `stays for ${clock(totalTimeS)} min until its reserve, then down ${down}.`;
	return `falls, ${height(touchdown.driftM)} further, with ${touchdown.impactMps?.toFixed(0)} m/s, ${down}.`;
}
