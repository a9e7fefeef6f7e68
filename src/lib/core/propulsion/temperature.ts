import { propulsion as say } from '$lib/messages/propulsion';
import type { Reason, Verdict } from '../../schema/common';
import { judge, reason } from '../finding/reasons';
import { median } from '../math/statistics';
import { studentQuantile } from '../math/student';

/** How warmth was told: by a thermometer, or by the hand. */
export type Warmth = 'thermometer' | 'hand';

/** A part after a flight, °C; parts of one group (motors, speed controllers) are alike and are held against one another. */
export interface WarmPart {
	name: string;
	group: string;
	celsius: number;
	/** Warmth above the air of earlier flights, °C. */
	earlier: readonly number[];
}

/** Thresholds of temperatures: value, unit, why, source. */
export const temperatureLimits = {
	riseC: {
		value: 8,
		unit: '°C above the air',
		why: 'Less than this above the air says nothing of what it was loaded with.',
		source: 'docs/methods/temperature.md',
	},
	partC: {
		value: 80,
		unit: '°C',
		why: 'Magnets weaken and solder softens not far above; a hand is drawn back at 50.',
		source: 'Winglogos default; the maker’s sheet stands above it',
	},
} as const;

/** Own error of the way it was told, °C. */
const OWN_C: Record<Warmth, number> = { thermometer: 2, hand: 6 };
/** Parts alike differ by this, of the logarithm, before any was felt; as good as six of them. */
const ALIKE = { sigma: 0.1, worth: 6 };
/** One flight differs from the next by this, of the logarithm; what a part is expected at before any flight, °C. */
const FLIGHTS = { sigma: 0.18, worth: 5, riseC: 25, meanWorth: 0.3, outside: 0.98 };
const LEAST_RISE_C = 3;
const FALSE_SHARE = 0.04;

const ln = (riseC: number) => Math.log(Math.max(riseC, LEAST_RISE_C));

/** Parts of a group that are hotter than the others, by how many are expected to differ: docs/methods/temperature.md. */
function besideOthers(parts: readonly WarmPart[], ambientC: number, how: Warmth): Reason[] {
	const n = parts.length;
	if (n < 3) return [];
	return parts.flatMap(({ name, celsius }, i) => {
		const rise = celsius - ambientC;
		if (rise < temperatureLimits.riseC.value) return [];
		const others = parts.filter((_, k) => k !== i).map((p) => ln(p.celsius - ambientC));
		const middle = median(others);
		const mad = 1.4826 * median(others.map((x) => Math.abs(x - middle))) * (1 + 1.5 / (n - 1));
		const s2 = (ALIKE.worth * ALIKE.sigma ** 2 + (n - 2) * mad ** 2) / (n + 4);
		const sigma = Math.sqrt((s2 + (OWN_C[how] / rise) ** 2) * (1 + 1.57 / (n - 1)));
		const limit = studentQuantile(1 - FALSE_SHARE / n, n + 4);
		const z = (ln(rise) - middle) / sigma;
		if (z <= limit) return [];
		const usual = ambientC + Math.exp(middle + limit * sigma);
		return [
			reason('caution', say('hotter-than-others', { name }), {
				value: celsius,
				limit: { value: Math.round(usual), unit: '°C', source: `The ${n - 1} others today` },
			}),
		];
	});
}

/** A part against its own earlier flights; null where there are none. */
function besideItself({ name, celsius, earlier }: WarmPart, ambientC: number): Reason | null {
	const rise = celsius - ambientC;
	const n = earlier.length;
	if (n === 0 || rise < temperatureLimits.riseC.value) return null;
	const logs = earlier.map(ln);
	const k = n + FLIGHTS.meanWorth;
	const sum = logs.reduce((a, b) => a + b, 0);
	const middle = (FLIGHTS.meanWorth * Math.log(FLIGHTS.riseC) + sum) / k;
	const spread = logs.reduce((all, x) => all + (x - sum / n) ** 2, 0);
	const sigma = Math.sqrt((FLIGHTS.worth * FLIGHTS.sigma ** 2 + spread) / (FLIGHTS.worth + n));
	const reach = studentQuantile(FLIGHTS.outside, FLIGHTS.worth + n) * sigma * Math.sqrt(1 + 1 / k);
	if (ln(rise) - middle <= reach) return null;
	return reason('caution', say('hotter-than-usual', { name }), {
		value: rise,
		limit: { value: Math.round(Math.exp(middle + reach)), unit: '°C above the air', source: `Its own ${n} flights` },
	});
}

/**
 * What temperatures after a flight say: each part against its like, against its own history, and against what none should reach. Where
 * nothing is warm enough to say anything, that is said. @throws Error without a part.
 */
export function judgeTemperatures(
	parts: readonly WarmPart[],
	ambientC: number,
	how: Warmth,
): { headline: string; verdict: Verdict; reasons: Reason[] } {
	if (parts.length === 0) throw new Error('a part is needed');
	const groups = [...new Set(parts.map(({ group }) => group))];
	const out: Reason[] = [
		...parts
			.filter(({ celsius }) => celsius >= temperatureLimits.partC.value)
			.map(({ name, celsius }) =>
				reason('fail', say('too-hot', { name }), { value: celsius, limit: temperatureLimits.partC }),
			),
		...groups.flatMap((group) =>
			besideOthers(
				parts.filter((p) => p.group === group),
				ambientC,
				how,
			),
		),
		...parts.flatMap((part) => besideItself(part, ambientC) ?? []),
	];
	const compared = {
		others: groups.some((group) => parts.filter((p) => p.group === group).length > 1),
		itself: parts.some(({ earlier }) => earlier.length > 0),
	};
	const alikeCode = compared.others
		? compared.itself
			? 'alike'
			: 'alike-others'
		: compared.itself
			? 'alike-itself'
			: 'nothing-to-compare';
	const warm = parts.filter(({ celsius }) => celsius - ambientC >= temperatureLimits.riseC.value);
	if (out.length === 0)
		out.push(
			warm.length === 0
				? reason('pass', say('too-cool-to-tell'), {
						value: Math.max(...parts.map(({ celsius }) => celsius - ambientC)),
						limit: temperatureLimits.riseC,
					})
				: reason('pass', say(alikeCode), {
						value: Math.max(...parts.map(({ celsius }) => celsius)),
						limit: temperatureLimits.partC,
					}),
		);
	const judged = judge(out);
	return { headline: judged.reasons[0].text, ...judged };
}
