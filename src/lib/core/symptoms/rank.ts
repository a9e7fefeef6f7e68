import { symptoms as say } from '$lib/messages/symptoms';
import type { Reason } from '../../schema/common';
import type { SymptomAnswer, SymptomEvidence, SymptomRequest } from '../../schema/symptoms';
import { InputError } from '../finding/inputError';
import { judge, reason } from '../finding/reasons';
import { evidenceOf, reachedPhase, type Evidence } from './evidence';
import { anyOf, entropy, gainsOf, hypothesesFor, perCause, posterior, type Hypotheses } from './model';
import { offeredTests, type Offered } from './offer';
import { fittingTo, phaseAt, TABLE, type Fitting } from './table';

const { limits } = TABLE;
const MOST = { ranked: 12, pairs: 5, bits: 5, tests: 8, withheld: 6, questions: 3 } as const;
const LEAST = { ranked: 0.005, pair: 0.02, partner: 0.05, bits: 0.3, second: 0.2, likely: 0.3, none: 0.3 } as const;
/** A sensor that fails in itself is the maker's. */
const MAKERS = { cause: 'imu-fault', from: 0.8 } as const;
const ours = (value: number, unit: string) => ({
	value,
	unit,
	source: 'Winglogos, by judgement',
});

function refuse(path: string, what: string): never {
	throw new InputError('unknown-id', path, what);
}

/** Every id is one of the table that fits this aircraft, and none stands twice. @throws InputError naming the place. */
function checkIds(request: SymptomRequest, fitting: Fitting): void {
	const once = (list: string, ids: readonly string[]) =>
		ids.forEach((id, i) => {
			if (ids.indexOf(id) !== i) refuse(`${list}.${i}.id`, `${id} stands twice`);
		});
	const reached = reachedPhase(request, fitting);
	request.observations.forEach(({ id, state }, i) => {
		const sign = fitting.observations.find((o) => o.id === id);
		if (!sign) refuse(`observations.${i}.id`, `${id} is no sign of such an aircraft`);
		if (
			request.reached === undefined
				? state !== 'present' && reached >= 0 && phaseAt(sign.when) > reached
				: phaseAt(sign.when) > reached
		)
			refuse(
				request.reached ? 'reached' : `observations.${i}.id`,
				`${id} is seen later than ${request.reached ?? 'what was present'}`,
			);
	});
	once(
		'observations',
		request.observations.map(({ id }) => id),
	);
	request.tests.forEach(({ id, outcome }, i) => {
		const test = fitting.tests.find((t) => t.id === id);
		if (!test) refuse(`tests.${i}.id`, `${id} is no test of such an aircraft`);
		if (!test.outcomes.some((o) => o.id === outcome)) refuse(`tests.${i}.outcome`, `${id} has no outcome ${outcome}`);
	});
	once(
		'tests',
		request.tests.map(({ id }) => id),
	);
	request.remedies.forEach(({ cause, result }, i) => {
		if (!fitting.causes.some(({ id }) => id === cause))
			refuse(`remedies.${i}.cause`, `${cause} is no cause of such an aircraft`);
		const same = request.remedies.slice(0, i).filter((r) => r.cause === cause);
		if (same.some((r) => r.result !== result) || (same.length > 0 && result === 'gone') || same.length > 1)
			refuse(`remedies.${i}.cause`, `${cause} stands twice`);
	});
	request.skip.forEach((id, i) => {
		if (!fitting.tests.some((t) => t.id === id)) refuse(`skip.${i}`, `${id} is no test of such an aircraft`);
	});
}

/** ln of the odds of each cause, before anything is moved to none. */
function logOdds(hypotheses: Hypotheses, ln: Float64Array): Float64Array {
	return perCause(hypotheses, posterior(hypotheses.prior, ln)).map((p) => Math.log2(p / (1 - p)));
}

/** What speaks for and against each cause: its odds with everything, against its odds without one thing. */
function bitsOf(
	hypotheses: Hypotheses,
	{ items }: Evidence,
	ln: Float64Array,
): { item: SymptomEvidence; of: Float64Array }[] {
	const whole = logOdds(hypotheses, ln);
	return items.map(({ from, id, ln: own, without }) => {
		const left = logOdds(
			hypotheses,
			ln.map((v, h) => v - own[h] + (without?.[h] ?? 0)),
		);
		return { item: { from, ...(id ? { id } : {}), bits: 0 }, of: whole.map((v, c) => v - left[c]) };
	});
}

const NOTHING_KNOWN = {
	ranked: [],
	pairs: [],
	groups: [],
	noneOfThese: null,
	entropyBits: null,
	questions: [],
	next: null,
	tests: [],
	withheld: [],
} satisfies Partial<SymptomAnswer>;

/**
 * Ranks the causes behind what was seen, heard or read, with what speaks for and against each, the test that is worth its minutes and
 * may be made now, and when to stop. Single causes, pairs, and none of these; docs/methods/symptoms.md.
 * @throws InputError for an id that the table does not have or that does not fit the aircraft.
 */
export function rankSymptoms(request: SymptomRequest): SymptomAnswer {
	const fitting = fittingTo(request);
	checkIds(request, fitting);
	const present = request.observations.filter(({ state }) => state === 'present').map(({ id }) => id);
	const lockedBy = fitting.observations.filter(({ id, locks }) => locks && present.includes(id)).map(({ id }) => id);
	const found = request.tests.some(({ outcome }) => outcome !== 'ok');
	if (present.length === 0 && !found && !request.response)
		return {
			...NOTHING_KNOWN,
			danger: { level2: null, level3: null, fire: null, locked: false, lockedBy: [] },
			stop: { state: 'nothing-left', text: 'Tell what it does first.' },
			...judge([reason('fail', say('insufficient-observations'), { value: 0, limit: ours(1, 'signs') })]),
		};

	const hypotheses = hypothesesFor(fitting, request);
	const evidence = evidenceOf(request, fitting, hypotheses);
	const ln = new Float64Array(hypotheses.prior.length);
	for (const { ln: own } of evidence.items) own.forEach((v, h) => (ln[h] += v));
	const all = posterior(hypotheses.prior, ln);
	const p = explainedOnly(hypotheses, evidence, all);
	const noneOfThese = Math.min(1, p[p.length - 1]);
	const probable = perCause(hypotheses, p);

	const bits = bitsOf(hypotheses, evidence, ln);
	const speaks = (c: number, sign: 1 | -1) =>
		bits
			.map(({ item, of }) => ({ ...item, bits: of[c] }))
			.filter((e) => sign * e.bits >= LEAST.bits)
			.toSorted((a, b) => sign * (b.bits - a.bits))
			.slice(0, MOST.bits);
	const pairs = pairsOf(hypotheses, p);
	const ranked = hypotheses.causes
		.map((cause, c) => ({ cause, c, probability: probable[c] }))
		.filter(({ c, probability }) => evidence.explains[c] && probability >= LEAST.ranked)
		.toSorted((a, b) => b.probability - a.probability)
		.slice(0, MOST.ranked)
		.map(({ cause: { id, group, text, danger, remedy, repeat }, c, probability }) => {
			const [partner] = pairs.filter(({ causes }) => causes.includes(id));
			const other = partner?.causes.find((o) => o !== id);
			return {
				cause: id,
				group,
				text,
				probability,
				danger,
				...(other && partner.probability >= LEAST.partner
					? { alsoWith: { cause: other, probability: partner.probability } }
					: {}),
				for: speaks(c, 1),
				against: speaks(c, -1),
				remedy,
				repeat: repeat.map((check) => ({ id: check, ...TABLE.repeats[check] })),
			};
		});

	const standing = { request, fitting, hypotheses, p, reached: evidence.reached, noneOfThese };
	const { offered, withheld } = offeredTests(standing);
	const danger = {
		level2: anyOf(hypotheses, p, (c) => c.danger >= 2),
		level3: anyOf(hypotheses, p, (c) => c.danger >= 3),
		fire: anyOf(hypotheses, p, ({ id }) => TABLE.fireCauses.includes(id)),
		locked: lockedBy.length > 0,
		lockedBy,
	};
	const stop = stopOf(request, ranked, noneOfThese, offered);
	const tests = stop.state === 'go-on' ? offered.slice(0, MOST.tests).map(({ score: _, ...test }) => test) : [];
	const nudges = present.filter((id) => TABLE.responseObservations.includes(id));
	return {
		ranked,
		pairs: pairs.filter(({ probability }) => probability >= LEAST.pair).slice(0, MOST.pairs),
		groups: groupsOf(hypotheses, p),
		noneOfThese,
		entropyBits: entropy(hypotheses, p),
		danger,
		questions: request.tests.length > 0 ? [] : questionsOf(hypotheses, evidence, p),
		next: tests[0] ?? null,
		tests,
		withheld: withheld.slice(0, MOST.withheld),
		...(nudges.length > 0 && !request.response
			? {
					handOver: {
						to: 'ground-response' as const,
						why: 'What the four nudges did, entered as seen, ranks these better. Do not try them again for it.',
					},
				}
			: {}),
		stop,
		...judge(reasonsOf({ ranked, danger, noneOfThese, stop, fitting })),
	};
}

/** What explains nothing that was seen is moved to none of these. */
function explainedOnly({ first, second }: Hypotheses, { explains }: Evidence, all: Float64Array): Float64Array {
	const p = Float64Array.from(all);
	const none = p.length - 1;
	for (let h = 0; h < none; h++)
		if (!explains[first[h]] && (second[h] < 0 || !explains[second[h]])) {
			p[none] += p[h];
			p[h] = 0;
		}
	return p;
}

/** All pairs with their probability, the likeliest first. */
function pairsOf({ causes, first, second }: Hypotheses, p: Float64Array): SymptomAnswer['pairs'] {
	const out: SymptomAnswer['pairs'] = [];
	for (let h = 0; h < p.length - 1; h++)
		if (second[h] >= 0 && p[h] >= LEAST.pair)
			out.push({ causes: [causes[first[h]].id, causes[second[h]].id], probability: p[h] });
	return out.toSorted((a, b) => b.probability - a.probability);
}

const groupsOf = (hypotheses: Hypotheses, p: Float64Array): SymptomAnswer['groups'] =>
	[...new Set(hypotheses.causes.map(({ group }) => group))]
		.map((group) => ({ group, probability: anyOf(hypotheses, p, (c) => c.group === group) }))
		.filter(({ probability }) => probability > 0)
		.toSorted((a, b) => b.probability - a.probability);

/** Up to three signs worth asking for: they cost no risk. */
function questionsOf(hypotheses: Hypotheses, { open }: Evidence, p: Float64Array): SymptomAnswer['questions'] {
	const gain = gainsOf(hypotheses, p);
	return open
		.map(({ sign: { id, text }, told }) => ({ id, text, gainBits: gain([told, told.map((v) => 1 - v)]) }))
		.filter(({ gainBits }) => gainBits >= limits.leastGainBits)
		.toSorted((a, b) => b.gainBits - a.gainBits)
		.slice(0, MOST.questions);
}

type Ranked = SymptomAnswer['ranked'];

function stopOf(
	{ tests, remedies }: SymptomRequest,
	[top, second]: Ranked,
	noneOfThese: number,
	offered: readonly Offered[],
): SymptomAnswer['stop'] {
	const probability = top?.probability ?? 0;
	const tried = remedies.filter(({ cause, result }) => cause === top?.cause && result === 'persists').length;
	const repeat = (top?.repeat ?? []).map(({ text }) => text.toLowerCase()).join('; ');
	const cured = remedies.some(({ cause, result }) => cause === top?.cause && result === 'gone');
	const also =
		second && second.probability >= LEAST.second
			? ` It may be this too: ${second.text.toLowerCase()}; mend the first, then tell again what it does.`
			: '';
	const checks = repeat
		? ` ${cured ? 'Before it flies' : 'Then'}: ${repeat}. The staged hover starts at its first rung.`
		: '';
	if (tests.length >= limits.mostTests)
		return { state: 'limit', text: 'Eight tests were made: ask the maker, with this list.' };
	if (
		(noneOfThese >= limits.askMakerNone && tests.length >= limits.askMakerAfterTests) ||
		(top?.cause === MAKERS.cause && probability >= MAKERS.from) ||
		tried >= 2
	)
		return { state: 'ask-maker', text: 'Nothing here fits well enough: ask the maker, with this list.' };
	if (probability >= limits.settled && tests.length >= limits.settledLeastTests)
		return { state: 'settled', text: `${top.text}.${checks}${also}` };
	if (offered.length === 0)
		return {
			state: 'nothing-left',
			text:
				probability < 0.5
					? 'No check that may be made now would tell more: ask the maker, with this list.'
					: `No check that may be made now would tell more. Most likely: ${top.text.toLowerCase()}.${checks}${also}`,
		};
	const next = second && second.probability >= LEAST.second ? ` Next likeliest: ${second.text.toLowerCase()}.` : '';
	return { state: 'go-on', text: `The check that is offered tells most.${cured ? checks : ''}${next}` };
}

interface Told {
	ranked: Ranked;
	danger: SymptomAnswer['danger'];
	noneOfThese: number;
	stop: SymptomAnswer['stop'];
	fitting: Fitting;
}

function reasonsOf({ ranked: [top], danger, noneOfThese, stop, fitting }: Told): Reason[] {
	const out: Reason[] = [];
	const add = (...told: Parameters<typeof reason>) => out.push(reason(...told));
	const { level2, level3, fire } = danger;
	const next = 'Propellers off until it is mended and its checks are done again.';
	if (danger.locked) {
		const texts = fitting.observations.filter(({ id }) => danger.lockedBy.includes(id)).map(({ text }) => text);
		add('fail', say('locked', { texts, remedy: next }));
	}
	if ((level3 ?? 0) > limits.groundDanger3)
		add('fail', say('danger', { remedy: next }), {
			value: level3,
			limit: ours(limits.groundDanger3, 'probability'),
		});
	else if ((level2 ?? 0) > limits.hoverDanger2)
		add('fail', say('danger#rank', { remedy: next }), {
			value: level2,
			limit: ours(limits.hoverDanger2, 'probability'),
		});
	if ((fire ?? 0) > limits.fire) add('fail', say('fire'), { value: fire, limit: ours(limits.fire, 'probability') });
	if (stop.state === 'ask-maker') add('fail', say('ask-maker', { says: stop.text }));
	if (top && top.probability >= LEAST.likely)
		add('caution', say('likely-cause', { cause: top.text, state: stop.state, remedy: top.remedy }), {
			value: top.probability,
		});
	if (top?.danger === 0) add('caution', say('normal-behaviour'), { value: top.probability });
	if (noneOfThese >= LEAST.none)
		add('caution', say('none-of-these'), { value: noneOfThese, limit: ours(limits.askMakerNone, 'probability') });
	if (stop.state === 'nothing-left') add('caution', say('no-test-left', { says: stop.text }));
	if (out.length === 0) add('caution', say('several-causes'));
	return out;
}
