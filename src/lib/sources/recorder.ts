import type { RecorderKind } from '$lib/instruments/instrument';
import { openMotion } from './deviceMotion';
import { openGamepad } from './gamepad';
import { openSerial } from './serialLine';

export interface RecorderEvents {
	/** Samples or lines so far, and what the latest one was, in words. */
	progress(count: number, latest: string): void;
	/** It cannot go on: why, for the pilot. What was recorded until then is kept. */
	failed(message: string): void;
}

export interface Recorder {
	/** Ends the recording; the file is read like any other log. Null where nothing arrived. */
	stop(): Promise<File | null>;
}

export interface RecorderOptions {
	baud: number;
}

const NO_ANSWER_MS = 4000;

const table = (name: string, header: string, rows: readonly string[]): File | null =>
	rows.length > 0 ? new File([`${header}\n${rows.join('\n')}\n`], name, { type: 'text/csv' }) : null;

/** The motion sensors of the device in hand as a table: m/s² and rad/s, x forward, y right, z down. */
async function recordMotion(events: RecorderEvents): Promise<Recorder> {
	const rows: string[] = [];
	const close = await openMotion(({ tS, accelMps2, gyroRadps }) => {
		const force = accelMps2.map((v) => v.toFixed(4));
		rows.push([tS.toFixed(4), ...force, ...gyroRadps.map((v) => v.toFixed(5))].join(','));
		events.progress(rows.length, `${force.join('  ')} m/s²`);
	}, events.failed);
	return {
		async stop() {
			close();
			return table('motion-sensors.csv', 't [s],ax [m/s2],ay [m/s2],az [m/s2],gx [rad/s],gy [rad/s],gz [rad/s]', rows);
		},
	};
}

/** A radio that shows itself as a game controller: its axes as channels, and which buttons were ever pressed. */
async function recordGamepad(events: RecorderEvents): Promise<Recorder> {
	const rows: string[] = [];
	const pressed = new Set<number>();
	let channels = 0;
	let before = -1;
	const close = openGamepad({
		read(atS, axes, buttons) {
			channels ||= axes.length;
			buttons.forEach((button, k) => {
				if (button.pressed) pressed.add(k + 1);
			});
			if (atS <= before) return;
			before = atS;
			rows.push([atS.toFixed(4), ...axes.map((v) => v.toFixed(5))].join(','));
			const seen = [...pressed].sort((a, b) => a - b).join(' ');
			events.progress(
				rows.length,
				`${channels} channels, ${pressed.size} of ${buttons.length} buttons pressed${seen ? `: ${seen}` : ''}`,
			);
		},
		waiting(forMs) {
			if (forMs > NO_ANSWER_MS)
				events.progress(0, 'Move a stick or press a button: a browser shows a radio only then.');
		},
		gone: events.failed,
	});
	return {
		async stop() {
			close();
			const names = Array.from({ length: channels }, (_, k) => `ch${k + 1}`);
			return table('radio.csv', ['t [s]', ...names].join(','), rows);
		},
	};
}

/** A serial line: text as it comes, lines of CSV or NMEA 0183. */
async function recordSerial(events: RecorderEvents, { baud }: RecorderOptions): Promise<Recorder> {
	let text = '';
	let lines = 0;
	const close = await openSerial(
		baud,
		(more) => {
			text += more;
			lines += more.split('\n').length - 1;
			events.progress(lines, text.slice(text.lastIndexOf('\n', text.length - 2) + 1).slice(0, 60));
		},
		events.failed,
	);
	return {
		async stop() {
			await close();
			// The first and the last line may be cut.
			const whole = text.slice(text.indexOf('\n') + 1, text.lastIndexOf('\n') + 1);
			return whole.trim() === '' ? null : new File([whole], 'serial-line.txt', { type: 'text/plain' });
		},
	};
}

/**
 * Begins to record from what this device has. Resolves once it was allowed.
 * @throws Error with words for the pilot where it is absent or not allowed.
 */
export function startRecorder(kind: RecorderKind, events: RecorderEvents, options: RecorderOptions): Promise<Recorder> {
	return kind === 'motion'
		? recordMotion(events)
		: kind === 'gamepad'
			? recordGamepad(events)
			: recordSerial(events, options);
}
