import { InputError } from '../finding/inputError';
import { median } from '../math/statistics';
import { boxOf, firstBackground, learn, levelTo, type Background, type Mark } from './background';
import { blank, blurInto, type Frame, type Image } from './frame';
import { filmLimits as limits } from './limits';
import { ShakeReader, unshaken, type Shift } from './shake';
import { follow, makeTemplate, refine, search, type Template } from './template';

/** Where the aircraft was in each picture of a film. */
export interface FilmTrack {
	t: number[];
	/** Its middle, pixels of the first picture. */
	u: number[];
	v: number[];
	/** Logarithm of its size against the mark. */
	q: number[];
	/** How like itself it looked, and the best likeness of anything else near. */
	z: number[];
	z2: number[];
	lost: boolean[];
	shift: Shift[];
	/** Pictures in which under half of the patches of the background agreed. */
	restless: number;
	patches: number;
	/** Its contrast against the noise about it. */
	cr: number;
	widthPx: number;
	width: number;
	height: number;
	/** It left the picture, and when. */
	leftAtS: number | null;
}

const MOST_LOST = 3;
const MOST_RADIUS = 260;

/**
 * Follows an aircraft through a film by its look on what differs from the background (docs/methods/film.md#tracker). Made from pictures spread
 * over the film, the first picture, and the mark on it; then given every picture in order.
 */
export class FilmTracker {
	readonly #mark: Mark;
	readonly #background: Background;
	readonly #shake: ShakeReader;
	readonly #spare: Float32Array;
	readonly #raw: Image;
	readonly #level: Image;
	readonly #difference: Image;
	readonly #track: FilmTrack;
	#template: Template | null = null;
	#place: { u: number; v: number; q: number };
	#speed = { u: 0, v: 0 };
	#sinceLost = 0;
	#frames = 0;
	#contrast: number[] = [];
	#compensates = false;

	/** @throws InputError where the mark lies outside the picture or is too small to follow. */
	constructor(spread: readonly Frame[], first: Frame, mark: Mark) {
		const { width, height } = first;
		if (!(mark.u >= 0 && mark.u < width && mark.v >= 0 && mark.v < height))
			throw new InputError('mark', 'mark', 'The mark lies outside the picture.');
		if (!(mark.widthPx >= limits.minWidthPx.value))
			throw new InputError(
				'insufficient-size',
				'mark.widthPx',
				`The aircraft is ${mark.widthPx.toFixed(1)} pixels wide: under ${limits.minWidthPx.value} it cannot be followed. Film from nearer.`,
			);
		this.#mark = mark;
		this.#background = firstBackground(spread.length > 0 ? spread : [first], first, mark);
		const n = width * height;
		this.#spare = new Float32Array(n);
		[this.#raw, this.#level, this.#difference] = [blank(width, height), blank(width, height), blank(width, height)];
		blurInto(first, this.#spare, this.#raw.data);
		this.#shake = new ShakeReader({ data: this.#raw.data.slice(), width, height }, mark);
		this.#place = { u: mark.u, v: mark.v, q: 0 };
		this.#track = {
			t: [],
			u: [],
			v: [],
			q: [],
			z: [],
			z2: [],
			lost: [],
			shift: [],
			restless: 0,
			patches: this.#shake.patches.length,
			cr: 0,
			widthPx: mark.widthPx,
			width,
			height,
			leftAtS: null,
		};
	}

	/** One more picture; one whose time does not grow is passed over. */
	push(frame: Frame): void {
		const { t } = this.#track;
		if (t.length > 0 && !(frame.tS > t[t.length - 1])) return;
		blurInto(frame, this.#spare, this.#raw.data);
		const shift = this.#readShake();
		const level = this.#level.data;
		if (this.#compensates) unshaken(this.#raw, shift, level);
		else level.set(this.#raw.data);
		levelTo(this.#background, level);
		const { data } = this.#background.image;
		const difference = this.#difference.data;
		for (let i = 0; i < level.length; i++) difference[i] = level[i] - data[i];
		const dt = t.length > 0 ? frame.tS - t[t.length - 1] : 0;
		t.push(frame.tS);
		this.#track.shift.push(shift);
		this.#find(dt);
		if (this.#sinceLost <= MOST_LOST) learn(this.#background, level, this.#box());
		this.#frames++;
	}

	#readShake(): Shift {
		if (this.#shake.patches.length < limits.fewPatches.value) return { x: 0, y: 0, roll: 0 };
		const { shift, agree } = this.#shake.read(this.#raw);
		if (agree < limits.patchShare.value) this.#track.restless++;
		// From the first clear movement on: a propped phone never comes so far.
		if (Math.hypot(shift.x, shift.y) > 2 * limits.shakePx.value) this.#compensates = true;
		return shift;
	}

	#box(): Mark {
		return { u: this.#place.u, v: this.#place.v, widthPx: this.#mark.widthPx * Math.exp(this.#place.q) };
	}

	#find(dt: number): void {
		const { widthPx } = this.#mark;
		this.#template ??= makeTemplate(this.#difference, this.#mark.u, this.#mark.v, widthPx);
		const { u, v, q } = this.#place;
		const scale = Math.exp(q);
		const wide = Math.max(8, 0.6 * widthPx * scale) * (this.#frames < 4 ? 1.7 : 1) * (1 + 0.6 * this.#sinceLost);
		const predicted = { u: u + this.#speed.u * dt, v: v + this.#speed.v * dt };
		const match = search(this.#template, this.#difference, {
			...predicted,
			scale,
			radius: Math.min(MOST_RADIUS, Math.round(wide)),
			widthPx,
		});
		const fine = match.z > -1 ? refine(this.#template, this.#difference, { u: match.u, v: match.v, q }) : null;
		const bar = this.#sinceLost > MOST_LOST ? 0.75 : 0.55;
		const { width, height } = this.#track;
		const rim = limits.rimPx.value;
		const good =
			fine !== null &&
			fine.z >= bar &&
			(this.#sinceLost <= MOST_LOST || fine.z - match.z2 >= 0.2) &&
			Math.abs(fine.q - q) < 0.25 &&
			Math.abs(fine.q) < 1.2 &&
			fine.u > rim &&
			fine.v > rim &&
			fine.u < width - rim &&
			fine.v < height - rim;
		if (good) {
			if (dt > 0 && this.#sinceLost === 0)
				this.#speed = {
					u: 0.5 * this.#speed.u + (0.5 * (fine.u - u)) / dt,
					v: 0.5 * this.#speed.v + (0.5 * (fine.v - v)) / dt,
				};
			this.#place = { u: fine.u, v: fine.v, q: fine.q };
			this.#sinceLost = 0;
			if (fine.z > 0.65) follow(this.#template, this.#difference, fine, this.#frames);
			this.#contrast.push(this.#contrastNow());
		} else {
			this.#speed = { u: 0.8 * this.#speed.u, v: 0.8 * this.#speed.v };
			this.#sinceLost++;
		}
		const track = this.#track;
		track.u.push(this.#place.u);
		track.v.push(this.#place.v);
		track.q.push(this.#place.q);
		track.z.push(fine?.z ?? 0);
		track.z2.push(match.z2);
		track.lost.push(!good);
	}

	/** What it stands out by, against what stirs in a ring about it. */
	#contrastNow(): number {
		const { data, width, height } = this.#difference;
		const { u, v, widthPx: w } = this.#box();
		const [a, b] = boxOf(w);
		let [sum, n] = [0, 0];
		for (let y = Math.max(0, Math.round(v - 1.5 * w)); y <= Math.min(height - 1, v + 1.5 * w); y += 2)
			for (let x = Math.max(0, Math.round(u - 2 * w)); x <= Math.min(width - 1, u + 2 * w); x += 2) {
				if (Math.abs(x - u) <= a && Math.abs(y - v) <= b) continue;
				sum += data[y * width + x] ** 2;
				n++;
			}
		const noise = Math.sqrt(n > 0 ? sum / n : 0);
		const look = this.#template?.look ?? new Float32Array(1);
		return Math.sqrt(look.reduce((s, x) => s + x * x, 0) / look.length) / Math.max(0.3, noise);
	}

	/** The track so far, whole: contrast, and whether it left the picture. */
	finish(): FilmTrack {
		const track = this.#track;
		const { u, v, lost, t, width, height, widthPx } = track;
		const last = lost.lastIndexOf(false);
		const ends = lost.length - 1 - last;
		const near =
			last >= 0 && (u[last] < widthPx || v[last] < widthPx || u[last] > width - widthPx || v[last] > height - widthPx);
		return {
			...track,
			cr: this.#contrast.length > 0 ? median(this.#contrast) : 0,
			leftAtS: ends > 5 && near ? t[last] : null,
		};
	}
}
