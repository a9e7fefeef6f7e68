import { compass as say } from '$lib/messages/compass';
import { SingularValueDecomposition, Matrix } from 'ml-matrix';
import type { PairAnswer } from '../../schema/compassExtras';
import { DEG } from '../frames/angles';
import { interpolate } from '../math/interpolate';
import { apply, determinant, ofRows, type Mat3 } from '../frames/mat3';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { toYawPitchRoll } from '../frames/rotation';
import { quantile } from '../math/statistics';
import { angleBetween, normalise, type Vec3 } from '../frames/vec3';
import { compassLimits as limits } from './limits';
import type { Series } from '../../schema/common';

const FEWEST = 50;
const MOST_SHOWN = 400;
/** The least spread that a turning must have across its second direction to fix a rotation. */
const LEAST_SPREAD = 0.1;

/** Rotation that takes the second's directions onto the first's, least squares (Kabsch 1976); null where they do not fix it. */
function align(first: readonly Vec3[], second: readonly Vec3[]): Mat3 | null {
	const h = Matrix.zeros(3, 3);
	first.forEach((a, i) => {
		for (let r = 0; r < 3; r++)
			for (let c = 0; c < 3; c++) h.set(r, c, h.get(r, c) + (a[r] * second[i][c]) / first.length);
	});
	const svd = new SingularValueDecomposition(h);
	const u = svd.leftSingularVectors;
	const v = svd.rightSingularVectors;
	if (svd.diagonal[1] < LEAST_SPREAD) return null;
	const plain = u.mmul(v.transpose()).to2DArray();
	const mirrored = determinant(ofRows(plain)) < 0;
	const r = mirrored
		? u
				.mmul(Matrix.diag([1, 1, -1]))
				.mmul(v.transpose())
				.to2DArray()
		: plain;
	return ofRows(r);
}

/**
 * Two calibrated compasses turned together: the rotation between them, and how far their directions of the field part over
 * the turn, as degrees of a level heading (angle / cos dip, dip 60° where unknown). `first` and `second` are calibrated
 * readings in each sensor's own axes, µT; the second is brought to the first's times.
 */
export function comparePair(first: Series, second: Series, inclinationDeg: number | null): PairAnswer {
	const n = first.t.length;
	const nothing = { rotation: null, yawDeg: null, meanDeg: null, worstDeg: null, samples: n, series: null };
	if (n < FEWEST || second.t.length < FEWEST)
		return {
			...nothing,
			...judge([
				reason('fail', say('insufficient-samples#pair'), {
					value: Math.min(n, second.t.length),
					limit: { value: FEWEST, unit: 'samples', source: 'Winglogos rule' },
				}),
			]),
		};
	const there = [second.x, second.y, second.z].map((values) => interpolate(second.t, values, first.t));
	const a = Array.from({ length: n }, (_, i): Vec3 => normalise([first.x[i], first.y[i], first.z[i]]));
	const b = a.map((_, i): Vec3 => normalise([there[0][i], there[1][i], there[2][i]]));
	const rotation = align(a, b);
	if (!rotation)
		return {
			...nothing,
			...judge([reason('fail', say('insufficient-coverage'))]),
		};
	const level = Math.max(0.1, Math.cos((inclinationDeg ?? 60) * DEG));
	const apart = a.map((u, i) => Math.min(180, angleBetween(u, apply(rotation, b[i])) / DEG / level));
	const worstDeg = quantile(apart, 0.98);
	const meanDeg = apart.reduce((s, v) => s + v, 0) / n;
	const step = Math.ceil(n / MOST_SHOWN);
	const shown = [...apart.keys()].filter((i) => i % step === 0);
	return {
		rotation: rotation,
		yawDeg: toYawPitchRoll(rotation).yawRad / DEG,
		meanDeg,
		worstDeg,
		samples: n,
		series: { t: shown.map((i) => first.t[i]), deg: shown.map((i) => apart[i]) },
		...judge([
			worstDeg > limits.pairFailDeg.value
				? reason('fail', say('compasses-disagree'), { value: worstDeg, limit: limits.pairFailDeg })
				: atMost(worstDeg, {
						caution: { limit: limits.pairDeg, says: say('compasses-differ') },
						pass: say('compasses-agree'),
					}),
		]),
	};
}
