import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ACCEL_LOG } from '$lib/core/record/logRoles';
import { openMotion, type MotionSample } from './deviceMotion';
import { hereNow } from './devicePosition';
import { gamepadSource, motionSource, serialSource } from './deviceSource';
import { openSerial } from './serialLine';
import type { Source, SourceBatch } from './source';

/** All that a source says, in order. */
function heard(source: Source) {
	const batches: SourceBatch[] = [];
	const waits: string[] = [];
	const failures: string[] = [];
	const stop = source.open({
		batch: (batch) => batches.push(batch),
		waiting: (words) => waits.push(words),
		failed: ({ message }) => failures.push(message),
	});
	return { batches, waits, failures, stop };
}
/** Lets everything that was promised happen. */
const settle = () => new Promise<void>((resolve) => setTimeout(resolve, 0));

afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

/** A line whose far end is in the test's hand. */
function line() {
	let to: ReadableStreamDefaultController<Uint8Array> | undefined;
	const closed: string[] = [];
	const readable = new ReadableStream<Uint8Array>({
		start: (controller) => {
			to = controller;
		},
		cancel: () => {
			closed.push('cancelled');
		},
	});
	const port = {
		opened: 0,
		readable,
		open: ({ baudRate }: { baudRate: number }) => {
			port.opened = baudRate;
			return Promise.resolve();
		},
		close: () => {
			closed.push('closed');
			return Promise.resolve();
		},
	};
	const bytes = (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0));
	return {
		port,
		closed,
		send: (text: string) => to?.enqueue(bytes(text)),
		end: () => to?.close(),
		break: () => to?.error(new Error('unplugged')),
	};
}
const withPort = (port: unknown) =>
	vi.stubGlobal('navigator', { serial: { requestPort: () => Promise.resolve(port) } });

describe('a serial line', () => {
	it('is opened at its speed, read byte by byte, and closed', async () => {
		const far = line();
		withPort(far.port);
		const texts: string[] = [];
		const close = await openSerial(57_600, (text) => texts.push(text), expect.unreachable);
		far.send('$GPGGA');
		far.send('\u00b5\u00e9\u00ff');
		await settle();
		expect(far.port.opened).toBe(57_600);
		expect(texts.join('')).toBe('$GPGGA\u00b5\u00e9\u00ff');
		await close();
		expect(far.closed).toEqual(['cancelled', 'closed']);
	});
	it('that ends, and one that breaks, are told apart from one that was closed', async () => {
		for (const [how, words] of [
			['end', 'The line ended.'],
			['break', 'The line was lost.'],
		] as const) {
			const far = line();
			withPort(far.port);
			const why: string[] = [];
			const close = await openSerial(
				9600,
				() => undefined,
				(words) => why.push(words),
			);
			far[how]();
			await settle();
			expect(why).toHaveLength(1);
			expect(why[0]).toContain(words);
			expect(why[0]).toContain('What was recorded until then is kept');
			await close();
			expect(why).toHaveLength(1);
		}
	});
	it('that is absent, not chosen or busy is refused in words for the pilot', async () => {
		const opened = () =>
			openSerial(
				9600,
				() => undefined,
				() => undefined,
			);
		vi.stubGlobal('navigator', {});
		await expect(opened()).rejects.toThrow('opens no serial lines');
		vi.stubGlobal('navigator', { serial: { requestPort: () => Promise.reject(new Error('aborted')) } });
		await expect(opened()).rejects.toThrow('No line was chosen.');
		withPort({ open: () => Promise.reject(new Error('in use')), close: () => Promise.resolve(), readable: null });
		await expect(opened()).rejects.toThrow('The line did not open: in use');
	});
	it('as a source gives a table row by row, sentences as they are, and counts what does not fit', async () => {
		const far = line();
		withPort(far.port);
		const source = heard(serialSource(115_200, ACCEL_LOG));
		await settle();
		far.send('t [s],ax [m/s2],ay [m/s2],az [m/s2]\n0,0.1,0.2,-9.8\n0.01,0.1,');
		await settle();
		far.send('0.3,-9.7\n$GPGGA,1*00\n0.02,x,0,0\n0.03,0.1,0.4,-9.6\n');
		await settle();
		expect(source.failures).toEqual([]);
		expect(source.batches.map(({ accel }) => accel)).toEqual([
			{ t: [0], x: [0.1], y: [0.2], z: [-9.8] },
			{ t: [0.01, 0.03], x: [0.1, 0.1], y: [0.3, 0.4], z: [-9.7, -9.6] },
		]);
		expect(source.batches[1]).toMatchObject({ lines: ['$GPGGA,1*00'], lost: 1, atS: 0.03 });
		source.stop();
		await settle();
		expect(far.closed).toContain('closed');
	});
	it('without a header says how one looks', async () => {
		const far = line();
		withPort(far.port);
		const source = heard(serialSource(115_200, ACCEL_LOG));
		await settle();
		far.send('a,b,c\n1,2,3\n');
		await settle();
		expect(source.failures).toEqual([expect.stringContaining('must begin with a header')]);
		source.stop();
	});
	it('from which nothing is read hands on its text', async () => {
		const far = line();
		withPort(far.port);
		const source = heard(serialSource(9600, null));
		await settle();
		far.send('what ever it says');
		await settle();
		expect(source.batches.map(({ text }) => text)).toEqual(['what ever it says']);
		source.stop();
	});
	it('given up before it opened is closed when it does', async () => {
		const far = line();
		withPort(far.port);
		const source = heard(serialSource(9600, null));
		source.stop();
		await settle();
		await settle();
		expect(source.batches).toEqual([]);
		expect(far.closed).toContain('closed');
	});
	it('refused after it was given up says nothing', async () => {
		vi.stubGlobal('navigator', {});
		const source = heard(serialSource(9600, null));
		source.stop();
		await settle();
		expect(source.failures).toEqual([]);
	});
});

/** A window that the test's own motion events reach. */
function motionWindow(more: object = {}) {
	const target = new EventTarget();
	class DeviceMotionEvent extends Event {}
	vi.stubGlobal('window', Object.assign(target, { DeviceMotionEvent }));
	vi.stubGlobal('DeviceMotionEvent', Object.assign(DeviceMotionEvent, more));
	return (atMs: number, a: (number | null)[] | null, r: (number | null)[] | null = [0, 0, 0]) =>
		target.dispatchEvent(
			Object.defineProperty(
				Object.assign(new Event('devicemotion'), {
					accelerationIncludingGravity: a && { x: a[0], y: a[1], z: a[2] },
					rotationRate: r && { alpha: r[0], beta: r[1], gamma: r[2] },
				}),
				'timeStamp',
				{ value: atMs },
			),
		);
}

describe('the motion sensors of the device', () => {
	it('are an aircraft’s: its top the nose, at rest on a table the force points up', async () => {
		const move = motionWindow();
		const seen: MotionSample[] = [];
		const close = await openMotion((sample) => seen.push(sample), expect.unreachable);
		move(1000, [0.1, 0.2, 9.8], [10, 20, 30]);
		move(1000, [5, 5, 5]); // the same time says nothing more
		move(1020, [0.1, 0.2, 9.8], null);
		move(1040, [null, 0, 0]);
		move(1060, null);
		close();
		move(1080, [0.1, 0.2, 9.8]);
		expect(seen.map(({ tS }) => tS)).toEqual([0, 0.02]);
		expect(seen[0].accelMps2).toEqual([0.2, 0.1, -9.8]);
		expect(seen[0].gyroRadps.map((rate) => (rate * 180) / Math.PI)).toEqual([
			expect.closeTo(30, 9),
			expect.closeTo(20, 9),
			expect.closeTo(-10, 9),
		]);
		expect(seen[1].gyroRadps).toEqual([0, 0, -0]);
	});
	it('absent or not allowed are refused', async () => {
		vi.stubGlobal('window', new EventTarget());
		await expect(
			openMotion(
				() => undefined,
				() => undefined,
			),
		).rejects.toThrow('no motion sensors');
		motionWindow({ requestPermission: () => Promise.resolve('denied') });
		await expect(
			openMotion(
				() => undefined,
				() => undefined,
			),
		).rejects.toThrow('were not allowed');
	});
	it('that are allowed when asked are read, as a rehearsal', async () => {
		const move = motionWindow({ requestPermission: () => Promise.resolve('granted') });
		const source = motionSource();
		expect(source.practice).toBe(true);
		const all = heard(source);
		await settle();
		move(500, [0, 0, 9.8]);
		expect(all.batches).toMatchObject([{ atS: 0, accel: { t: [0], z: [-9.8] }, gyro: { t: [0] } }]);
		all.stop();
	});
	it('that never answer are told after some seconds, and not once they are closed', async () => {
		vi.useFakeTimers();
		motionWindow();
		const why: string[] = [];
		await openMotion(
			() => undefined,
			(words) => why.push(words),
		);
		vi.advanceTimersByTime(3900);
		expect(why).toEqual([]);
		vi.advanceTimersByTime(200);
		expect(why).toEqual([expect.stringContaining('No motion sensor answers')]);
		const close = await openMotion(
			() => undefined,
			(words) => why.push(words),
		);
		close();
		vi.advanceTimersByTime(10_000);
		expect(why).toHaveLength(1);
	});
});

describe('a radio that shows itself as a game controller', () => {
	let pads: ({ axes: number[]; buttons: { pressed: boolean }[] } | null)[] = [];
	let frame: (() => void) | null = null;
	let nowMs = 0;
	const next = (atMs: number) => {
		nowMs = atMs;
		const due = frame;
		frame = null;
		due?.();
	};
	beforeEach(() => {
		pads = [];
		nowMs = 0;
		vi.stubGlobal('navigator', { getGamepads: () => pads });
		vi.stubGlobal('requestAnimationFrame', (work: () => void) => {
			frame = work;
			return 1;
		});
		vi.stubGlobal('cancelAnimationFrame', () => {
			frame = null;
		});
		vi.stubGlobal('performance', { now: () => nowMs });
	});

	it('is read frame by frame: at most eight channels, and which buttons were pressed so far', async () => {
		const source = heard(gamepadSource());
		await settle();
		const axes = [0, 0.5, -1, 1, 0, 0, 0, 0, 0.9];
		pads = [null, { axes: [], buttons: [] }, { axes, buttons: [{ pressed: false }, { pressed: true }] }];
		next(20);
		pads = [{ axes, buttons: [{ pressed: true }, { pressed: false }] }];
		next(40);
		expect(source.batches).toHaveLength(2);
		expect(source.batches[0].radio).toEqual({ t: [0.02], channels: axes.slice(0, 8).map((v) => [v]) });
		expect(source.batches[0].buttons).toEqual({ pressed: [2], of: 2 });
		expect(source.batches[1].buttons).toEqual({ pressed: [1, 2], of: 2 });
		source.stop();
		next(60);
		expect(source.batches).toHaveLength(2);
	});
	it('that does not show itself is waited for, and told how to wake it', async () => {
		const source = heard(gamepadSource());
		await settle();
		next(100);
		expect(source.waits).toEqual([]);
		next(5000);
		expect(source.waits[0]).toContain('move a stick or press a button');
		source.stop();
	});
	it('that is pulled out is told once', async () => {
		const source = heard(gamepadSource());
		await settle();
		pads = [{ axes: [0], buttons: [] }];
		next(20);
		pads = [];
		next(40);
		next(60);
		expect(source.failures).toEqual(['The radio is gone. What was recorded until then is kept.']);
	});
	it('is refused where the browser reads none', async () => {
		vi.stubGlobal('navigator', {});
		const source = heard(gamepadSource());
		await settle();
		expect(source.failures).toEqual(['This browser reads no game controllers.']);
	});
});

describe('where the device is', () => {
	const answering = (ask: (take: (p: unknown) => void, refuse: (e: { code: number }) => void) => void) =>
		vi.stubGlobal('navigator', { geolocation: { getCurrentPosition: ask } });
	it('is told with how well it is known; a height that is not known is none', async () => {
		answering((take) => take({ coords: { latitude: 54.2, longitude: -3.1, accuracy: 6, altitude: null } }));
		await expect(hereNow()).resolves.toEqual({ latDeg: 54.2, lonDeg: -3.1, accuracyM: 6, altM: null });
	});
	it.each([
		[1, 'not allowed'],
		[2, 'does not know where it is'],
		[3, 'within half a minute'],
		[9, 'does not know where it is'],
	])('is refused in words: %d', async (code, words) => {
		answering((_, refuse) => refuse({ code }));
		await expect(hereNow()).rejects.toThrow(words);
	});
	it('is refused where there is no receiver', async () => {
		vi.stubGlobal('navigator', {});
		await expect(hereNow()).rejects.toThrow('Paste the position instead');
	});
});
