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
		return reason('fail', 'insufficient-duration', 'Nobody watched long enough to tell a circle from a gust.', {
			value: Math.max(...all.map(({ view }) => view.durationS)),
			limit: limits.leastS,
			next: 'Watch a hover of a minute.',
		});
	return reason('fail', 'insufficient-marks', 'Too few marks: nothing shows that somebody watched to the end.', {
		value: Math.max(...all.map(({ view }) => view.marks.length)),
		limit: limits.leastMarks,
		next: 'Tap what it does whenever asked, one tap at least in the second half.',
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
			'circling-seen',
			`Circling is ${error.circlingProbability >= 0.5 ? 'likely' : 'possible'}: ${percent(error.circlingProbability)}.`,
			{
				value: error.circlingProbability,
				limit: limits.circling,
				next: 'Land. Look at the satellites, then at the compass, before it holds its place again.',
			},
		);
	const one = crept(facts);
	if (one)
		add('fail', 'no-position-hold', 'It crept one way: its place was not held.', {
			value: one.farthestM,
			limit: limits.creepM,
			next: 'Look whether position hold was really on, and at the lock.',
		});
	if (marked)
		add('caution', 'circling-mark', 'Circling was marked.', {
			next: 'Hover again and watch for a whole minute.',
		});
	if (inPosition && (circles || marked))
		add('caution', 'weak-fix-possible', 'A weak fix circles too: one hover in ten does so with a wandering lock.', {
			next: 'Read satellites and scatter before the compass is blamed.',
		});
	if (inPosition && over)
		add('caution', 'hold-loose', 'It went farther than it should.', {
			value: Math.max(...good.map(({ farthestM }) => farthestM ?? 0)),
			limit: distance,
			next: 'Look at lock and wind, and hover again.',
		});
	if (!inPosition && over && !drift)
		add('caution', 'drift-not-explained', 'It drifted, and nobody noted how.', {
			value: Math.max(...good.map(({ farthestM }) => farthestM ?? 0)),
			limit: distance,
			next: 'Let go of the sticks for a few seconds, and note which way it creeps, with the nose two ways.',
		});
	if (differ(good))
		add('caution', 'persons-differ', 'One person saw it circle, another did not: the worse one counts.', {
			next: 'Hover again, from two sides.',
		});
	if (drift?.oneNose)
		add('caution', 'turn-and-repeat', 'With the nose one way, wind and trim look alike.', {
			next: 'Turn it by half, let it settle, and let go again.',
		});
	for (const [kind, { text, next }] of Object.entries(UNSTEADY) as [SeenKind, { text: string; next: string }][])
		if (everMarked(good, kind)) add('caution', kind, text, { next });
	const longest = Math.max(...good.map(({ view }) => view.durationS));
	if (longest < limits.fullS.value)
		add('caution', 'short', 'It was watched for less than a minute.', {
			value: longest,
			limit: limits.fullS,
			next: 'Watch a hover of a minute.',
		});
	if (good.some(({ gap }) => gap))
		add('caution', 'inattentive', 'There are long gaps between the marks.', {
			limit: limits.gapS,
			next: 'Tap what it does whenever asked, “still” too.',
		});
	if (good.every(({ farthestM }) => farthestM === null))
		add('caution', 'no-distance', 'Nobody said how far it went.', { next: 'Say the farthest in steps.' });
	if (!request.wind)
		add('caution', 'wind-not-noted', 'The wind was not noted.', { next: 'Say what the wind does to trees and flags.' });
	const clear = good.every(
		({ category, farthestM }) => category === 'none' && farthestM !== null && farthestM <= distance.value,
	);
	if (error && clear && !request.compassChecked)
		add('caution', 'large-errors-only', 'A hover by eye excludes large compass errors only.', {
			value: error.excludedAboveDeg,
			next: 'Check the compass by a known bearing, a straight leg or its calibration.',
		});
	if (leftOut > 0)
		add(
			'pass',
			'views-left-out',
			`${leftOut === 1 ? 'One view is' : `${leftOut} views are`} too short or marked too seldom, and left out.`,
			{
				value: leftOut,
			},
		);
	if (error)
		add('pass', 'excluded', `Compass errors above ${error.excludedAboveDeg.toFixed(0)}° are excluded.`, {
			value: error.excludedAboveDeg,
		});
	if (out.every(({ level }) => level === 'pass'))
		add(
			'pass',
			inPosition ? 'held-its-place' : 'attitude-held',
			inPosition ? 'It kept its place.' : 'It kept its attitude.',
			{ value: worst.farthestM, limit: distance },
		);
	return out;
}
