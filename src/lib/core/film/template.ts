import { Matrix, solve } from 'ml-matrix';
import { bilinear, type Image } from './frame';

/** How an aircraft looks, at places about its middle, with how much each place says. */
export interface Template {
	/** Places about the middle at the first scale, pixels; and of the grid that carries them. */
	a: Float32Array;
	b: Float32Array;
	columns: number;
	rows: number;
	step: number;
	/** Brightness against the background, its weighted mean taken out. */
	look: Float32Array;
	/** Running variance of each place, and what is left of its weight. */
	spread: Float32Array;
	weight: Float32Array;
	/** Root mean square of the first look. */
	rms: number;
	near: Float32Array;
}

const clamp = (low: number, value: number, high: number) => Math.max(low, Math.min(high, value));

/** A template of what stands out at a place of the difference picture. */
export function makeTemplate(difference: Image, u: number, v: number, widthPx: number): Template {
	const [halfA, halfB] = [0.72 * widthPx + 1.5, 0.42 * widthPx + 1.5];
	const columns = clamp(12, Math.round(2 * halfA) + 1, 40);
	const step = (2 * halfA) / (columns - 1);
	const rows = Math.round((2 * halfB) / step) + 1;
	const n = columns * rows;
	const [a, b, near, look] = [0, 0, 0, 0].map(() => new Float32Array(n));
	for (let i = 0; i < n; i++) {
		a[i] = -halfA + (i % columns) * step;
		b[i] = -halfB + Math.floor(i / columns) * step;
		near[i] = Math.exp(-((a[i] / (0.55 * widthPx + 1)) ** 2) / 2 - (b[i] / (0.35 * widthPx + 1)) ** 2 / 2);
		look[i] = bilinear(difference, u + a[i], v + b[i]);
	}
	const rms = Math.sqrt(look.reduce((sum, value) => sum + value * value, 0) / n);
	const template: Template = {
		a,
		b,
		columns,
		rows,
		step,
		look,
		near,
		rms,
		spread: new Float32Array(n).fill((rms / 4) ** 2 + 4),
		weight: new Float32Array(n),
	};
	weigh(template);
	centre(look, template.weight);
	return template;
}

function weigh({ weight, near, spread, rms }: Template): void {
	for (let i = 0; i < weight.length; i++) weight[i] = near[i] / (spread[i] + (0.08 * rms) ** 2 + 1);
}

function centre(values: Float32Array, weight: Float32Array): void {
	let [sum, all] = [0, 0];
	for (let i = 0; i < values.length; i++) {
		sum += weight[i] * values[i];
		all += weight[i];
	}
	const mean = sum / all;
	for (let i = 0; i < values.length; i++) values[i] -= mean;
}

/** Weighted length. */
const norm = (values: Float32Array, weight: Float32Array): number => {
	let sum = 0;
	for (let i = 0; i < values.length; i++) sum += weight[i] * values[i] * values[i];
	return Math.sqrt(sum);
};

/** The difference picture under the template at a place and a scale, its mean taken out. */
function patchAt(
	{ a, b, weight }: Template,
	difference: Image,
	u: number,
	v: number,
	scale: number,
	out: Float32Array,
) {
	for (let i = 0; i < a.length; i++) out[i] = bilinear(difference, u + scale * a[i], v + scale * b[i]);
	centre(out, weight);
	return out;
}

export interface Match {
	u: number;
	v: number;
	z: number;
	/** The best likeness of anything else near. */
	z2: number;
}

/** Places of the template that are looked at when it is searched for: all of a small one, fewer of a large one. */
function thinned({ columns, a }: Template, widthPx: number, scale: number): number[] {
	const stride = Math.max(1, Math.floor((widthPx * scale) / 11));
	return [...a.keys()].filter((i) => (i % columns) % stride === 0 && Math.floor(i / columns) % stride === 0);
}

/** Where the template lies in a difference picture: at whole pixels within R of a predicted place, at one scale. */
export function search(
	template: Template,
	difference: Image,
	{ u, v, scale, radius, widthPx }: { u: number; v: number; scale: number; radius: number; widthPx: number },
): Match {
	const { data, width, height } = difference;
	const use = thinned(template, widthPx, scale);
	const n = use.length;
	const [cu, cv] = [Math.round(u), Math.round(v)];
	// All whole-pixel places share the fractions: offsets and weights once.
	const offset = new Int32Array(n);
	const [dx, dy] = [new Int32Array(n), new Int32Array(n)];
	const [w00, w10, w01, w11, w, t] = [0, 0, 0, 0, 0, 0].map(() => new Float32Array(n));
	let [wSum, wtSum] = [0, 0];
	use.forEach((i, k) => {
		const [x, y] = [scale * template.a[i], scale * template.b[i]];
		const [x0, y0] = [Math.floor(x), Math.floor(y)];
		const [fx, fy] = [x - x0, y - y0];
		[dx[k], dy[k], offset[k]] = [x0, y0, y0 * width + x0];
		[w00[k], w10[k], w01[k], w11[k]] = [(1 - fx) * (1 - fy), fx * (1 - fy), (1 - fx) * fy, fx * fy];
		[w[k], t[k]] = [template.weight[i], template.look[i]];
		wSum += w[k];
		wtSum += w[k] * t[k];
	});
	let tt = 0;
	for (let k = 0; k < n; k++) {
		t[k] -= wtSum / wSum;
		tt += w[k] * t[k] * t[k];
	}
	const minX = dx.reduce((m, x) => Math.min(m, x), 0);
	const maxX = dx.reduce((m, x) => Math.max(m, x), 0) + 1;
	const minY = dy.reduce((m, y) => Math.min(m, y), 0);
	const maxY = dy.reduce((m, y) => Math.max(m, y), 0) + 1;
	const likeness = (px: number, py: number): number => {
		if (px + minX < 0 || px + maxX >= width || py + minY < 0 || py + maxY >= height) return -1;
		const at = py * width + px;
		let [sp, spp, spt] = [0, 0, 0];
		for (let k = 0; k < n; k++) {
			const i = at + offset[k];
			const p = w00[k] * data[i] + w10[k] * data[i + 1] + w01[k] * data[i + width] + w11[k] * data[i + width + 1];
			const wp = w[k] * p;
			sp += wp;
			spp += wp * p;
			spt += wp * t[k];
		}
		const pp = spp - (sp * sp) / wSum;
		return pp > 1e-6 && tt > 0 ? spt / Math.sqrt(pp * tt) : -1;
	};
	const found: { x: number; y: number; z: number }[] = [];
	const best = { x: cu, y: cv, z: -1, score: -Infinity };
	const visit = (x: number, y: number) => {
		const z = likeness(x, y);
		if (z <= -1) return;
		found.push({ x, y, z });
		const score = z - 0.05 * (((x - u) ** 2 + (y - v) ** 2) / radius ** 2);
		if (score > best.score) Object.assign(best, { x, y, z, score });
	};
	// A large aircraft is like itself some pixels off: every second place finds it, the last step is fine.
	const coarse = Math.max(radius > 26 ? Math.ceil(radius / 26) : 1, widthPx * scale > 13 ? 2 : 1);
	for (let y = -radius; y <= radius; y += coarse)
		for (let x = -radius; x <= radius; x += coarse)
			if (x * x + y * y <= radius * radius) visit(cu + Math.round(x), cv + Math.round(y));
	if (coarse > 1) {
		const { x: bx, y: by } = best;
		for (let y = -coarse; y <= coarse; y++) for (let x = -coarse; x <= coarse; x++) visit(bx + x, by + y);
	}
	const z2 = found.reduce(
		(most, { x, y, z }) =>
			((x - best.x) / (0.7 * widthPx)) ** 2 + ((y - best.y) / (0.5 * widthPx)) ** 2 > 1 ? Math.max(most, z) : most,
		-1,
	);
	return { u: best.x, v: best.y, z: best.z, z2 };
}

export interface Fine {
	u: number;
	v: number;
	q: number;
	z: number;
}

/** Sub-pixel place and scale by inverse composition, from a whole-pixel match. */
export function refine(template: Template, difference: Image, start: { u: number; v: number; q: number }): Fine {
	const { look, weight, columns, rows, step, a, b } = template;
	const n = look.length;
	const unit = norm(look, weight);
	const t = look.map((value) => value / unit);
	// Slopes of the look, with its own shape and brightness taken out.
	const slopes = [new Float32Array(n), new Float32Array(n), new Float32Array(n)];
	for (let r = 0; r < rows; r++)
		for (let c = 0; c < columns; c++) {
			const i = r * columns + c;
			const [l, rt] = [c > 0 ? i - 1 : i, c < columns - 1 ? i + 1 : i];
			const [up, down] = [r > 0 ? i - columns : i, r < rows - 1 ? i + columns : i];
			slopes[0][i] = (t[rt] - t[l]) / (step * (rt - l || 1));
			slopes[1][i] = (t[down] - t[up]) / (step * ((down - up) / columns || 1));
			slopes[2][i] = a[i] * slopes[0][i] + b[i] * slopes[1][i];
		}
	for (const slope of slopes) {
		centre(slope, weight);
		let along = 0;
		for (let i = 0; i < n; i++) along += weight[i] * slope[i] * t[i];
		for (let i = 0; i < n; i++) slope[i] -= along * t[i];
	}
	const dot = (x: Float32Array, y: Float32Array) => {
		let sum = 0;
		for (let i = 0; i < n; i++) sum += weight[i] * x[i] * y[i];
		return sum;
	};
	const information = new Matrix(slopes.map((x) => slopes.map((y) => dot(x, y))));
	for (let k = 0; k < 3; k++) information.set(k, k, information.get(k, k) * (1 + 1e-6) + 1e-12);
	let { u, v, q } = start;
	const patch = new Float32Array(n);
	const rest = new Float32Array(n);
	const likeness = () => {
		patchAt(template, difference, u, v, Math.exp(q), patch);
		const length = norm(patch, weight);
		if (!(length > 1e-9)) return -1;
		for (let i = 0; i < n; i++) patch[i] /= length;
		return dot(patch, t);
	};
	for (let round = 0; round < 8; round++) {
		if (likeness() <= -1) break;
		for (let i = 0; i < n; i++) rest[i] = patch[i] - t[i];
		const right = Matrix.columnVector(slopes.map((slope) => dot(slope, rest)));
		const [du, dv, dq] = solve(information, right).to1DArray();
		const scale = Math.exp(q);
		u -= scale * clamp(-1.5, du, 1.5);
		v -= scale * clamp(-1.5, dv, 1.5);
		q -= clamp(-0.1, dq, 0.1);
		if (Math.max(Math.abs(du), Math.abs(dv), 10 * Math.abs(dq)) < 0.01) break;
	}
	return { u, v, q, z: likeness() };
}

/** Lets the look and its spread follow the aircraft, by a frame in which it was found. */
export function follow(template: Template, difference: Image, { u, v, q }: Fine, frames: number): void {
	const { look, weight, spread } = template;
	const patch = patchAt(template, difference, u, v, Math.exp(q), new Float32Array(look.length));
	const gain = clamp(0.7, norm(look, weight) / Math.max(1e-9, norm(patch, weight)), 1.4);
	const share = Math.max(0.02, 1 / (frames + 3));
	for (let i = 0; i < look.length; i++) {
		const seen = gain * patch[i];
		spread[i] += share * ((seen - look[i]) ** 2 - spread[i]);
		look[i] += 0.02 * (seen - look[i]);
	}
	weigh(template);
	centre(look, weight);
}
