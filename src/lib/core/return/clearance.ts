import type { ReturnAnswer, ReturnRequest } from '../../schema/return';
import { returnLimits as limits } from './limits';
import { geometry, type PathPoint } from './sequence';
import type { Plane } from './wind';

/** Least height above any obstacle within the corridor, by exact geometry of straight pieces (docs/methods/return.md#clearance). */
export function clearanceOf(request: ReturnRequest, path: readonly PathPoint[]): ReturnAnswer['clearance'] {
	let minM: number | null = null;
	let obstacle: number | undefined;
	request.obstacles.forEach((o, index) => {
		const { place: centre } = geometry(o.bearingDeg, o.distanceM);
		const radius = o.widthM / 2 + limits.halfCorridor.value;
		for (let k = 0; k + 1 < path.length; k++) {
			const lowest = lowestWithin(path[k], path[k + 1], centre, radius);
			if (lowest === null) continue;
			const over = lowest - o.heightM;
			if (minM === null || over < minM) {
				minM = over;
				obstacle = index;
			}
		}
	});
	return obstacle === undefined ? { minM } : { minM, obstacle };
}

/** Least height of a straight piece where its horizontal distance to a centre is within a radius; null where never. */
function lowestWithin(a: PathPoint, b: PathPoint, centre: Plane, radius: number): number | null {
	const d: Plane = [b[0] - a[0], b[1] - a[1]];
	const f: Plane = [a[0] - centre[0], a[1] - centre[1]];
	const aa = d[0] ** 2 + d[1] ** 2;
	const cc = f[0] ** 2 + f[1] ** 2 - radius ** 2;
	if (aa < 1e-18) return cc <= 1e-9 ? Math.min(a[2], b[2]) : null;
	const bb = f[0] * d[0] + f[1] * d[1];
	const root = bb * bb - aa * cc;
	if (root < 0) return null;
	const from = Math.max(0, (-bb - Math.sqrt(root)) / aa);
	const to = Math.min(1, (-bb + Math.sqrt(root)) / aa);
	if (from > to) return null;
	const at = (s: number) => a[2] + s * (b[2] - a[2]);
	return Math.min(at(from), at(to));
}
