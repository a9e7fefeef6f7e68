import type { Mat3 } from '$lib/core/frames/mat3';

/** Samples of three axes with their times in seconds, from whatever source. */
export interface AxisBatch {
	t: number[];
	x: number[];
	y: number[];
	z: number[];
}

/** Channels of a radio, −1 to 1, one column each. */
export interface ChannelBatch {
	t: number[];
	channels: number[][];
}

/** What arrives from a source at once. Units: µT, m/s², rad/s; axes as the source gives them. */
export interface SourceBatch {
	mag?: AxisBatch;
	accel?: AxisBatch;
	gyro?: AxisBatch;
	/** NMEA 0183 lines. */
	lines?: string[];
	/** A radio's sticks and switches. */
	radio?: ChannelBatch;
	/** Buttons of the radio: which were pressed so far, counted from 1, and how many there are. */
	buttons?: { pressed: readonly number[]; of: number };
	/** Text of a line as it came, for a recording. */
	text?: string;
	/** Rows so far that did not fit and were left out. */
	lost?: number;
	packV?: number;
	/** Time of the batch in the source's own clock, seconds. */
	atS: number;
	/** How the aircraft is held, where the source knows it: for drawing only. */
	attitude?: Mat3;
}

export interface Sink {
	batch(batch: SourceBatch): void;
	/** Nothing comes yet: what the pilot can do about it. */
	waiting(words: string): void;
	failed(error: Error): void;
}

/** Where live samples come from: practice aircraft, serial line, game controller, motion sensors. Interchangeable. */
export interface Source {
	readonly name: string;
	/** True where its data are simulated, or a phone's in hand: no evidence of any real aircraft. */
	readonly practice: boolean;
	/** True where the pilot's own hands turn it on the screen. */
	readonly turnable: boolean;
	/** Begins to deliver; returns what stops it. */
	open(sink: Sink): () => void;
}
