import { hover as say } from '$lib/messages/hover';
import type { Reason } from '../../schema/common';
import type { HoverSeenAnswer, HoverSeenRequest, SeenKind } from '../../schema/hoverSeen';
import { judge, reason } from '../finding/reasons';
import { driftFromViews, type SeenDrift } from './seenDrift';
import { seenLimits as limits } from './seenLimits';
import { errorFromViews, type SeenError } from './seenModel';
import { readView, worstView, type Seen } from './seenViews';

/** Movements that are no holding, and what to do about each. */
const UNSTEADY: Partial<Record<SeenKind, { text: string; next: string }>> = {
	bobbing: {
		text: 'It bobbed up and down.',
		next: 'Look at the vibration and the height hold’s gain; stay out of its own wash.',
	},
	rising: { text: 'It rose by itself.', next: 'Cover the pressure sensor from wind and light, and hover again.' },
	sinking: { text: 'It sank by itself.', next: 'Look at the pack’s voltage and the pressure sensor, and hover again.' },
	wobble: { text: 'It wobbled.', next: 'Look at propellers, motor screws and frame before it flies again.' },
	twitch: { text: 'It twitched.', next: 'Look at the link, the connectors and the propellers before it flies again.' },
};

const percent = (share: number) => `${(100 * share).toFixed(0)} %`;

interface Facts {
	request: HoverSeenRequest;
	good: readonly Seen[];
	worst: Seen;
	error: SeenError | null;
	drift: SeenDrift | null;
	leftOut: number;
}

/**
 * What a hover watched by eye says: whether it circled, what compass error is behind it or is excluded, how far it went, and, without
 * position hold, whether wind or trim carried it. Errors positive with clockwise circling seen from above; wind where the air goes,
 * trim forward and right. docs/methods/seen.md.
 */
export function reviewSeenHover(request: HoverSeenRequest): HoverSeenAnswer {
	const all = request.views.map((view) => readView(view, request));
	const good = all.filter(({ enoughMarks, longEnough }) => enoughMarks && longEnough);
	const worst = worstView(good);
	const drift = request.hold === 'position' ? null : driftFromViews(request);
	const told = drift ? { drift: driftOf(drift) } : {};
	if (!worst)
		return {
			circling: { probability: null, category: null, sense: null, periodS: null },
			compassErrorDeg: null,
			compassErrorSigmaDeg: null,
			sizeDeg: null,
			sizeSigmaDeg: null,
			excludedAboveDeg: null,
			farthestM: null,
			farthestSigmaM: null,
			stillShare: null,
			persons: [],
			causes: [],
			clears: null,
			...told,
			...judge([insufficient(all)]),
		};
	const error = request.hold === 'position' ? errorFromViews(good) : null;
	const facts: Facts = { request, good, worst, error, drift, leftOut: all.length - good.length };
	const judged = judge(reasonsOf(facts));
	return {
		circling: {
			probability: error?.circlingProbability ?? null,
			category: worst.category,
			sense: worst.sense,
			periodS: worst.category === 'none' ? null : (worst.view.circleS ?? null),
		},
		compassErrorDeg: error?.errorDeg ?? null,
		compassErrorSigmaDeg: error?.errorSigmaDeg ?? null,
		sizeDeg: error?.sizeDeg ?? null,
		sizeSigmaDeg: error?.sizeSigmaDeg ?? null,
		excludedAboveDeg: error?.excludedAboveDeg ?? null,
		farthestM: worst.farthestM,
		farthestSigmaM: worst.farthestSigmaM,
		stillShare: worst.stillShare,
		persons: good.map(({ view, category }) => ({ person: view.person, hover: view.hover, category })),
		...told,
		causes: causesOf(facts),
		clears: request.hold === 'position' && judged.verdict === 'pass' ? 'held-its-place' : null,
		...judged,
	};
}

const driftOf = ({ windMps, windSigmaMps, trimMps, trimSigmaMps }: SeenDrift) => ({
	windMps,
	windSigmaMps,
	trimMps,
	trimSigmaMps,
});

function insufficient(all: readonly Seen[]): Reason {
	if (all.every(({ longEnough }) => !longEnough))
		return reason('fail', say('insufficient-duration#seen'), {
			value: Math.max(...all.map(({ view }) => view.durationS)),
			limit: limits.leastS,
		});
	return reason('fail', say('insufficient-marks'), {
		value: Math.max(...all.map(({ view }) => view.marks.length)),
		limit: limits.leastMarks,
	});
}

const shareOf = (good: readonly Seen[], kind: SeenKind) => Math.max(...good.map(({ shares }) => shares.get(kind) ?? 0));
const everMarked = (good: readonly Seen[], kind: SeenKind) =>
	good.some(({ view }) => view.marks.some((mark) => mark.kind === kind));
const crept = ({ request, good }: Facts): Seen | undefined =>
	request.hold === 'position'
		? good.find((s) => s.creepShare >= limits.creepShare.value && (s.farthestM ?? 0) > limits.creepM.value)
		: undefined;

function causesOf(facts: Facts): HoverSeenAnswer['causes'] {
	const { good, worst, error, drift } = facts;
	const out: HoverSeenAnswer['causes'] = [];
	const add = (code: string, probability: number, why: string, next: string) =>
		out.push({ code, probability, why, next });
	if (error) {
		const { circlingProbability: p } = error;
		add(
			'held-its-place',
			worst.stillShare * (1 - p),
			`It stood still ${percent(worst.stillShare)} of the time.`,
			'Keep this hover as its usual one.',
		);
		add(
			'compass-error',
			p,
			worst.sense
				? `It circled ${worst.sense === 'cw' ? 'to the right' : 'to the left'}: a heading that is off bends every correction the same way.`
				: 'Nobody saw it circle; what is left is what such watching misses.',
			'Look at the satellites first; then calibrate the compass away from metal, and check a known bearing.',
		);
	} else
		add(
			'held-its-place',
			worst.stillShare,
			`It stood still ${percent(worst.stillShare)} of the time.`,
			'Keep this hover as its usual one.',
		);
	if (drift) {
		add(
			'wind-drift',
			drift.windProbability,
			`The air moved it ${Math.hypot(...drift.windMps).toFixed(1)} m/s.`,
			'Hover again when it is calmer, or in the lee.',
		);
		add(
			'level-trim',
			drift.trimProbability,
			`It moves ${Math.hypot(...drift.trimMps).toFixed(1)} m/s with its own nose.`,
			'Calibrate the level on a level plate, or trim it.',
		);
	}
	const one = crept(facts);
	if (one)
		add(
			'no-position-hold',
			0.5 + 0.5 * one.creepShare,
			'It crept one way for most of the hover: nothing held its place.',
			'Look whether position hold was really on, and at the lock.',
		);
	const bobs = shareOf(good, 'bobbing');
	if (bobs > 0)
		add(
			'height-oscillation',
			0.5 + 0.5 * bobs,
			`It bobbed ${percent(bobs)} of the time.`,
			'Look at the vibration and the height hold’s gain.',
		);
	return out.toSorted((a, b) => b.probability - a.probability);
}

/** Whether two persons at one hover saw different things. */
const differ = (good: readonly Seen[]) =>
	good.some((a) => good.some((b) => a.view.hover === b.view.hover && a.category === 'none' && b.category !== 'none'));

function reasonsOf(facts: Facts): Reason[] {
	const { request, good, worst, error, drift, leftOut } = facts;
	const inPosition = request.hold === 'position';
	const distance = { value: request.limits.distanceM, unit: 'm', source: 'As set for this hover' };
	const over = worst.farthestM !== null && good.some((s) => (s.farthestM ?? 0) > distance.value);
	const out: Reason[] = [];
	const add = (...told: Parameters<typeof reason>) => out.push(reason(...told));
	const circles = (error?.circlingProbability ?? 0) >= limits.circling.value;
	const marked = everMarked(good, 'circling');

	if (error && circles)
		add(
			'fail',
			say('circling-seen', {
				circlingProbability: error.circlingProbability,
				shown: percent(error.circlingProbability),
			}),
			{ value: error.circlingProbability, limit: limits.circling },
		);
	const one = crept(facts);
	if (one) add('fail', say('no-position-hold#seen'), { value: one.farthestM, limit: limits.creepM });
	if (marked) add('caution', say('circling-mark'));
	if (inPosition && (circles || marked)) add('caution', say('weak-fix-possible'));
	if (inPosition && over)
		add('caution', say('hold-loose'), {
			value: Math.max(...good.map(({ farthestM }) => farthestM ?? 0)),
			limit: distance,
		});
	if (!inPosition && over && !drift)
		add('caution', say('drift-not-explained'), {
			value: Math.max(...good.map(({ farthestM }) => farthestM ?? 0)),
			limit: distance,
		});
	if (differ(good)) add('caution', say('persons-differ'));
	if (drift?.oneNose) add('caution', say('turn-and-repeat'));
	for (const [kind, { text, next }] of Object.entries(UNSTEADY) as [SeenKind, { text: string; next: string }][])
		if (everMarked(good, kind)) add('caution', { ...say('unsteady', { shows: text, remedy: next }), code: kind });
	const longest = Math.max(...good.map(({ view }) => view.durationS));
	if (longest < limits.fullS.value) add('caution', say('short'), { value: longest, limit: limits.fullS });
	if (good.some(({ gap }) => gap)) add('caution', say('inattentive'), { limit: limits.gapS });
	if (good.every(({ farthestM }) => farthestM === null)) add('caution', say('no-distance'));
	if (!request.wind) add('caution', say('wind-not-noted'));
	const clear = good.every(
		({ category, farthestM }) => category === 'none' && farthestM !== null && farthestM <= distance.value,
	);
	if (error && clear && !request.compassChecked)
		add('caution', say('large-errors-only'), { value: error.excludedAboveDeg });
	if (leftOut > 0) add('pass', say('views-left-out', { leftOut }), { value: leftOut });
	if (error)
		add('pass', say('excluded', { excludedAboveDeg: error.excludedAboveDeg }), { value: error.excludedAboveDeg });
	if (out.every(({ level }) => level === 'pass'))
		add('pass', say(inPosition ? 'held-its-place' : 'attitude-held'), { value: worst.farthestM, limit: distance });
	return out;
}
