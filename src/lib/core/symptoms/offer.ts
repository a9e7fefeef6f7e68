import type { OfferedTest, SymptomRequest, WhyWithheld } from '../../schema/symptoms';
import { anyOf, gainsOf, outcomesOf, perCause, type Hypotheses } from './model';
import { phaseAt, TABLE, type Cause, type Exposure, type Fitting, type SymptomTest } from './table';

const { limits, testing } = TABLE;
type InTheAir = 'ground' | 'hover' | 'flight';
const PROPELLERS_ON: readonly Exposure[] = ['ground', 'hover', 'flight'];
/** Only this is done with a pack that swells: it is exchanged. */
const SWOLLEN = { sign: 'pack-swollen', allows: 'other-pack' } as const;
const NO_START = 'no-start';

const DANGER3: Record<InTheAir, number> = {
	ground: limits.groundDanger3,
	hover: limits.hoverDanger3,
	flight: limits.flightDanger3,
};
const DANGER2: Record<InTheAir, number> = { ground: 1, hover: limits.hoverDanger2, flight: limits.flightDanger2 };

export interface Offered extends OfferedTest {
	score: number;
}

interface Standing {
	request: SymptomRequest;
	fitting: Fitting;
	hypotheses: Hypotheses;
	/** Probabilities with what explains nothing moved to none. */
	p: Float64Array;
	reached: number;
	noneOfThese: number;
}

const outcomeOf = ({ tests }: SymptomRequest, id: string) => tests.find((t) => t.id === id)?.outcome;

/** Why nothing with propellers on may be tried, looks with the pack off left aside; null where it may. */
function inTheAir(test: SymptomTest, standing: Standing): WhyWithheld | null {
	const { request, fitting, hypotheses, p, reached, noneOfThese } = standing;
	const kind = test.exposure as InTheAir;
	const present = new Set(request.observations.filter(({ state }) => state === 'present').map(({ id }) => id));
	if (TABLE.observations.some(({ id, locks, stops }) => (locks || stops) && present.has(id))) return 'locked';
	if (reached < phaseAt(limits.airReached[kind])) return 'not-reached';
	if (noneOfThese > limits.noneInTheAir) return 'none-too-likely';
	const tolerated = ({ group }: Cause) => test.tolerates?.includes(group) ?? false;
	const least = (danger: number) => anyOf(hypotheses, p, (c) => c.danger >= danger && !tolerated(c));
	if (least(3) > DANGER3[kind] || least(2) > DANGER2[kind]) return 'danger';
	const looked = new Set(
		fitting.tests
			.filter(({ id }) => outcomeOf(request, id) !== undefined)
			.flatMap(({ outcomes }) => outcomes.flatMap(({ finds = {} }) => Object.keys(finds))),
	);
	const probable = perCause(hypotheses, p);
	const unseen = hypotheses.causes.some(
		(c, k) => c.danger === 3 && probable[k] >= limits.lookedAtAbove && !tolerated(c) && !looked.has(c.id),
	);
	return unseen ? 'not-looked-at' : null;
}

/** Why a test that would tell something may not be made now; null where it may. */
function withheldBy(test: SymptomTest, standing: Standing, fire: number): WhyWithheld | null {
	const { request, reached } = standing;
	const present = (sign: string) => request.observations.some(({ id, state }) => id === sign && state === 'present');
	if (test.reached && reached < phaseAt(test.reached)) return 'not-reached';
	if (test.place !== 'any' && request.place !== 'any' && test.place !== request.place) return 'place';
	if (test.exposure !== 'off') {
		if (present(SWOLLEN.sign) && test.id !== SWOLLEN.allows) return 'fire';
		if (fire > limits.fire) return 'fire';
		if (present(NO_START) && outcomeOf(request, limits.afterNoStart) !== 'ok') return 'fire';
	}
	return PROPELLERS_ON.includes(test.exposure) ? inTheAir(test, standing) : null;
}

/** The tests that may be made now, the one worth its minutes first, and what is held back and why. */
export function offeredTests(standing: Standing): {
	offered: Offered[];
	withheld: { test: string; why: WhyWithheld }[];
} {
	const { request, fitting, hypotheses, p } = standing;
	const fire = anyOf(hypotheses, p, ({ id }) => TABLE.fireCauses.includes(id));
	const looks = limits.lookFirst.flatMap((id) => fitting.tests.find((t) => t.id === id) ?? []);
	const missing = looks.filter(({ id }) => outcomeOf(request, id) === undefined);
	const foundBad = looks.some(({ id }) => ![undefined, 'ok'].includes(outcomeOf(request, id)));
	const skipped = new Set(request.skip);
	const gain = gainsOf(hypotheses, p);
	const offered: Offered[] = [];
	const withheld: { test: string; why: WhyWithheld; score: number }[] = [];
	for (const test of fitting.tests) {
		if (outcomeOf(request, test.id) !== undefined || skipped.has(test.id)) continue;
		const seen = (id: string) => request.observations.some((o) => o.id === id && o.state === 'present');
		if (test.seen && !test.seen.some(seen)) continue;
		const gainBits = gain(outcomesOf(hypotheses, test));
		if (gainBits < limits.leastGainBits) continue;
		const onlyOff = !PROPELLERS_ON.includes(test.exposure);
		const wanted = onlyOff ? [] : missing;
		const minutes = test.minutes + testing.riskMinutes[test.exposure];
		const costMinutes = minutes + testing.setUpMinutes + wanted.reduce((sum, t) => sum + t.minutes, 0);
		const score = gainBits / costMinutes;
		let why = withheldBy(test, standing, fire);
		if (!onlyOff && !why && foundBad) why = 'danger';
		if (!onlyOff && !why && wanted.some(({ id }) => skipped.has(id))) why = 'not-looked-at';
		if (why) withheld.push({ test: test.id, why, score });
		else if (wanted.length > 0) offered.push({ test: wanted[0].id, gainBits, costMinutes, before: test.id, score });
		else offered.push({ test: test.id, gainBits, costMinutes, score });
	}
	const sorted = offered.toSorted((a, b) => b.score - a.score);
	return {
		offered: sorted.filter(({ test }, k) => sorted.findIndex((o) => o.test === test) === k),
		withheld: withheld.toSorted((a, b) => b.score - a.score).map(({ test, why }) => ({ test, why })),
	};
}
