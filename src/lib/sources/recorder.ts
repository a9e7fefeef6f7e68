/** What is recorded live on this device: its own motion sensors, a radio as a game controller, a serial line. */
export type RecorderKind = 'motion' | 'gamepad' | 'serial';

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
const RAD = Math.PI / 180;

const table = (name: string, header: string, rows: readonly string[]): File | null =>
	rows.length > 0 ? new File([`${header}\n${rows.join('\n')}\n`], name, { type: 'text/csv' }) : null;

interface AsksPermission {
	requestPermission?: () => Promise<'granted' | 'denied'>;
}

/**
 * The motion sensors of the device in hand as an aircraft's: its top is the nose, its screen faces up. Specific force in
 * m/s² and rates in rad/s, axes x forward, y right, z down.
 */
async function recordMotion(events: RecorderEvents): Promise<Recorder> {
	if (!('DeviceMotionEvent' in window)) throw new Error('This device has no motion sensors that a browser may read.');
	const asks = DeviceMotionEvent as unknown as AsksPermission;
	if (asks.requestPermission && (await asks.requestPermission()) !== 'granted')
		throw new Error('The motion sensors were not allowed. Allow them in the browser’s settings for this page.');
	const rows: string[] = [];
	let first: number | null = null;
	const take = ({ accelerationIncludingGravity: a, rotationRate: r, timeStamp }: DeviceMotionEvent) => {
		if (!a || a.x === null || a.y === null || a.z === null) return;
		first ??= timeStamp;
		const rate = [r?.gamma ?? 0, r?.beta ?? 0, -(r?.alpha ?? 0)].map((v) => (v * RAD).toFixed(5));
		const force = [a.y, a.x, -a.z].map((v) => v.toFixed(4));
		rows.push([((timeStamp - first) / 1000).toFixed(4), ...force, ...rate].join(','));
		events.progress(rows.length, `${force.join('  ')} m/s²`);
	};
	window.addEventListener('devicemotion', take);
	const silent = setTimeout(() => {
		if (rows.length === 0)
			events.failed('No motion sensor answers: this device has none, or the page is not opened over a secure address.');
	}, NO_ANSWER_MS);
	return {
		async stop() {
			clearTimeout(silent);
			window.removeEventListener('devicemotion', take);
			const header = 't [s],ax [m/s2],ay [m/s2],az [m/s2],gx [rad/s],gy [rad/s],gz [rad/s]';
			// Two events may carry one time: the second says nothing more.
			const apart = rows.filter((row, k) => k === 0 || row.split(',')[0] !== rows[k - 1].split(',')[0]);
			return table('motion-sensors.csv', header, apart);
		},
	};
}

const MOST_CHANNELS = 8;

/** A radio that shows itself as a game controller: its axes as channels, and which buttons were ever pressed. */
async function recordGamepad(events: RecorderEvents): Promise<Recorder> {
	if (!('getGamepads' in navigator)) throw new Error('This browser reads no game controllers.');
	const rows: string[] = [];
	const pressed = new Set<number>();
	let channels = 0;
	let first: number | null = null;
	let before = -1;
	let lost = false;
	let frame = 0;
	const from = performance.now();
	const poll = () => {
		frame = requestAnimationFrame(poll);
		const pad = navigator.getGamepads().find((g) => g !== null && g.axes.length > 0);
		if (!pad) {
			if (first !== null && !lost) {
				lost = true;
				events.failed('The radio is gone. What was recorded until then is kept.');
			} else if (first === null && performance.now() - from > NO_ANSWER_MS)
				events.progress(0, 'Move a stick or press a button: a browser shows a radio only then.');
			return;
		}
		const now = performance.now();
		first ??= now;
		channels = Math.min(MOST_CHANNELS, pad.axes.length);
		pad.buttons.forEach((button, k) => {
			if (button.pressed) pressed.add(k + 1);
		});
		if (now <= before) return;
		before = now;
		rows.push([((now - first) / 1000).toFixed(4), ...pad.axes.slice(0, channels).map((v) => v.toFixed(5))].join(','));
		const seen = [...pressed].sort((a, b) => a - b).join(' ');
		events.progress(
			rows.length,
			`${channels} channels, ${pressed.size} of ${pad.buttons.length} buttons pressed${seen ? `: ${seen}` : ''}`,
		);
	};
	frame = requestAnimationFrame(poll);
	return {
		async stop() {
			cancelAnimationFrame(frame);
			const names = Array.from({ length: channels }, (_, k) => `ch${k + 1}`);
			return table('radio.csv', ['t [s]', ...names].join(','), rows);
		},
	};
}

/** The part of the browser's serial interface that is used; it is not in the standard library's types yet. */
interface SerialPortLike {
	open(options: { baudRate: number }): Promise<void>;
	close(): Promise<void>;
	readable: ReadableStream<Uint8Array> | null;
}
interface SerialLike {
	requestPort(): Promise<SerialPortLike>;
}

/** A serial line: text as it comes, lines of CSV or NMEA 0183. */
async function recordSerial(events: RecorderEvents, { baud }: RecorderOptions): Promise<Recorder> {
	const serial = (navigator as unknown as { serial?: SerialLike }).serial;
	if (!serial)
		throw new Error('This browser opens no serial lines. Record the line with another program and bring the file.');
	const port = await serial.requestPort().catch(() => {
		throw new Error('No line was chosen.');
	});
	await port.open({ baudRate: baud }).catch((error: unknown) => {
		throw new Error(`The line did not open: ${error instanceof Error ? error.message : String(error)}`);
	});
	const reader = port.readable?.getReader();
	// One byte one character: receivers do not write UTF-8.
	const decoder = new TextDecoder('latin1');
	let text = '';
	let stopped = false;
	const reading = (async () => {
		let lines = 0;
		for (;;) {
			const chunk = await reader?.read();
			if (!chunk || chunk.done) break;
			const more = decoder.decode(chunk.value, { stream: true });
			text += more;
			lines += more.split('\n').length - 1;
			events.progress(lines, text.slice(text.lastIndexOf('\n', text.length - 2) + 1).slice(0, 60));
		}
		if (!stopped) events.failed('The line ended. What was recorded until then is kept.');
	})().catch(() => {
		if (!stopped) events.failed('The line was lost. What was recorded until then is kept.');
	});
	return {
		async stop() {
			stopped = true;
			await reader?.cancel().catch(() => undefined); // a lost line is closed already
			await reading;
			reader?.releaseLock();
			await port.close().catch(() => undefined); // likewise
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
