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

/** All hypotheses of a layout. Weights are judgement, not field statistics (docs/methods/response.md#weights). */
export function hypothesesOf(layout: Layout, motors: readonly Motor[]): Hypothesis[] {
	const n = motors.length;
	const all = motors.map((_, k) => k);
	const names = (indices: readonly number[]) => indices.map((k) => motors[k].name);
	const y6 = layout === 'y6';

	/** The permutation that a change of position makes: output k drives the motor that stands where k's is moved to. */
	const moved = (angle: (deg: number) => number): number[] =>
		motors.map(({ angleDeg, name }) => {
			const target = wrap360(angle(angleDeg));
			const near = (deg: number) => Math.abs(((wrap360(deg) - target + 540) % 360) - 180) < 1;
			return motors.findIndex((m) => near(m.angleDeg) && (!y6 || m.name.at(-1) === name.at(-1)));
		});
	const levelSwap = motors.map(({ angleDeg }, k) => motors.findIndex((m, j) => j !== k && m.angleDeg === angleDeg));
	const arm = 360 / (y6 ? 3 : n);
	const leftRight = moved((deg) => -deg);
	const frontBack = y6 ? null : moved((deg) => 180 - deg);
	const half = y6 ? null : moved((deg) => deg + 180);
	const turned = [moved((deg) => deg + arm), moved((deg) => deg - arm)];
	const upperLower = y6 ? levelSwap : null;
	const listed = [leftRight, frontBack, half, ...turned, upperLower].filter((p) => p !== null).map(String);
	const pairs = all
		.flatMap((a) => all.filter((b) => b > a).map((b) => [a, b] as const))
		.map(([a, b]) => ({ pair: [a, b], order: all.map((k) => (k === a ? b : k === b ? a : k)) }))
		.filter(({ order }) => !listed.includes(String(order)));

	const ring = all.toSorted((a, b) => wrap360(motors[a].angleDeg) - wrap360(motors[b].angleDeg));
	const neighbours = y6
		? all.filter((k) => k % 2 === 0).map((k) => [k, k + 1])
		: ring.map((k, i) => [k, ring[(i + 1) % n]]);

	const each = (edit: Parameters<typeof at>[1]): Variant[] =>
		all.map((k) => ({ motors: names([k]), change: at([k], edit) }));
	const everyMotor = names(all);
	const ofSpin = (s: number) => all.filter((k) => motors[k].spin === s);
	const scheme = at(all, { sigma: -1, hand: -1 });
	const channel = { roll: 0, pitch: 1, yaw: 2 } as const;

	const families: [string, number, Variant[]][] = [
		['no-fault', 40, single((h) => h)],
		['motor-reversed', 8, each({ sigma: -1 })],
		['prop-wrong', 3, each({ hand: -1 })],
		['prop-upside-down', 3, each({ over: true })],
		['motor-dead', 3, each({ sigma: 0 })],
		['motor-and-prop-reversed', 1, each({ sigma: -1, hand: -1 })],
		['props-all-upside-down', 0.5, single(at(all, { over: true }), everyMotor)],
		['props-all-wrong', 4, single(at(all, { hand: -1 }), everyMotor)],
		['motors-all-reversed', 1, single(at(all, { sigma: -1 }), everyMotor)],
		['spin-scheme-reversed', 3, single(scheme, everyMotor)],
		['props-same-hand', 0.7, [-1, 1].map((s) => ({ motors: names(ofSpin(s)), change: at(ofSpin(s), { hand: -1 }) }))],
		['props-pair-exchanged', 5, neighbours.map((pair) => ({ motors: names(pair), change: at(pair, { hand: -1 }) }))],
		['motor-order-left-right', 2, single(withOrder(leftRight), everyMotor)],
		...(frontBack
			? [['motor-order-front-back', 2, single(withOrder(frontBack), everyMotor)] as [string, number, Variant[]]]
			: []),
		...(half ? [['motor-order-180', 1.5, single(withOrder(half), everyMotor)] as [string, number, Variant[]]] : []),
		...(upperLower
			? [['motor-order-upper-lower', 2, single(withOrder(upperLower), everyMotor)] as [string, number, Variant[]]]
			: []),
		['motor-order-turned', 2.5, turned.map((order) => ({ motors: everyMotor, change: withOrder(order) }))],
		['motor-order-pair', 3, pairs.map(({ pair, order }) => ({ motors: names(pair), change: withOrder(order) }))],
		['board-yaw-90', 3, [1, -1].map((s) => ({ motors: [], change: withBoard(quarter(s)) }))],
		['board-yaw-180', 3, single(withBoard(HALF_TURN))],
		['board-upside-down', 1.5, [over(1, -1), over(-1, 1)].map((board) => ({ motors: [], change: withBoard(board) }))],
		['self-righting-active', 1, single((h) => ({ ...h, selfRighting: true }))],
		['rc-roll-reversed', 1.5, single(withChannels(reversed(channel.roll)))],
		['rc-pitch-reversed', 2, single(withChannels(reversed(channel.pitch)))],
		['rc-yaw-reversed', 2, single(withChannels(reversed(channel.yaw)))],
		['rc-order-roll-pitch', 1, single(withChannels(exchanged(0, 1)))],
		['rc-order-roll-yaw', 1.5, single(withChannels(exchanged(0, 2)))],
		['rc-order-pitch-yaw', 0.5, single(withChannels(exchanged(1, 2)))],
		['rc-order-throttle', 0.3, [0, 1, 2].map((k) => ({ motors: [], change: withChannels(exchanged(k, 3)) }))],
		['rc-roll-reversed+rc-pitch-reversed', 0.3, single(both(withChannels(reversed(0)), withChannels(reversed(1))))],
		['rc-roll-reversed+rc-yaw-reversed', 0.15, single(both(withChannels(reversed(0)), withChannels(reversed(2))))],
		['rc-pitch-reversed+rc-yaw-reversed', 0.15, single(both(withChannels(reversed(1)), withChannels(reversed(2))))],
		[
			'motor-order-left-right+rc-roll-reversed',
			0.4,
			single(both(withOrder(leftRight), withChannels(reversed(0))), everyMotor),
		],
		['motor-order-left-right+spin-scheme-reversed', 0.3, single(both(withOrder(leftRight), scheme), everyMotor)],
		['spin-scheme-reversed+rc-yaw-reversed', 0.5, single(both(scheme, withChannels(reversed(2))), everyMotor)],
		...(half
			? [
					['nose-reversed', 0.7, single(both(withOrder(half), withBoard(HALF_TURN)), everyMotor)] as [
						string,
						number,
						Variant[],
					],
				]
			: []),
		...(frontBack
			? ([
					[
						'motor-order-front-back+rc-pitch-reversed',
						0.4,
						single(both(withOrder(frontBack), withChannels(reversed(1))), everyMotor),
					],
					['motor-order-front-back+spin-scheme-reversed', 0.3, single(both(withOrder(frontBack), scheme), everyMotor)],
				] as [string, number, Variant[]][])
			: []),
	];
	const plain: Hypothesis = {
		fault: '',
		motors: [],
		weight: 0,
		sigma: all.map(() => 1),
		hand: all.map(() => 1),
		over: all.map(() => false),
		order: all,
		board: UPRIGHT,
		channels: STRAIGHT,
		selfRighting: false,
	};
	return families.flatMap(([fault, weight, variants]) =>
		variants.map((variant) => ({
			...variant.change(plain),
			fault,
			motors: variant.motors,
			weight: weight / variants.length,
		})),
	);
}
