/** How long a recording of a hover is. */
export const RECORD_S = 20;
const TOLD_MS = 200;

/**
 * Records with the microphone of this device, without the filters that phones put before it for voices: they take steady tones out.
 * Gives a file of what was heard until it was stopped, null of nothing.
 * @throws Error with words for the pilot where there is no microphone or it is not allowed.
 */
export async function recordSound(signal: AbortSignal, progress: (share: number) => void): Promise<File | null> {
	const devices = (navigator as { mediaDevices?: MediaDevices }).mediaDevices;
	if (!devices || typeof MediaRecorder === 'undefined')
		throw new Error('This browser records no sound. Record with another program and bring the file.');
	const stream = await devices
		.getUserMedia({ audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false } })
		.catch((error: unknown) => {
			const absent = error instanceof DOMException && error.name === 'NotFoundError';
			throw new Error(
				absent
					? 'This device has no microphone. Record with another one and bring the file.'
					: 'The microphone was not allowed. Allow it in the browser’s settings for this page, or bring a file.',
			);
		});
	const recorder = new MediaRecorder(stream);
	const parts: Blob[] = [];
	recorder.addEventListener('dataavailable', ({ data }) => data.size > 0 && parts.push(data));
	const from = performance.now();
	const ended = new Promise<void>((resolve) => recorder.addEventListener('stop', () => resolve(), { once: true }));
	const timer = setInterval(() => {
		const share = (performance.now() - from) / 1000 / RECORD_S;
		progress(Math.min(1, share));
		if (share >= 1 && recorder.state !== 'inactive') recorder.stop();
	}, TOLD_MS);
	signal.addEventListener('abort', () => recorder.state !== 'inactive' && recorder.stop(), { once: true });
	if (!signal.aborted) recorder.start();
	await (signal.aborted ? null : ended);
	clearInterval(timer);
	for (const track of stream.getTracks()) track.stop();
	const ending = recorder.mimeType.includes('mp4') ? 'm4a' : 'webm';
	return parts.length === 0 ? null : new File(parts, `hover-sound.${ending}`, { type: recorder.mimeType });
}
