import { guessColumns, takeColumns, type Choices } from '$lib/core/record/columns';
import { type Role } from '$lib/core/record/logRoles';
import { readTable } from '$lib/core/record/csv';
import { InputError } from '$lib/core/finding/inputError';
import { openMotion } from './deviceMotion';
import { openGamepad } from './gamepad';
import { openSerial } from './serialLine';
import type { AxisBatch, Sink, Source, SourceBatch } from './source';

const failure = (error: unknown) => (error instanceof Error ? error : new Error(String(error)));

/** Opens something that takes a moment and may be refused; what closes it works at any time. */
function opening(sink: Sink, open: () => Promise<() => unknown>): () => void {
	let over = false;
	let close: (() => unknown) | null = null;
	open()
		.then((opened) => {
			if (over) void opened();
			else close = opened;
		})
		.catch((error: unknown) => {
			if (!over) sink.failed(failure(error));
		});
	return () => {
		over = true;
		void close?.();
	};
}

/** The motion sensors of the device in hand as a live source: accelerometer and gyro. */
export function motionSource(): Source {
	return {
		name: 'motion sensors of this device',
		// A phone in hand is not the aircraft: it rehearses.
		practice: true,
		turnable: false,
		open: (sink) =>
			opening(sink, () =>
				openMotion(
					({ tS, accelMps2: a, gyroRadps: g }) =>
						sink.batch({
							atS: tS,
							accel: { t: [tS], x: [a[0]], y: [a[1]], z: [a[2]] },
							gyro: { t: [tS], x: [g[0]], y: [g[1]], z: [g[2]] },
						}),
					(why) => sink.failed(new Error(why)),
				),
			),
	};
}

const NO_RADIO_MS = 4000;

/** A radio that shows itself as a game controller, as a live source. */
export function gamepadSource(): Source {
	return {
		name: 'radio, as a game controller',
		practice: false,
		turnable: false,
		open: (sink) =>
			opening(sink, async () => {
				const pressed = new Set<number>();
				return openGamepad({
					read(atS, axes, buttons) {
						buttons.forEach((button, k) => button.pressed && pressed.add(k + 1));
						sink.batch({
							atS,
							radio: { t: [atS], channels: axes.map((v) => [v]) },
							buttons: { pressed: [...pressed].sort((a, b) => a - b), of: buttons.length },
						});
					},
					waiting(forMs) {
						if (forMs > NO_RADIO_MS)
							sink.waiting('No radio shows itself yet. Connect it, then move a stick or press a button.');
					},
					gone: (why) => sink.failed(new Error(why)),
				});
			}),
	};
}

const GROUPS = [
	['mag', 'm'],
	['accel', 'a'],
	['gyro', 'g'],
] as const;
const isNmea = (line: string) => line.startsWith('$') || line.startsWith('!');

/**
 * Turns the text of a serial line into batches as it comes: NMEA sentences as they are, and a table whose first whole line
 * names its columns. A row that does not fit is left out and counted, never guessed.
 */
export function lineReader(roles: readonly Role[]): {
	/** `nowS` is the listener's own clock: that of a line which brings sentences only. */
	take(text: string, nowS?: number): SourceBatch | null;
	/** Rows that did not fit. */
	lost: number;
} {
	let rest: string | null = null;
	let header = '';
	let first = '';
	let choices: Choices | null = null;
	let atS = 0;
	/** Rows behind the first of all, so that their times count from there. */
	const add = (batch: SourceBatch, rows: readonly string[], known: Choices) => {
		const skipped = rows[0] === first ? 0 : 1;
		const table = readTable([header, ...(skipped ? [first] : []), ...rows].join('\n'), 'The line');
		const columns = takeColumns(table, roles, known, 'The line');
		for (const [key, prefix] of GROUPS) {
			const axes = ['x', 'y', 'z'].map((k) => columns[prefix + k]);
			if (axes.some((axis) => axis === undefined)) continue;
			const to: AxisBatch = (batch[key] ??= { t: [], x: [], y: [], z: [] });
			to.t.push(...columns.t.subarray(skipped));
			[to.x, to.y, to.z].forEach((column, k) => column.push(...axes[k].subarray(skipped)));
		}
		batch.atS = columns.t[columns.t.length - 1];
	};
	const reader = {
		lost: 0,
		take(text: string, nowS = 0) {
			const whole = (rest ?? '') + text;
			const end = whole.lastIndexOf('\n');
			if (end < 0) {
				rest = whole;
				return null;
			}
			const lines = whole.slice(0, end).split(/\r?\n/);
			// The line was joined somewhere: what came before its first end may be cut.
			if (rest === null && !/^[A-Za-z$!#]/.test(lines[0])) lines.shift();
			rest = whole.slice(end + 1);
			const nmea = lines.filter(isNmea);
			const rows = lines.filter((line) => line.trim() !== '' && !isNmea(line) && !line.startsWith('#'));
			if (header === '' && rows.length > 0) header = rows.shift() ?? '';
			if (rows.length > 0 && !choices) {
				first = rows[0];
				const { choices: guessed, unclear } = guessColumns(readTable(`${header}\n${first}`, 'The line'), roles);
				if (unclear.length > 0 || !guessed.t)
					throw new InputError(
						'no-header',
						'line.1',
						'The line must begin with a header that names time and axes with their units, as in: t [s], ax [m/s2], ay [m/s2], az [m/s2].',
					);
				choices = guessed;
			}
			const batch: SourceBatch = { atS: choices ? atS : nowS };
			if (nmea.length > 0) batch.lines = nmea;
			if (choices && rows.length > 0) {
				// All at once where all fit; one by one where some do not.
				try {
					add(batch, rows, choices);
				} catch (error) {
					if (!(error instanceof InputError)) throw error;
					for (const row of rows) {
						try {
							add(batch, [row], choices);
						} catch (unfit) {
							if (!(unfit instanceof InputError)) throw unfit;
							reader.lost++;
						}
					}
				}
				atS = batch.atS;
			}
			return batch;
		},
	};
	return reader;
}

/**
 * A serial line as a live source: rows of a table with a header, or NMEA 0183. Without roles its text is handed on as it
 * comes and nothing is read out of it.
 */
export function serialSource(baud: number, roles: readonly Role[] | null): Source {
	return {
		name: 'serial line',
		practice: false,
		turnable: false,
		open: (sink) => {
			const reader = roles && lineReader(roles);
			const from = performance.now();
			return opening(sink, () =>
				openSerial(
					baud,
					(text) => {
						try {
							const nowS = (performance.now() - from) / 1000;
							if (!reader) sink.batch({ atS: nowS, text });
							const batch = reader?.take(text, nowS);
							if (reader && batch) sink.batch({ ...batch, lost: reader.lost });
						} catch (error) {
							sink.failed(failure(error));
						}
					},
					(why) => sink.failed(new Error(why)),
				),
			);
		},
	};
}
