import { csvFile } from '$lib/instruments/files';
import type { AxisBatch, Source, SourceBatch } from './source';

export interface RecorderEvents {
	/** Samples or lines so far, the time of the latest in seconds, and what it was, in words. */
	progress(count: number, atS: number, latest: string): void;
	/** Nothing comes yet: what to do about it. */
	waiting(words: string): void;
	/** It cannot go on: why, for the pilot. What was recorded until then is kept. */
	failed(message: string): void;
}

export interface Recorder {
	/** Ends the recording; the file is read like any other log. Null where nothing arrived. */
	stop(): File | null;
}

/** Columns that grow by whole samples; one that comes again, or late, is passed over. */
class Columns {
	readonly t: number[] = [];
	readonly values: Record<string, number[]> = {};

	take(t: readonly number[], values: Record<string, readonly number[]>): void {
		for (let i = 0; i < t.length; i++) {
			if (this.t.length > 0 && t[i] <= this.t[this.t.length - 1]) continue;
			this.t.push(t[i]);
			for (const name in values) (this.values[name] ??= []).push(values[name][i]);
		}
	}

	file(name: string): File | null {
		return this.t.length === 0 ? null : csvFile(name, { 't [s]': this.t, ...this.values });
	}
}

const named = (axes: AxisBatch | undefined, prefix: string, unit: string): Record<string, readonly number[]> =>
	axes ? Object.fromEntries((['x', 'y', 'z'] as const).map((k) => [`${prefix}${k} [${unit}]`, axes[k]])) : {};

/** Text of a line whose first and last lines may be cut. */
function textFile(text: string): File | null {
	const whole = text.slice(text.indexOf('\n') + 1, text.lastIndexOf('\n') + 1);
	return whole.trim() === '' ? null : new File([whole], 'serial-line.txt', { type: 'text/plain' });
}

const LINE_SHOWN = 60;

/**
 * Records what a source gives, to a file: its text where it gives text, the sticks of a radio, else the readings of its
 * sensors, all as a table with units. Times that do not increase are passed over.
 */
export function record(source: Source, { progress, waiting, failed }: RecorderEvents): Recorder {
	const table = new Columns();
	let [text, lines, kind] = ['', 0, 'motion-sensors.csv'];
	const take = ({ atS, accel, gyro, radio, buttons, text: more }: SourceBatch) => {
		if (more !== undefined) {
			text += more;
			lines += more.split('\n').length - 1;
			progress(lines, atS, text.slice(text.lastIndexOf('\n', text.length - 2) + 1).slice(0, LINE_SHOWN));
		} else if (radio) {
			kind = 'radio.csv';
			table.take(radio.t, Object.fromEntries(radio.channels.map((column, k) => [`ch${k + 1}`, column])));
			const seen = buttons && buttons.pressed.length > 0 ? `: ${buttons.pressed.join(' ')}` : '';
			const pressed = buttons ? `, ${buttons.pressed.length} of ${buttons.of} buttons pressed${seen}` : '';
			progress(table.t.length, atS, `${radio.channels.length} channels${pressed}`);
		} else if (accel) {
			table.take(accel.t, { ...named(accel, 'a', 'm/s2'), ...named(gyro, 'g', 'rad/s') });
			const last = [accel.x, accel.y, accel.z].map((column) => column[column.length - 1].toFixed(2));
			progress(table.t.length, atS, `${last.join('  ')} m/s²`);
		}
	};
	const close = source.open({ batch: take, waiting, failed: (error) => failed(error.message) });
	return {
		stop() {
			close();
			return text === '' ? table.file(kind) : textFile(text);
		},
	};
}
