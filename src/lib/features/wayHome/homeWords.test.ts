import { describe, expect, it } from 'vitest';
import type { HomePlan } from '$lib/core/return/planned';
import { ACTION_WORDS, outcomeWords } from './homeWords';

type Outcome = HomePlan['actions']['return'];
const metres = (m: number) => `${m.toFixed(0)} m`;
const outcome = (more: Partial<Outcome>): Outcome =>
	({
		totalTimeS: 95,
		landWithWh: 21.4,
		touchdown: { bearingDeg: 90, distanceM: 0.2, driftM: 0 },
		reasons: [{ code: 'x', text: 'The wind is too strong.', level: 'fail' }],
		...more,
	}) as Outcome;
const away = (driftM: number, more = {}) => ({ bearingDeg: 45, distanceM: 120, driftM, ...more });

describe('what an action would do, in a sentence', () => {
	it.each([
		['return', outcome({}), 'home in 1:35 min, with 21 Wh left.'],
		['return', outcome({ touchdown: away(0) }), 'it lands where it is, 120 m NE of home.'],
		['land', outcome({ touchdown: away(14) }), 'down in 1:35 min, carried 14 m, 120 m NE of home.'],
		['hover', outcome({ touchdown: away(0) }), 'stays for 1:35 min until its reserve, then down 120 m NE of home.'],
		[
			'cut-motors',
			outcome({ touchdown: away(9, { impactMps: 17.6 }) }),
			'falls, 9 m further, with 18 m/s, 120 m NE of home.',
		],
		['return', outcome({ touchdown: null }), 'The wind is too strong.'],
		['land', outcome({ totalTimeS: null }), 'The wind is too strong.'],
		['land', outcome({ touchdown: null, reasons: [] }), 'the wind stops it.'],
	] as const)('%s', (action, what, words) => {
		const said = outcomeWords(action, what, metres).replace('north-east', 'NE');
		expect(said).toBe(words);
	});
	it('every action has its name', () => {
		expect(Object.values(ACTION_WORDS).every((name) => /^[A-Z][a-z ]+$/.test(name))).toBe(true);
	});
});
