import { InputError } from '$lib/core/finding/inputError';
import { SOUND_RATE_HZ } from '$lib/core/propulsion/tones';
import { MAX_FILE_BYTES } from './readText';

/** What is listened to at most: two minutes. */
const MOST_S = 120;

/**
 * A recording as one channel of samples at 8 kHz, −1 to 1, by the browser's own decoder and resampler; its first two minutes.
 * @throws InputError where it is too large or no recording that this browser can play.
 */
export async function decodeSound(file: File): Promise<Float64Array> {
	if (file.size > MAX_FILE_BYTES)
		throw new InputError(
			'too-large',
			'file',
			`${file.name} is larger than ${MAX_FILE_BYTES / 1024 / 1024} MB. Cut out the hover.`,
		);
	const bytes = await file.arrayBuffer();
	const decoded = await new OfflineAudioContext(1, 1, SOUND_RATE_HZ).decodeAudioData(bytes).catch(() => {
		throw new InputError('unreadable-sound', 'file', `${file.name} is no recording that this browser can play.`);
	});
	const channels = Array.from({ length: decoded.numberOfChannels }, (_, k) => decoded.getChannelData(k));
	const out = new Float64Array(Math.min(decoded.length, MOST_S * decoded.sampleRate));
	for (const channel of channels) for (let i = 0; i < out.length; i++) out[i] += channel[i] / channels.length;
	return out;
}
