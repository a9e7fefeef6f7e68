import type { Layout } from '../../schema/response';
import { wrap360 } from '../frames/angles';
import type { Motor } from './layouts';

/** One way in which the aircraft may be built or set wrong, as the model sees it (docs/methods/response.md#hypotheses). */
export interface Hypothesis {
	fault: string;
	motors: string[];
	/** Prior weight: the family's, shared equally among its hypotheses. */
	weight: number;
	/** Per motor: spin as planned (+1), reversed (−1), not turning (0). */
	sigma: number[];
	/** Per motor: propeller of the planned hand (+1) or the other (−1). */
	hand: number[];
	/** Per motor: propeller turned over. */
	over: boolean[];
	/** Which motor each output drives. */
	order: number[];
	/** Seen rate = R·ω. */
	board: number[][];
	/** Channels by sticks: roll, pitch, yaw, throttle. */
	channels: number[][];
	selfRighting: boolean;
}

type Change = (h: Hypothesis) => Hypothesis;
interface Variant {
	motors: string[];
	change: Change;
}

const UPRIGHT = [
	[1, 0, 0],
	[0, 1, 0],
	[0, 0, 1],
];
const HALF_TURN = [
	[-1, 0, 0],
	[0, -1, 0],
	[0, 0, 1],
];
const quarter = (s: number) => [
	[0, s, 0],
	[-s, 0, 0],
	[0, 0, 1],
];
const over = (roll: number, pitch: number) => [
	[roll, 0, 0],
	[0, pitch, 0],
	[0, 0, -1],
];
const STRAIGHT = [
	[1, 0, 0, 0],
	[0, 1, 0, 0],
	[0, 0, 1, 0],
	[0, 0, 0, 1],
];
const reversed = (axis: number) => STRAIGHT.map((row, k) => (k === axis ? row.map((v) => -v) : row));
const exchanged = (a: number, b: number) => STRAIGHT.map((_, k) => STRAIGHT[k === a ? b : k === b ? a : k]);
const product = (a: number[][], b: number[][]) =>
	a.map((row) => b[0].map((_, j) => row.reduce((sum, v, k) => sum + v * b[k][j], 0)));

const withChannels =
	(channels: number[][]): Change =>
	(h) => ({ ...h, channels: product(channels, h.channels) });
const withBoard =
	(board: number[][]): Change =>
	(h) => ({ ...h, board });
const withOrder =
	(order: number[]): Change =>
	(h) => ({ ...h, order });
const at = (indices: readonly number[], edit: Partial<{ sigma: number; hand: number; over: boolean }>): Change => {
	const put = <T>(values: T[], value: T | undefined) =>
		value === undefined ? values : values.map((v, k) => (indices.includes(k) ? value : v));
	return (h) => ({ ...h, sigma: put(h.sigma, edit.sigma), hand: put(h.hand, edit.hand), over: put(h.over, edit.over) });
};
const both =
	(a: Change, b: Change): Change =>
	(h) =>
		b(a(h));

const single = (change: Change, motors: string[] = []): Variant[] => [{ motors, change }];

/** Ways in which outputs may be exchanged: output k drives the motor at the given index. Null where a layout has no such exchange. */
interface Orders {
	leftRight: number[];
	frontBack: number[] | null;
	half: number[] | null;
	upperLower: number[] | null;
	turned: number[][];
	/** Two outputs exchanged that none of the others exchanges. */
	pairs: { pair: number[]; order: number[] }[];
}

function ordersOf(layout: Layout, motors: readonly Motor[]): Orders {
	const coaxial = layout === 'y6';
	const all = motors.map((_, k) => k);
	/** The permutation that a change of position makes: output k drives the motor at the place where k's is moved to. */
	const moved = (angle: (deg: number) => number): number[] =>
		motors.map(({ angleDeg, name }) => {
			const target = wrap360(angle(angleDeg));
			const near = (deg: number) => Math.abs(((wrap360(deg) - target + 540) % 360) - 180) < 1;
			return motors.findIndex((m) => near(m.angleDeg) && (!coaxial || m.name.at(-1) === name.at(-1)));
		});
	const arm = 360 / (coaxial ? 3 : motors.length);
	const single = {
		leftRight: moved((deg) => -deg),
		frontBack: coaxial ? null : moved((deg) => 180 - deg),
		half: coaxial ? null : moved((deg) => deg + 180),
		upperLower: coaxial
			? motors.map(({ angleDeg }, k) => motors.findIndex((m, j) => j !== k && m.angleDeg === angleDeg))
			: null,
	};
	const turned = [moved((deg) => deg + arm), moved((deg) => deg - arm)];
	const listed = [...Object.values(single), ...turned].filter((order) => order !== null).map(String);
	const pairs = all
		.flatMap((a) => all.filter((b) => b > a).map((b) => [a, b]))
		.map(([a, b]) => ({ pair: [a, b], order: all.map((k) => (k === a ? b : k === b ? a : k)) }))
		.filter(({ order }) => !listed.includes(String(order)));
	return { ...single, turned, pairs };
}

/** Motors that stand next to one another: on one arm, or along the ring. */
function neighboursOf(layout: Layout, motors: readonly Motor[]): number[][] {
	const all = motors.map((_, k) => k);
	if (layout === 'y6') return all.filter((k) => k % 2 === 0).map((k) => [k, k + 1]);
	const ring = all.toSorted((a, b) => wrap360(motors[a].angleDeg) - wrap360(motors[b].angleDeg));
	return ring.map((k, i) => [k, ring[(i + 1) % motors.length]]);
}

/** Faults of one kind, and the weight that they share. */
interface Family {
	fault: string;
	weight: number;
	variants: Variant[];
}
const family = (fault: string, weight: number, variants: Variant[]): Family => ({ fault, weight, variants });
/** A family that a layout has only where it has such an exchange. */
const where = (order: number[] | null, made: (order: number[]) => Family[]): Family[] => (order ? made(order) : []);

const CHANNEL = { roll: 0, pitch: 1, yaw: 2, throttle: 3 } as const;
const ROLL = withChannels(reversed(CHANNEL.roll));
const PITCH = withChannels(reversed(CHANNEL.pitch));
const YAW = withChannels(reversed(CHANNEL.yaw));

/** Faults of motors and propellers, one by one and together. */
function ofMotors(layout: Layout, motors: readonly Motor[]): Family[] {
	const all = motors.map((_, k) => k);
	const names = (indices: readonly number[]) => indices.map((k) => motors[k].name);
	const each = (edit: Parameters<typeof at>[1]): Variant[] =>
		all.map((k) => ({ motors: names([k]), change: at([k], edit) }));
	const every = (edit: Parameters<typeof at>[1]): Variant[] => single(at(all, edit), names(all));
	const ofSpin = (s: number) => all.filter((k) => motors[k].spin === s);
	return [
		family('motor-reversed', 8, each({ sigma: -1 })),
		family('prop-wrong', 3, each({ hand: -1 })),
		family('prop-upside-down', 3, each({ over: true })),
		family('motor-dead', 3, each({ sigma: 0 })),
		family('motor-and-prop-reversed', 1, each({ sigma: -1, hand: -1 })),
		family('props-all-upside-down', 0.5, every({ over: true })),
		family('props-all-wrong', 4, every({ hand: -1 })),
		family('motors-all-reversed', 1, every({ sigma: -1 })),
		family('spin-scheme-reversed', 3, every({ sigma: -1, hand: -1 })),
		family(
			'props-same-hand',
			0.7,
			[-1, 1].map((s) => ({ motors: names(ofSpin(s)), change: at(ofSpin(s), { hand: -1 }) })),
		),
		family(
			'props-pair-exchanged',
			5,
			neighboursOf(layout, motors).map((pair) => ({ motors: names(pair), change: at(pair, { hand: -1 }) })),
		),
	];
}

/** Outputs that drive each other's motors. */
function ofOrder(
	{ leftRight, frontBack, half, upperLower, turned, pairs }: Orders,
	motors: readonly Motor[],
): Family[] {
	const every = motors.map(({ name }) => name);
	return [
		family('motor-order-left-right', 2, single(withOrder(leftRight), every)),
		...where(frontBack, (order) => [family('motor-order-front-back', 2, single(withOrder(order), every))]),
		...where(half, (order) => [family('motor-order-180', 1.5, single(withOrder(order), every))]),
		...where(upperLower, (order) => [family('motor-order-upper-lower', 2, single(withOrder(order), every))]),
		family(
			'motor-order-turned',
			2.5,
			turned.map((order) => ({ motors: every, change: withOrder(order) })),
		),
		family(
			'motor-order-pair',
			3,
			pairs.map(({ pair, order }) => ({ motors: pair.map((k) => motors[k].name), change: withOrder(order) })),
		),
	];
}

/** The board mounted another way, self-righting left on, and sticks reversed or exchanged. */
const OF_BOARD_AND_STICKS: readonly Family[] = [
	family(
		'board-yaw-90',
		3,
		[1, -1].map((s) => ({ motors: [], change: withBoard(quarter(s)) })),
	),
	family('board-yaw-180', 3, single(withBoard(HALF_TURN))),
	family(
		'board-upside-down',
		1.5,
		[over(1, -1), over(-1, 1)].map((board) => ({ motors: [], change: withBoard(board) })),
	),
	family(
		'self-righting-active',
		1,
		single((h) => ({ ...h, selfRighting: true })),
	),
	family('rc-roll-reversed', 1.5, single(ROLL)),
	family('rc-pitch-reversed', 2, single(PITCH)),
	family('rc-yaw-reversed', 2, single(YAW)),
	family('rc-order-roll-pitch', 1, single(withChannels(exchanged(CHANNEL.roll, CHANNEL.pitch)))),
	family('rc-order-roll-yaw', 1.5, single(withChannels(exchanged(CHANNEL.roll, CHANNEL.yaw)))),
	family('rc-order-pitch-yaw', 0.5, single(withChannels(exchanged(CHANNEL.pitch, CHANNEL.yaw)))),
	family(
		'rc-order-throttle',
		0.3,
		[CHANNEL.roll, CHANNEL.pitch, CHANNEL.yaw].map((k) => ({
			motors: [],
			change: withChannels(exchanged(k, CHANNEL.throttle)),
		})),
	),
	family('rc-roll-reversed+rc-pitch-reversed', 0.3, single(both(ROLL, PITCH))),
	family('rc-roll-reversed+rc-yaw-reversed', 0.15, single(both(ROLL, YAW))),
	family('rc-pitch-reversed+rc-yaw-reversed', 0.15, single(both(PITCH, YAW))),
];

/** Two faults at once that hide each other, as they are built in practice. */
function ofTwo({ leftRight, frontBack, half }: Orders, motors: readonly Motor[]): Family[] {
	const every = motors.map(({ name }) => name);
	const scheme = at(
		motors.map((_, k) => k),
		{ sigma: -1, hand: -1 },
	);
	return [
		family('motor-order-left-right+rc-roll-reversed', 0.4, single(both(withOrder(leftRight), ROLL), every)),
		family('motor-order-left-right+spin-scheme-reversed', 0.3, single(both(withOrder(leftRight), scheme), every)),
		family('spin-scheme-reversed+rc-yaw-reversed', 0.5, single(both(scheme, YAW), every)),
		...where(half, (order) => [
			family('nose-reversed', 0.7, single(both(withOrder(order), withBoard(HALF_TURN)), every)),
		]),
		...where(frontBack, (order) => [
			family('motor-order-front-back+rc-pitch-reversed', 0.4, single(both(withOrder(order), PITCH), every)),
			family('motor-order-front-back+spin-scheme-reversed', 0.3, single(both(withOrder(order), scheme), every)),
		]),
	];
}

/** All hypotheses of a layout. Weights are judgement, not field statistics (docs/methods/response.md#weights). */
export function hypothesesOf(layout: Layout, motors: readonly Motor[]): Hypothesis[] {
	const orders = ordersOf(layout, motors);
	const families = [
		family(
			'no-fault',
			40,
			single((h) => h),
		),
		...ofMotors(layout, motors),
		...ofOrder(orders, motors),
		...OF_BOARD_AND_STICKS,
		...ofTwo(orders, motors),
	];
	const plain: Hypothesis = {
		fault: '',
		motors: [],
		weight: 0,
		sigma: motors.map(() => 1),
		hand: motors.map(() => 1),
		over: motors.map(() => false),
		order: motors.map((_, k) => k),
		board: UPRIGHT,
		channels: STRAIGHT,
		selfRighting: false,
	};
	return families.flatMap(({ fault, weight, variants }) =>
		variants.map(({ motors: named, change }) => ({
			...change(plain),
			fault,
			motors: named,
			weight: weight / variants.length,
		})),
	);
}
