import type { Message } from '$lib/messages/message';
import { propulsion as say } from '$lib/messages/propulsion';
import type { Reason, Verdict } from '../../schema/common';
import type { Aircraft } from '../../schema/records';
import { judge, reason } from '../finding/reasons';

export type SurfaceKind = NonNullable<Aircraft['surfaces']>;
export type Axis = 'roll' | 'pitch' | 'yaw';
/** By the stick in direct control, or by the stabiliser while the airframe is moved by hand. */
export type By = 'stick' | 'stabiliser';
/** Of a trailing edge, seen from behind. */
export type Move = 'up' | 'down' | 'right' | 'left' | 'still';
export type SurfaceId = 'left' | 'right' | 'elevator' | 'rudder' | 'tail-left' | 'tail-right';
/** What a surface did against what it should: as it should, the other way, or nothing. */
export type Seen = 'right' | 'reversed' | 'still';

export const SURFACE_NAMES: Record<SurfaceKind, Partial<Record<SurfaceId, string>>> = {
	elevons: { left: 'left elevon', right: 'right elevon' },
	separate: { left: 'left aileron', right: 'right aileron', elevator: 'elevator', rudder: 'rudder' },
	'v-tail': { left: 'left aileron', right: 'right aileron', 'tail-left': 'left tail', 'tail-right': 'right tail' },
};

/** What the stick makes each surface do: stick right, stick back, rudder right. */
const STICK: Record<SurfaceKind, Partial<Record<Axis, Partial<Record<SurfaceId, Move>>>>> = {
	elevons: { roll: { left: 'down', right: 'up' }, pitch: { left: 'up', right: 'up' } },
	separate: {
		roll: { left: 'down', right: 'up' },
		pitch: { elevator: 'up' },
		yaw: { rudder: 'right' },
	},
	'v-tail': {
		roll: { left: 'down', right: 'up' },
		pitch: { 'tail-left': 'up', 'tail-right': 'up' },
		// Leaning outward, an edge that goes right goes up on the left side and down on the right.
		yaw: { 'tail-left': 'up', 'tail-right': 'down' },
	},
};
const OTHER: Record<Move, Move> = { up: 'down', down: 'up', right: 'left', left: 'right', still: 'still' };

/** One thing to do and what is to be seen of it. */
export interface SurfaceStep {
	axis: Axis;
	by: By;
	say: string;
	wanted: Partial<Record<SurfaceId, Move>>;
}

const SAY: Record<By, Record<Axis, string>> = {
	stick: {
		roll: 'Direct control: stick to the right',
		pitch: 'Direct control: stick back',
		yaw: 'Direct control: rudder to the right',
	},
	stabiliser: {
		roll: 'Self-level: roll the airframe right by hand',
		pitch: 'Self-level: lift the nose by hand',
		yaw: 'Self-level: turn the nose to the right by hand',
	},
};

/** Every movement of a wing, by stick and then by its stabiliser, which moves against the hand. */
export function surfaceSteps(kind: SurfaceKind): SurfaceStep[] {
	const axes = Object.keys(STICK[kind]) as Axis[];
	return (['stick', 'stabiliser'] as const).flatMap((by) =>
		// A stabiliser that levels does not hold the heading: turning by hand shows nothing certain.
		axes
			.filter((axis) => by === 'stick' || axis !== 'yaw')
			.map((axis) => {
				const moves = Object.entries(STICK[kind][axis] ?? {}) as [SurfaceId, Move][];
				return {
					axis,
					by,
					say: SAY[by][axis],
					wanted: Object.fromEntries(moves.map(([id, move]) => [id, by === 'stick' ? move : OTHER[move]])),
				};
			}),
	);
}

/** What was seen of a step, surface by surface. */
export interface SeenStep {
	axis: Axis;
	by: By;
	seen: Partial<Record<SurfaceId, Seen>>;
}

const AXIS_WORDS: Record<Axis, string> = { roll: 'roll', pitch: 'pitch', yaw: 'yaw' };

/**
 * What the movements show, with the cause of each that is wrong: a channel reversed, a stabiliser reversed, a servo reversed, two
 * surfaces exchanged, one that does not move. A grid that is not whole passes nothing.
 */
export function judgeSurfaces(
	kind: SurfaceKind,
	steps: readonly SeenStep[],
): { headline: string; verdict: Verdict; reasons: Reason[] } {
	const plan = surfaceSteps(kind);
	const names = SURFACE_NAMES[kind];
	const of = (axis: Axis, by: By) => steps.find((s) => s.axis === axis && s.by === by)?.seen ?? {};
	const all = (axis: Axis, by: By, what: Seen) => {
		const wanted = plan.find((s) => s.axis === axis && s.by === by)?.wanted;
		return wanted !== undefined && Object.keys(wanted).every((id) => of(axis, by)[id as SurfaceId] === what);
	};
	const out: Reason[] = [];
	const explained = new Set<string>();
	const explain = (axis: Axis, by: By, id: SurfaceId) => explained.add(`${axis} ${by} ${id}`);
	const axes = [...new Set(plan.map(({ axis }) => axis))];
	const ids = Object.keys(names) as SurfaceId[];
	const told = (says: Message) => out.push(reason('fail', says));

	for (const id of ids) {
		const own = plan.filter(({ wanted }) => id in wanted);
		const seen = own.map(({ axis, by }) => of(axis, by)[id]);
		if (seen.some((s) => s === undefined)) continue;
		if (seen.every((s) => s === 'still')) {
			told(say('surface-still', { surface: names[id] ?? id }));
			own.forEach(({ axis, by }) => explain(axis, by, id));
		} else if (own.length > 1 && seen.every((s) => s === 'reversed') && ids.length > 1 && !wholeAxis(own, all)) {
			told(say('servo-reversed', { surface: names[id] ?? id }));
			own.forEach(({ axis, by }) => explain(axis, by, id));
		}
	}
	for (const axis of axes) {
		const stick = all(axis, 'stick', 'reversed');
		const levels = all(axis, 'stabiliser', 'reversed');
		const mark = (by: By) => ids.forEach((id) => explain(axis, by, id));
		if (ids.every((id) => explained.has(`${axis} stick ${id}`))) continue;
		if (stick && levels && kind === 'elevons' && axis === 'roll') {
			told(say('surfaces-exchanged'));
			mark('stick');
			mark('stabiliser');
		} else if (stick && levels) {
			told(say('outputs-reversed', { axis: AXIS_WORDS[axis] }));
			mark('stick');
			mark('stabiliser');
		} else if (stick) {
			told(say('channel-reversed', { axis: AXIS_WORDS[axis] }));
			mark('stick');
		} else if (levels) {
			told(say('stabiliser-reversed', { axis: AXIS_WORDS[axis] }));
			mark('stabiliser');
		}
	}
	for (const { axis, by, wanted, say: spoken } of plan)
		for (const id of Object.keys(wanted) as SurfaceId[]) {
			const seen = of(axis, by)[id];
			if (seen === undefined || seen === 'right' || explained.has(`${axis} ${by} ${id}`)) continue;
			told(say('surface-wrong', { spoken, surface: names[id] ?? id, seen }));
		}
	const open = plan.filter(({ axis, by, wanted }) => Object.keys(wanted).some((id) => !of(axis, by)[id as SurfaceId]));
	if (open.length > 0)
		out.push(reason('fail', say('insufficient-grid', { movements: plan.length, open: open.length })));
	if (out.length === 0) out.push(reason('pass', say('surfaces-right'), { value: plan.length }));
	const judged = judge(out);
	return {
		...judged,
		headline: out.length === 1 ? judged.reasons[0].text : `${judged.reasons[0].text} And ${out.length - 1} more.`,
	};
}

/** Whether all surfaces of every movement of these are reversed: then an axis is wrong, not a servo. */
const wholeAxis = (own: readonly SurfaceStep[], all: (axis: Axis, by: By, what: Seen) => boolean): boolean =>
	own.every(({ axis, by }) => all(axis, by, 'reversed'));

/** How far a surface goes, millimetres at its trailing edge. */
export interface Throw {
	upMm: number;
	downMm: number;
}
export type Throws = Partial<Record<SurfaceId, Throw>>;

/** Off the sheet, or from one side to the other, by more than this: Winglogos default, about what a ruler at a hinge tells. */
const THROW_SHARE = 0.15;
const THROW_LEAST_MM = 1;
const allowed = (mm: number) => Math.max(THROW_LEAST_MM, THROW_SHARE * mm);
/** Surfaces that are to move alike: up on one side as down on the other. */
const PAIRS: readonly (readonly [SurfaceId, SurfaceId])[] = [
	['left', 'right'],
	['tail-left', 'tail-right'],
];

/** Throws against the sheet, and one side against the other; nothing measured says nothing. */
export function judgeThrows(kind: SurfaceKind, measured: Throws, sheet: Throws): Reason[] {
	const names = SURFACE_NAMES[kind];
	const out: Reason[] = [];
	for (const [id, got] of Object.entries(measured) as [SurfaceId, Throw][]) {
		const wanted = sheet[id];
		if (!wanted) continue;
		for (const way of ['up', 'down'] as const) {
			const [is, should] = [got[`${way}Mm`], wanted[`${way}Mm`]];
			const ok = Math.abs(is - should) <= allowed(should);
			out.push(
				reason(
					ok ? 'pass' : 'caution',
					say(ok ? 'throw-as-sheet' : 'throw-off', { surface: names[id] ?? id, way, mm: is, sheetMm: should }),
					{ value: is, limit: { value: should, unit: 'mm', source: 'The sheet that came with it' } },
				),
			);
		}
	}
	for (const [a, b] of PAIRS) {
		const [one, other] = [measured[a], measured[b]];
		if (!one || !other) continue;
		const gap = Math.max(Math.abs(one.upMm - other.upMm), Math.abs(one.downMm - other.downMm));
		if (gap > allowed(Math.max(one.upMm, one.downMm)))
			out.push(
				reason('caution', say('throws-differ', { one: names[a] ?? a, other: names[b] ?? b }), {
					value: gap,
					limit: { value: allowed(Math.max(one.upMm, one.downMm)), unit: 'mm', source: 'Winglogos default' },
				}),
			);
	}
	return out;
}
