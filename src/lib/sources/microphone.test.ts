import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { recordSound, RECORD_S } from './microphone';

const asked: MediaStreamConstraints[] = [];
const stopped: string[] = [];

/** A recorder that hands out one part when it stops. */
class FakeRecorder extends EventTarget {
	state = 'inactive';
	readonly mimeType = 'audio/webm';
	start(): void {
		this.state = 'recording';
	}
	stop(): void {
		this.state = 'inactive';
		this.dispatchEvent(Object.assign(new Event('dataavailable'), { data: new Blob(['hum']) }));
		this.dispatchEvent(new Event('stop'));
	}
}
const microphone = (answer: () => Promise<unknown>) =>
	vi.stubGlobal('navigator', {
		mediaDevices: {
			getUserMedia: (what: MediaStreamConstraints) => {
				asked.push(what);
				return answer();
			},
		},
	});
const stream = () => Promise.resolve({ getTracks: () => [{ stop: () => stopped.push('track') }] });

beforeEach(() => {
	[asked.length, stopped.length] = [0, 0];
	vi.useFakeTimers();
	vi.stubGlobal('MediaRecorder', FakeRecorder);
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('the microphone of this device', () => {
	it('records its seconds without the filters for voices, tells the share, and lets the microphone go', async () => {
		microphone(stream);
		const shares: number[] = [];
		const recording = recordSound(new AbortController().signal, (share) => shares.push(share));
		await vi.advanceTimersByTimeAsync(1000 * RECORD_S + 500);
		const file = await recording;
		expect(await file?.text()).toBe('hum');
		expect([file?.name, file?.type]).toEqual(['hover-sound.webm', 'audio/webm']);
		expect(asked).toEqual([{ audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false } }]);
		expect(shares[0]).toBeLessThan(0.05);
		expect(shares.at(-1)).toBe(1);
		expect(stopped).toEqual(['track']);
	});
	it('that is stopped gives what it heard, and lets the microphone go', async () => {
		microphone(stream);
		const stop = new AbortController();
		const recording = recordSound(stop.signal, () => undefined);
		await vi.advanceTimersByTimeAsync(3000);
		stop.abort();
		expect(await (await recording)?.text()).toBe('hum');
		expect(stopped).toEqual(['track']);
	});
	it('that is stopped before it began gives nothing', async () => {
		microphone(stream);
		const before = recordSound(AbortSignal.abort(), () => undefined);
		await expect(before).resolves.toBeNull();
		expect(stopped).toEqual(['track']);
	});
	it.each([
		['refused', new DOMException('', 'NotAllowedError'), 'was not allowed'],
		['absent', new DOMException('', 'NotFoundError'), 'has no microphone'],
	])('that is %s is told in words', async (_, error, words) => {
		microphone(() => Promise.reject(error));
		await expect(recordSound(new AbortController().signal, () => undefined)).rejects.toThrow(words);
	});
	it('in a browser that records nothing is told in words', async () => {
		vi.stubGlobal('navigator', {});
		await expect(recordSound(new AbortController().signal, () => undefined)).rejects.toThrow('records no sound');
	});
});
