/** A symmetric 2 by 2 matrix, written [a, b, c] for ((a, b), (b, c)). */
export type Symmetric2 = readonly [number, number, number];
export type Pair = readonly [number, number];

export const determinant2 = ([a, b, c]: Symmetric2): number => a * c - b * b;

/** @throws RangeError where it has no inverse. */
export function inverse2(m: Symmetric2): Symmetric2 {
	const d = determinant2(m);
	if (!(Math.abs(d) > 0)) throw new RangeError('the matrix has no inverse');
	return [m[2] / d, -m[1] / d, m[0] / d];
}

export const add2 = (m: Symmetric2, n: Symmetric2): Symmetric2 => [m[0] + n[0], m[1] + n[1], m[2] + n[2]];
export const scale2 = (m: Symmetric2, by: number): Symmetric2 => [by * m[0], by * m[1], by * m[2]];
/** v times its transpose. */
export const outer2 = ([x, y]: Pair): Symmetric2 => [x * x, x * y, y * y];
export const apply2 = ([a, b, c]: Symmetric2, [x, y]: Pair): Pair => [a * x + b * y, b * x + c * y];
export const dot2 = ([a, b]: Pair, [x, y]: Pair): number => a * x + b * y;
/** Quarter turn: ahead becomes right. */
export const quarterTurn = ([x, y]: Pair): Pair => [-y, x];

/** Lower triangle L, L·Lᵀ = m, as [l11, l21, l22]; for draws. Needs m to be positive. */
export function cholesky2([a, b, c]: Symmetric2): readonly [number, number, number] {
	const l11 = Math.sqrt(a);
	const l21 = b / l11;
	return [l11, l21, Math.sqrt(Math.max(0, c - l21 * l21))];
}

/** Half axes of the one-sigma ellipse, the larger first, and the angle of the larger from the first axis towards the second, radians in [0, π). */
export function ellipse2([a, b, c]: Symmetric2): { major: number; minor: number; angle: number } {
	const middle = (a + c) / 2;
	const reach = Math.hypot((a - c) / 2, b);
	const angle = 0.5 * Math.atan2(2 * b, a - c);
	return {
		major: Math.sqrt(middle + reach),
		minor: Math.sqrt(Math.max(0, middle - reach)),
		angle: angle < 0 ? angle + Math.PI : angle,
	};
}
