import { bisectRight } from 'd3-array';
import { seededRng } from '$lib/core/math/random';
import { renderFilm, type Camera } from '$lib/rig/film';
import { rigHover, type RigFaults } from '$lib/rig/rig';

/** How the practice aircraft is filmed: small pictures, so that a phone draws them as fast as they are filmed. */
const CAMERA: Camera = {
	width: 426,
	height: 240,
	framesPerS: 15,
	fPx: 349,
	elevationDeg: 30,
	distanceM: 7,
	shakePx: 0.2,
};
const SPAN_M = 0.5;
const LASTS_S = 30;
/** A grey in the four bytes of a pixel. */
const [GREY, OPAQUE] = [0x010101, 0xff000000];

/** A film of the practice aircraft, and what its pilot would know of how it was taken. */
export interface PracticeFilm {
	film: Blob;
	spanM: number;
	elevationDeg: number;
	/** How wide the camera sees, degrees. */
	viewDeg: number;
}

/** Where the practice aircraft truly is, seen from a phone behind it: right, forward, up of the middle of its hover, metres. */
function flown(seed: number, faults: RigFaults) {
	const { truth, log } = rigHover(seed, faults, { durationS: LASTS_S + 1, rateHz: CAMERA.framesPerS });
	const [c, s] = [Math.cos((truth.headingDeg * Math.PI) / 180), Math.sin((truth.headingDeg * Math.PI) / 180)];
	return (tS: number) => {
		const i = Math.max(0, Math.min(log.t.length - 1, bisectRight(log.t, tS) - 1));
		const [north, east] = [log.trueNorth[i] - log.trueNorth[0], log.trueEast[i] - log.trueEast[0]];
		return { right: east * c - north * s, forward: north * c + east * s, up: log.up[i] - truth.heightM };
	};
}

/**
 * Films the practice aircraft as a phone on a stand would, half a minute in as long: pictures drawn one by one and recorded.
 *
 * @throws Error where this browser records nothing; DOMException where it was given up
 */
export async function practiceFilm(
	seed: number,
	faults: RigFaults,
	{ signal, progress }: { signal: AbortSignal; progress: (share: number) => void },
): Promise<PracticeFilm> {
	const canvas = document.createElement('canvas');
	[canvas.width, canvas.height] = [CAMERA.width, CAMERA.height];
	const context = canvas.getContext('2d');
	if (typeof MediaRecorder === 'undefined' || !context || !('captureStream' in canvas))
		throw new Error('This browser records no film: open one, or take another browser.');
	const stream = canvas.captureStream(CAMERA.framesPerS);
	const recorder = new MediaRecorder(stream, { videoBitsPerSecond: 3_000_000 });
	const parts: Blob[] = [];
	recorder.addEventListener('dataavailable', ({ data }) => parts.push(data));
	const over = new Promise<void>((resolve) => recorder.addEventListener('stop', () => resolve()));
	const picture = context.createImageData(CAMERA.width, CAMERA.height);
	const pixels = new Uint32Array(picture.data.buffer);
	const { frames } = renderFilm(
		{ spanM: SPAN_M, grey: 45, scene: 'sky', at: flown(seed, faults), durationS: LASTS_S },
		CAMERA,
		seededRng(seed),
	);
	recorder.start(1000);
	try {
		const begun = performance.now();
		for (const { grey, tS } of frames()) {
			for (let i = 0; i < grey.length; i++) pixels[i] = OPAQUE | (grey[i] * GREY);
			context.putImageData(picture, 0, 0);
			progress(tS / LASTS_S);
			await new Promise((resolve) => setTimeout(resolve, Math.max(0, begun + 1000 * tS - performance.now())));
			signal.throwIfAborted();
		}
	} finally {
		recorder.stop();
		stream.getTracks().forEach((track) => track.stop());
	}
	await over;
	const viewDeg = Math.round((360 / Math.PI) * Math.atan(CAMERA.width / 2 / CAMERA.fPx));
	return {
		film: new Blob(parts, { type: recorder.mimeType }),
		spanM: SPAN_M,
		elevationDeg: CAMERA.elevationDeg,
		viewDeg,
	};
}
