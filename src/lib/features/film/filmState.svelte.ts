import { figure, type Figure } from '$lib/core/figures/figure';
import { halved } from '$lib/core/hover/holdRadius';
import { units } from '$lib/ui/preferences.svelte';
import { formatQuantity } from '$lib/words/units';
import { filmLimits } from '$lib/core/film/limits';
import type { FilmReview } from '$lib/core/film/reviewFilm';
import type { FilmSetup } from '$lib/core/film/setup';
import type { FilmTrack } from '$lib/core/film/trackFilm';
import type { Found, LiveMeasurement } from '$lib/features/measuring/liveMeasurement';
import { download } from '$lib/ui/download';
import { failed } from '$lib/ui/notify';
import { call } from '$lib/workers/core';
import type { RigFaults } from '$lib/rig/rig';
import { FilmFile } from './filmFile';
import { practiceFilm } from './practiceFilm';

const SPREAD = 31;
const SHOWN = 6;
/** A mark made on a picture as wide as this is good to a third of a small pixel. */
const MARKED_LARGE_PX = 1280;

interface Place {
	x: number;
	y: number;
}
/** A picture of the film about the aircraft, with the circle on it. */
export interface Shown {
	tS: number;
	src: string;
	/** Half the width of the circle, of the picture's half width. */
	ring: number;
}

/** A hover from its film: opened, marked, followed, looked at, judged. */
export class FilmState implements LiveMeasurement {
	step = $state<'before' | 'filming' | 'mark' | 'following' | 'confirm' | 'found'>('before');
	film = $state.raw<FilmFile | null>(null);
	sourceName = $state('');
	/** Filmed in place: it is on no disk until it is asked for. */
	recordedHere = $state(false);
	/** A film of the practice aircraft: no evidence. */
	practice = $state(false);
	/** The moment the film begins to count, and its whole picture. */
	fromS = $state(0);
	still = $state('');
	/** The left and the right motor on that picture, pixels of the whole film. */
	points = $state<Place[]>([]);
	spanM = $state<number | null>(null);
	elevationDeg = $state(30);
	/** How wide the camera sees, degrees; null where it is not known. */
	viewDeg = $state<number | null>(null);
	hold = $state<FilmSetup['hold']>('position');
	progress = $state<number | null>(null);
	track = $state.raw<FilmTrack | null>(null);
	shown = $state.raw<readonly Shown[]>([]);
	review = $state.raw<FilmReview | null>(null);
	#abort: AbortController | null = null;
	/** Span and camera as they were before a practice film set its own. */
	#ownSetup: Pick<FilmState, 'spanM' | 'elevationDeg' | 'viewDeg'> | null = null;

	title = $derived.by(() => {
		const { review } = this;
		if (this.step === 'filming') return 'The practice aircraft is filmed, half a minute';
		if (this.step === 'mark') return 'Mark the aircraft, from its left motor to its right one';
		if (this.step === 'following') return 'Following it through the film';
		if (this.step === 'confirm') return 'Is the circle on the aircraft in all six?';
		if (this.step !== 'found' || !review) return 'Film the hover for a minute, the phone propped';
		const { lower95M, upper95M } = review.bubble;
		if (review.verdict !== 'pass') return review.reasons[0].text;
		return `Holds position within ${formatQuantity((upper95M ?? lower95M ?? 0) / 2, 'height', units())}, no circling, by film`;
	});

	figures = $derived.by((): Figure[] => {
		const { review } = this;
		if (!review) return [];
		const { bubble, height, spiral } = review;
		return [
			figure('duration', review.durationS),
			figure('hold-radius', halved(bubble.estimate95M)),
			figure('hold-radius-low', halved(bubble.lower95M)),
			figure('hold-radius-high', halved(bubble.upper95M)),
			figure('height-spread', height.stdM),
			figure('compass-error', spiral.compassErrorDeg, { sigma: spiral.compassErrorSigmaDeg }),
			figure('compass-error-excluded', spiral.excludedAboveDeg),
			figure('circle-period', spiral.periodS),
		].filter(({ value }) => value !== null);
	});
	idle = $derived(this.step === 'before');
	found = $derived.by((): Found | null => {
		const { review } = this;
		if (this.step !== 'found' || !review) return null;
		return { verdict: review.verdict, reasons: review.reasons, figures: this.figures, answer: review };
	});

	readFile(file: File): Promise<void> {
		return this.open(file, file.name);
	}

	async open(file: Blob, name: string, here = false): Promise<void> {
		try {
			this.film?.close();
			this.film = await FilmFile.open(file);
			[this.sourceName, this.recordedHere, this.fromS, this.points] = [name, here, 0, []];
			this.practice = false;
			await this.begin(0);
			this.step = 'mark';
		} catch (error) {
			failed(error);
		}
	}

	/** Films the practice aircraft, and opens the film as any other; how it was taken is known. */
	async rehearse(seed: number, faults: RigFaults): Promise<void> {
		[this.step, this.progress] = ['filming', 0];
		const abort = (this.#abort = new AbortController());
		try {
			const made = await practiceFilm(seed, faults, {
				signal: abort.signal,
				progress: (share) => (this.progress = share),
			});
			this.step = 'before';
			await this.open(made.film, 'the practice aircraft', true);
			const { spanM, elevationDeg, viewDeg } = this;
			this.#ownSetup = { spanM, elevationDeg, viewDeg };
			[this.spanM, this.elevationDeg, this.viewDeg] = [made.spanM, made.elevationDeg, made.viewDeg];
			this.practice = true;
		} catch (error) {
			this.step = 'before';
			if (!(error instanceof DOMException)) failed(error);
		} finally {
			this.#abort = null;
		}
	}

	/** Saves a film that was taken here: nothing else keeps it. */
	async keepFilm(): Promise<void> {
		const blob = this.film?.blob;
		if (!blob) return;
		const name = `hover.${blob.type.includes('mp4') ? 'mp4' : 'webm'}`;
		download(name, new Uint8Array(await blob.arrayBuffer()), blob.type);
	}

	/** Moves the moment at which the film begins to count. */
	async begin(atS: number): Promise<void> {
		if (!this.film) return;
		[this.fromS, this.points] = [atS, []];
		this.still = await this.film.still(atS);
	}

	get marked(): boolean {
		return this.points.length === 2 && this.spanM !== null && this.spanM > 0;
	}

	async follow(): Promise<void> {
		const { film, fromS, points } = this;
		if (!film || points.length < 2) return;
		[this.step, this.progress] = ['following', null];
		const abort = (this.#abort = new AbortController());
		try {
			const spread = await film.spread(SPREAD, fromS, abort.signal);
			abort.signal.throwIfAborted();
			const first = await film.at(fromS);
			const [a, b] = points.map(({ x, y }) => ({ x: x * film.scale, y: y * film.scale }));
			const mark = { u: (a.x + b.x) / 2, v: (a.y + b.y) / 2, widthPx: Math.hypot(b.x - a.x, b.y - a.y) };
			this.track = await call(
				'trackFilm',
				{ spread, first, mark, endS: film.durationS },
				{
					signal: abort.signal,
					progress: (share) => (this.progress = Math.min(1, share)),
					feed: film.reader(fromS, abort.signal),
				},
			);
			if (this.track.t.length === 0) throw new Error('The film gave no pictures: open it again, or another one.');
			this.shown = await this.#look(this.track);
			this.step = 'confirm';
		} catch (error) {
			this.step = 'mark';
			if (!(error instanceof DOMException)) failed(error);
		} finally {
			abort.abort();
			this.#abort = null;
		}
	}

	/** The first and the last picture, and the four in which it looked least like itself. */
	async #look(track: FilmTrack): Promise<Shown[]> {
		const { film } = this;
		if (!film || track.t.length === 0) return [];
		const n = track.t.length;
		const worst = [...track.z.keys()]
			.slice(1, n - 1)
			.toSorted((i, j) => track.z[i] - track.z[j])
			.slice(0, SHOWN - 2);
		const out: Shown[] = [];
		for (const i of [0, ...worst.toSorted((a, b) => a - b), n - 1]) {
			const { x, y } = track.shift[i];
			const widthPx = (track.widthPx * Math.exp(track.q[i])) / film.scale;
			const half = Math.max(24, Math.round(1.6 * widthPx));
			const about = { u: (track.u[i] + x) / film.scale, v: (track.v[i] + y) / film.scale, half };
			out.push({ tS: track.t[i], src: await film.still(track.t[i], about), ring: (0.62 * widthPx) / half });
		}
		return out;
	}

	async judge(confirmed: boolean): Promise<void> {
		const { track, spanM, film } = this;
		if (!track || spanM === null || !film) return;
		const fPx = this.viewDeg === null ? null : track.width / 2 / Math.tan((this.viewDeg * Math.PI) / 360);
		this.progress = null;
		this.step = 'following';
		const abort = (this.#abort = new AbortController());
		try {
			const setup: FilmSetup = {
				spanM,
				markedLarge: film.width >= MARKED_LARGE_PX,
				...(fPx === null ? {} : { fPx }),
				elevationDeg: this.elevationDeg,
				hold: this.hold,
				confirmed,
			};
			this.review = await call(
				'reviewFilm',
				{ track, setup },
				{ signal: abort.signal, progress: (share) => (this.progress = share) },
			);
			this.step = 'found';
		} catch (error) {
			this.step = 'confirm';
			if (!(error instanceof DOMException)) failed(error);
		} finally {
			this.#abort = null;
		}
	}

	/** Whether the film is long enough to show a circle. */
	get long(): boolean {
		return (this.film?.durationS ?? 0) - this.fromS >= filmLimits.minHoldS.value;
	}

	cancel(): void {
		this.#abort?.abort();
	}

	/** The same film again: marked again. */
	remark(): void {
		[this.step, this.review, this.track, this.shown, this.points] = [this.film ? 'mark' : 'before', null, null, [], []];
	}

	/** Back to the beginning, for another film. */
	repeat(): void {
		this.film?.close();
		this.film = null;
		// How the practice film was taken is not how the next one will be.
		if (this.practice) Object.assign(this, this.#ownSetup);
		this.practice = false;
		this.remark();
	}

	dispose(): void {
		this.cancel();
		this.film?.close();
	}
}
