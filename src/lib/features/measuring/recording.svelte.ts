import type { Mat3 } from '$lib/core/frames/mat3';
import type { Vec3 } from '$lib/core/frames/vec3';
import { normalise } from '$lib/core/frames/vec3';
import type { AxisBatch, ChannelBatch, Source, SourceBatch } from '$lib/sources/source';
import { forgetUnderway, type Underway } from '$lib/store/underway';
import { piecesOf, WrittenDown, type Span } from './writtenDown';

const emptyAxes = (): AxisBatch => ({ t: [], x: [], y: [], z: [] });

function append(to: AxisBatch, more: AxisBatch | undefined): void {
	if (!more) return;
	for (let i = 0; i < more.t.length; i++) {
		// Sources may repeat or swap samples at the seam of two batches; the core wants time to increase.
		if (to.t.length > 0 && more.t[i] <= to.t[to.t.length - 1]) continue;
		to.t.push(more.t[i]);
		to.x.push(more.x[i]);
		to.y.push(more.y[i]);
		to.z.push(more.z[i]);
	}
}

const DOWN_MEAN = 20;

/** What a source has delivered so far. The columns grow in place; `samples` and `atS` tell the interface that they did. */
export class Recording {
	mag = emptyAxes();
	accel = emptyAxes();
	gyro = emptyAxes();
	lines: string[] = [];
	radio: ChannelBatch = { t: [], channels: [] };
	packV = $state<number | null>(null);
	samples = $state(0);
	atS = $state(0);
	attitude = $state.raw<Mat3 | null>(null);
	running = $state(false);
	/** What arrives is passed over until it goes on. */
	paused = $state(false);
	/** Nothing comes yet: what the pilot can do. */
	waiting = $state('');
	failure = $state<string | null>(null);
	/** Rows of the source that did not fit. */
	lost = $state(0);
	sourceName = $state('');
	turnable = $state(false);
	/** The data are simulated. */
	practice = $state(false);
	/** What is not read of it. */
	leftOut: Span[] = [];
	#close: (() => void) | null = null;
	#key: string | null;
	#down: WrittenDown | null = null;

	/** With a key it is written down as it comes, so that a page that is loaded again brings it back. */
	constructor(key: string | null = null) {
		this.#key = key;
	}

	start(source: Source): void {
		this.stop();
		this.clear();
		this.sourceName = source.name;
		this.turnable = source.turnable;
		this.practice = source.practice;
		this.paused = false;
		this.running = true;
		if (this.#key !== null) this.#down = new WrittenDown(this.#key, source);
		this.#close = source.open({
			batch: (batch) => {
				this.waiting = '';
				if (this.paused) return;
				this.#down?.take(batch);
				this.#take(batch);
			},
			waiting: (words) => (this.waiting = words),
			failed: (error) => {
				this.failure = error.message;
				this.running = false;
			},
		});
	}

	#take(batch: SourceBatch): void {
		append(this.mag, batch.mag);
		append(this.accel, batch.accel);
		append(this.gyro, batch.gyro);
		if (batch.radio) this.#appendRadio(batch.radio);
		for (const line of batch.lines ?? []) this.lines.push(line);
		if (batch.lost !== undefined) this.lost = batch.lost;
		if (batch.packV !== undefined) this.packV = batch.packV;
		if (batch.attitude) this.attitude = batch.attitude;
		this.atS = batch.atS;
		this.samples = Math.max(this.mag.t.length, this.lines.length);
	}

	/** Takes up what was written down before; its source is gone. */
	takeUp(kept: Underway): void {
		const { batches, leftOut } = piecesOf(kept);
		this.sourceName = kept.from.name;
		this.practice = kept.from.practice;
		this.leftOut = leftOut;
		for (const batch of batches) this.#take(batch);
	}

	/** Leaves a span out of the reading. */
	leaveOut(span: Span): void {
		this.leftOut.push(span);
		this.#down?.leaveOut(span);
	}

	/** Channels come and go with a radio: as many are kept as it showed first. */
	#appendRadio({ t, channels }: ChannelBatch): void {
		const { radio } = this;
		if (radio.t.length === 0) radio.channels = channels.map(() => []);
		for (let i = 0; i < t.length; i++) {
			if (radio.t.length > 0 && t[i] <= radio.t[radio.t.length - 1]) continue;
			radio.t.push(t[i]);
			radio.channels.forEach((column, k) => column.push(channels.at(k)?.[i] ?? 0));
		}
	}

	/** Passes over what arrives while the aircraft is put down, without losing what was recorded. */
	pause(): void {
		this.paused = true;
	}

	/** Goes on where it paused; false where the source is gone and nothing more will come. */
	resume(): boolean {
		this.paused = false;
		return this.running;
	}

	stop(): void {
		this.#close?.();
		this.#close = null;
		this.#down?.end();
		this.#down = null;
		this.running = false;
	}

	/** Throws it away, what was written down of it too. */
	clear(): void {
		if (this.#key !== null) forgetUnderway(this.#key);
		this.leftOut = [];
		this.mag = emptyAxes();
		this.accel = emptyAxes();
		this.gyro = emptyAxes();
		this.lines = [];
		this.radio = { t: [], channels: [] };
		this.samples = 0;
		this.atS = 0;
		this.waiting = '';
		this.failure = null;
		this.lost = 0;
		this.packV = null;
		this.attitude = null;
	}

	/** Down in body axes from the last accelerometer samples; null without an accelerometer. */
	down(): Vec3 | null {
		const n = this.accel.t.length;
		if (n === 0) return null;
		const from = Math.max(0, n - DOWN_MEAN);
		const sum = [0, 0, 0];
		for (let i = from; i < n; i++) {
			sum[0] -= this.accel.x[i];
			sum[1] -= this.accel.y[i];
			sum[2] -= this.accel.z[i];
		}
		return normalise([sum[0], sum[1], sum[2]]);
	}
}
