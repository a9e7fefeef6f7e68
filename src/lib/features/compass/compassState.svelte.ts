import { figure } from '$lib/core/figures/figure';
import { withSetting } from '$lib/core/compass/setting';
import type { MountingAngles } from '$lib/core/inertial/mountingChange';
import { max as d3max, min as d3min } from 'd3-array';
import { showSigma } from '$lib/words/sigma';
import type { Cue } from '$lib/core/compass/cue';
import { compassLimits } from '$lib/core/compass/limits';
import { followTurns, TURNS_BEGIN, type TurnPlan, type TurnView } from '$lib/core/guide/turns';
import { fieldAt } from '$lib/core/earth/field';
import { COMPASS_ROLES } from '$lib/core/record/logRoles';
import { apply, IDENTITY, type Mat3 } from '$lib/core/frames/mat3';
import { InputError } from '$lib/core/finding/inputError';
import type { FieldAnswer } from '$lib/schema/field';
import type { CompassAnswer } from '$lib/schema/compass';
import { hasColumns, series } from '$lib/instruments/files';
import type { Series } from '$lib/schema/common';
import type { Source } from '$lib/sources/source';
import type { Underway } from '$lib/store/underway';
import { inTheHand } from '$lib/ui/screen';
import { say, tone } from '$lib/ui/speech';
import { failed } from '$lib/ui/notify';
import { call } from '$lib/workers/core';
import type { Found, LiveMeasurement } from '$lib/features/measuring/liveMeasurement';
import { failedOnce } from '$lib/features/measuring/failedOnce';
import { Recording } from '$lib/features/measuring/recording.svelte';
import { TableFlow } from '$lib/features/measuring/tableFlow.svelte';

export interface CompassSetting {
	/** Null where no place was entered: nothing is compared with the field model. */
	place: { latDeg: number; lonDeg: number; altM: number } | null;
	date: string;
	limitDeg: number;
	/** The orientation set for the compass; null where nobody stated one, left out where there is no aircraft to compare with. */
	mounting?: MountingAngles | null;
}

type Phase = 'choose' | 'turning' | 'result';
type Point = readonly [number, number, number];

const UPDATE_MS = 300;
const POINTS_SHOWN = 900;
const LIVE_READINGS = 3000;
const NO_SITE_DIP = 60;
/** A source that has a gyro has shown it by then. */
const READINGS_WITHOUT_GYRO = 40;
const WHOLE_TURN_DEG = 360;
const SIDES_MARGIN = 0.8;

const complete = hasColumns(['t', 'mx', 'my', 'mz']);

/** Every n-th reading, so that a live fit stays quick. */
const every = ({ t, x, y, z }: Series, step: number): Series => {
	if (step <= 1) return { t, x, y, z };
	const pick = (values: ArrayLike<number>) => Array.from(values).filter((_, i) => i % step === 0);
	return { t: pick(t), x: pick(x), y: pick(y), z: pick(z) };
};

/** What is fitted: the field, and what else the source has. */
export interface CompassSamples {
	mag: Series;
	accel?: Series | undefined;
	gyro?: Series | undefined;
}

/** A compass calibration from choosing the source to the finding. */
export class CompassState implements LiveMeasurement {
	readonly recording: Recording;
	readonly table = new TableFlow('compass', COMPASS_ROLES, complete);
	phase = $state<Phase>('choose');
	/** The aircraft's own recipe of turning; null where the data say which turn tells most. */
	plan = $state.raw<TurnPlan | null>(null);
	turns = $state.raw<TurnView>(TURNS_BEGIN);
	big = $state(false);
	busy = $state(false);
	/** The pilot ended a live turning before its aim was reached. */
	early = $state(false);
	answer = $state.raw<CompassAnswer | null>(null);
	cue = $state.raw<Cue | null>(null);
	points = $state.raw<Point[]>([]);
	#setting: () => CompassSetting;
	#abort: AbortController | null = null;
	/** Read from a file, where it was not followed live. */
	#file: { name: string; samples: CompassSamples } | null = null;

	/** With a key its recording comes back after its page was loaded again. */
	constructor(setting: () => CompassSetting, key: string | null = null) {
		this.recording = new Recording(key);
		this.#setting = setting;
	}

	/** The model's field at the site; null without a site, and for a date that the model does not hold for. */
	model = $derived.by((): FieldAnswer | null => {
		const { place, date } = this.#setting();
		try {
			return place && fieldAt(place.latDeg, place.lonDeg, place.altM, date);
		} catch (error) {
			if (error instanceof InputError) return null;
			throw error;
		}
	});

	/** A site is known, but the model does not hold for the date. */
	get beyondModel(): boolean {
		return this.#setting().place !== null && this.model === null;
	}

	get limitDeg(): number {
		return this.#setting().limitDeg;
	}

	sigmaDeg = $derived.by(() => this.answer?.uncertainty?.headingDeg ?? this.cue?.headingSigmaDeg ?? null);

	/** How near the heading is to being known well enough, 0..1: on a logarithmic scale from ten times the aim. */
	progress = $derived.by(() => {
		const { plan, turns } = this;
		if (plan && turns.lastT !== null)
			return Math.min(1, (turns.done + Math.abs(turns.turnedDeg) / WHOLE_TURN_DEG) / plan.turns.length);
		const sigma = this.sigmaDeg;
		if (sigma === null || !(sigma > 0)) return 0;
		const times = sigma / this.limitDeg;
		return Math.max(0.02, Math.min(1, 1 - Math.log10(Math.max(1, times)) / Math.log10(40)));
	});

	title = $derived.by(() => {
		if (this.phase === 'choose') return 'Turn the compass through the field';
		if (this.phase === 'turning' && this.plan) return this.turns.words || this.plan.turns[0].say;
		if (this.phase === 'turning') return this.cue?.words ?? 'Hold it level and turn right, slowly';
		const { answer } = this;
		if (!answer) return this.busy ? 'Working it out…' : 'What was recorded is not worked out yet';
		if (this.early) return `Ended early: ${this.#missing(answer)} ${this.goesOn ? 'Go on turning' : 'Turn it again'}`;
		if (answer.verdict === 'fail') return answer.reasons[0].text;
		const sigma = answer.uncertainty?.headingDeg ?? NaN;
		const before = answer.headingErrorDeg?.before ?? NaN;
		return `The heading is known to ±${showSigma(sigma)}°; uncorrected it would be wrong by up to ${before.toFixed(0)}°`;
	});

	/** What a turning still lacks, the first of what is wanted. */
	#missing({ uncertainty, reasons }: CompassAnswer): string {
		const sigma = uncertainty?.headingDeg;
		if (sigma === undefined) return `the heading is not yet known, wanted ±${this.limitDeg.toFixed(1)}°.`;
		if (sigma > this.limitDeg) return `the heading is ±${showSigma(sigma)}°, wanted ±${this.limitDeg.toFixed(1)}°.`;
		if (!this.#sidesSeen()) return 'the heading is known, but one side was hardly seen.';
		return reasons[0].text;
	}

	/** The source still gives what it did: a turning that was ended can be gone on with. */
	get goesOn(): boolean {
		return this.recording.running;
	}

	begin(source: Source): void {
		this.answer = null;
		this.cue = null;
		this.points = [];
		this.turns = TURNS_BEGIN;
		this.early = false;
		this.#file = null;
		this.phase = 'turning';
		this.recording.start(source);
		// On a phone the screen is small and both hands are taken: one cue, nothing else.
		this.big = !source.turnable && inTheHand();
		void this.#follow();
	}

	get idle(): boolean {
		return this.phase === 'choose';
	}

	get practice(): boolean {
		return this.#file === null && this.recording.practice;
	}

	get sourceName(): string {
		return this.#file?.name ?? this.recording.sourceName;
	}

	/** The readings that are fitted, a file's or as many as have come. */
	get samples(): CompassSamples {
		if (this.#file) return this.#file.samples;
		const { mag, accel, gyro } = this.recording;
		const some = (axes: Series) => (axes.t.length > 0 ? axes : undefined);
		return { mag, accel: some(accel), gyro: some(gyro) };
	}

	get found(): Found | null {
		const { answer } = this;
		if (this.phase !== 'result' || !answer) return null;
		const value = answer.uncertainty?.headingDeg ?? null;
		return { ...answer, figures: [figure('heading-sigma', value)], answer };
	}

	async readFile(file: File): Promise<void> {
		this.#abort = new AbortController();
		try {
			const columns = await this.table.read(file, this.#abort.signal);
			if (!columns) return;
			const axes = (prefix: string) => (columns[`${prefix}x`] ? series(columns, prefix) : undefined);
			this.repeat();
			this.#file = { name: file.name, samples: { mag: series(columns, 'm'), accel: axes('a'), gyro: axes('g') } };
			this.phase = 'turning';
			await this.finish();
		} catch (error) {
			failed(error);
		}
	}

	async #follow(): Promise<void> {
		const tell = failedOnce();
		const { recording } = this;
		while (this.phase === 'turning' && recording.running) {
			try {
				await this.#update();
			} catch (error) {
				tell(error);
			}
			if (this.phase !== 'turning') return;
			if (this.plan && this.turns.lastT !== null) {
				// The recipe ends the turning; whether it was enough is what the fit says.
				if (this.turns.over) {
					tone('done');
					say('All turns are in. Put it down.');
					await this.finish();
					return;
				}
				await new Promise((resolve) => setTimeout(resolve, UPDATE_MS));
				continue;
			}
			if (this.#enough) {
				tone('done');
				say('Enough. Hold still, then put it down.');
				await this.finish();
				return;
			}
			await new Promise((resolve) => setTimeout(resolve, UPDATE_MS));
		}
	}

	/** Live turning goes on until the largest unseen side is clearly below what would be a caution. */
	#sidesSeen = () => (this.answer?.coverage?.largestGapDeg ?? 180) <= SIDES_MARGIN * compassLimits.coverageGapDeg.value;

	async #update(): Promise<void> {
		const { mag, accel, gyro } = this.recording;
		if (this.plan && gyro.t.length === 0 && mag.t.length > READINGS_WITHOUT_GYRO) {
			this.plan = null;
			failed('This source has no gyro: turns cannot be counted. The cues follow what the data need instead.');
		}
		if (this.plan) this.turns = followTurns(this.plan, this.turns, { accel, gyro });
		const step = Math.ceil(mag.t.length / LIVE_READINGS);
		const few = every(mag, step);
		const down = this.recording.down();
		const rotation = this.answer?.mounting?.best.rotation;
		const stayWith = this.cue?.pose.label;
		const inclination = this.model?.inclinationDeg ?? NO_SITE_DIP;
		const [cue, answer] = await Promise.all([
			call('nextCue', {
				mag: { x: few.x, y: few.y, z: few.z },
				inclinationDeg: inclination,
				options: {
					...(down ? { down } : {}),
					...(stayWith ? { stayWith } : {}),
					...(rotation ? { rotation } : {}),
				},
			}),
			few.t.length > 0 ? this.#fit(step) : null,
		]);
		if (this.phase !== 'turning') return;
		this.cue = cue;
		this.answer = answer;
		this.#place(few);
	}

	#fit(step: number, signal?: AbortSignal): Promise<CompassAnswer> {
		const { mag, accel, gyro } = this.samples;
		const { place, date } = this.#setting();
		const request = {
			mag: every(mag, step),
			...(accel ? { accel: every(accel, step) } : {}),
			...(gyro ? { gyro: every(gyro, step) } : {}),
			...(place && this.model ? { site: { ...place, date } } : {}),
		};
		return call('fitCompass', request, { signal });
	}

	/** Directions of the field in body axes, for the picture: corrected where there is a fit, else about the middle. */
	#place(mag: Series): void {
		const n = mag.t.length;
		const step = Math.max(1, Math.ceil(n / POINTS_SHOWN));
		const { hardIronUt, softIron, mounting } = this.answer ?? {};
		const offset =
			hardIronUt ?? [mag.x, mag.y, mag.z].map((v) => ((d3min(Array.from(v)) ?? 0) + (d3max(Array.from(v)) ?? 0)) / 2);
		const w: Mat3 = softIron ?? IDENTITY;
		const r: Mat3 = mounting?.best.rotation ?? IDENTITY;
		const points: Point[] = [];
		for (let i = 0; i < n; i += step)
			points.push(apply(r, apply(w, [mag.x[i] - offset[0], mag.y[i] - offset[1], mag.z[i] - offset[2]])));
		this.points = points;
	}

	/** The aim as it stands: heading known well enough by the data, sides seen, nothing that fails. */
	get #enough(): boolean {
		const sigma = this.answer?.uncertainty?.headingDeg;
		return this.answer?.verdict !== 'fail' && sigma !== undefined && sigma <= this.limitDeg && this.#sidesSeen();
	}

	/**
	 * Puts the aircraft down and fits everything that was recorded. `byHand` is true where the pilot ended it: then it may have been
	 * too early, and the source is kept so that the turning can go on.
	 */
	async finish(byHand = false): Promise<void> {
		if (this.phase !== 'turning') return;
		if (byHand) this.recording.pause();
		else this.recording.stop();
		this.phase = 'result';
		this.big = false;
		this.busy = true;
		this.#abort = new AbortController();
		try {
			const { mag } = this.samples;
			const fitted = mag.t.length > 0 ? await this.#fit(1, this.#abort.signal) : null;
			const { mounting } = this.#setting();
			this.answer = fitted && mounting !== undefined ? withSetting(fitted, mounting) : fitted;
			if (!this.answer) this.repeat();
			else this.#place(mag);
			this.early = byHand && !this.#enough;
		} catch (error) {
			// A file can be opened again; what was turned stays, to be worked out again or saved.
			if (this.#file) this.repeat();
			else this.answer = null;
			if (!(error instanceof DOMException)) failed(error);
		} finally {
			this.busy = false;
		}
	}

	/** Works out what was recorded once more, where that was stopped or failed. */
	async again(): Promise<void> {
		this.phase = 'turning';
		await this.finish(this.recording.paused);
	}

	/** Goes on turning where it was ended too early; what was recorded stays. */
	goOn(): void {
		if (!this.recording.resume()) {
			failed('The source has ended: begin it again.');
			return;
		}
		this.early = false;
		this.phase = 'turning';
		void this.#follow();
	}

	cancel(): void {
		this.#abort?.abort();
		// What is being worked out is stopped, not thrown away.
		if (!this.busy) this.repeat();
	}

	repeat(): void {
		this.recording.stop();
		this.recording.clear();
		this.#file = null;
		this.early = false;
		this.answer = null;
		this.cue = null;
		this.points = [];
		this.big = false;
		this.phase = 'choose';
	}

	get holds(): boolean {
		return this.phase !== 'choose' && this.samples.mag.t.length > 0;
	}

	/** Lets the source go; what was turned stays, to be worked out when one comes back. */
	rest(): void {
		this.dispose();
		if (this.phase !== 'turning') return;
		// It was ended by hand: what is too little is said to be.
		this.recording.pause();
		this.phase = this.holds ? 'result' : 'choose';
		this.big = false;
		this.answer = null;
	}

	/** What was written down before the page went: to be worked out. */
	takeUp(kept: Underway): void {
		this.recording.takeUp(kept);
		this.phase = 'turning';
		this.rest();
	}

	dispose(): void {
		this.#abort?.abort();
		this.recording.stop();
	}
}
