import type { FilmPicture } from '$lib/workers/computing';

/** Pictures are looked at this wide at most, and so many a second. */
const MOST_WIDTH = 640;
const MOST_RATE = 15;
/** Pictures that may wait for the tracker before the film is held. */
const MOST_WAITING = 6;
/** How much faster than life a film is read at first, at most and at least: a device that drops pictures is given more time. */
const PACE = { first: 2, most: 6, least: 0.5 } as const;
/** Pictures farther apart than this were dropped, seconds. */
const DROPPED_S = 0.12;
const UNREADABLE = 'The film cannot be read to its end: open it again, or copy it from the camera again.';
const SPREAD_PACE = 8;
/** A film whose pictures end so much before it says it does was cut off, seconds. */
const CUT_OFF_S = 2;
/** The last picture is waited for so long; a browser that does not draw a hidden film gives none, and nothing is concluded. */
const LAST_PICTURE_MS = 3000;

/** Waits for an event of a film; fails in words that name the film where the browser reports an error. */
const once = (target: EventTarget, good: string, name = 'the film'): Promise<void> =>
	new Promise((resolve, reject) => {
		const off = new AbortController();
		target.addEventListener(good, () => (off.abort(), resolve()), { signal: off.signal });
		target.addEventListener(
			'error',
			() => (off.abort(), reject(new Error(`This browser cannot read ${name}: take an MP4 or a WebM.`))),
			{ signal: off.signal },
		);
	});

/** A film on this device: its pictures by their moments, small for the tracker and whole for the eye. Nothing of it leaves the device. */
export class FilmFile {
	readonly url: string;
	readonly durationS: number;
	readonly width: number;
	readonly height: number;
	readonly #video: HTMLVideoElement;
	readonly #small: CanvasRenderingContext2D;

	private constructor(
		video: HTMLVideoElement,
		url: string,
		readonly blob: Blob,
	) {
		this.#video = video;
		this.url = url;
		this.durationS = video.duration;
		[this.width, this.height] = [video.videoWidth, video.videoHeight];
		const canvas = document.createElement('canvas');
		canvas.width = Math.min(MOST_WIDTH, this.width);
		canvas.height = Math.round((canvas.width * this.height) / this.width);
		const context = canvas.getContext('2d', { willReadFrequently: true });
		if (!context) throw new Error('This browser draws no pictures.');
		this.#small = context;
	}

	/** @throws Error where the browser cannot read it. */
	static async open(file: Blob): Promise<FilmFile> {
		const name = file instanceof File ? file.name : 'the film';
		if (!('requestVideoFrameCallback' in HTMLVideoElement.prototype))
			throw new Error('This browser does not give a film picture by picture: a newer one does.');
		const url = URL.createObjectURL(file);
		const video = document.createElement('video');
		Object.assign(video, { muted: true, playsInline: true, preload: 'auto', src: url });
		try {
			await once(video, 'loadeddata', name);
			if (!Number.isFinite(video.duration)) {
				// What was recorded in a browser does not say how long it is until its end was looked for.
				const known = once(video, 'durationchange', name);
				video.currentTime = 1e7;
				await known;
				await FilmFile.#seek(video, 0);
			}
			if (!(video.videoWidth > 0)) throw new Error(`There are no pictures in ${name}.`);
			const lastS = await FilmFile.#lastPicture(video);
			if (lastS !== null && video.duration - lastS > CUT_OFF_S)
				throw new Error(
					`${name} is cut off: it lasts ${Math.round(video.duration)} s, and its pictures end after ${Math.round(lastS)} s. Copy it from the camera again.`,
				);
			return new FilmFile(video, url, file);
		} catch (error) {
			URL.revokeObjectURL(url);
			throw error;
		}
	}

	static async #seek(video: HTMLVideoElement, atS: number): Promise<void> {
		if (Math.abs(video.currentTime - atS) < 1e-4 && video.readyState >= 2) return;
		const done = once(video, 'seeked');
		video.currentTime = atS;
		await done;
	}

	/** The moment of the last picture in the film, seconds; null where the browser shows none. */
	static async #lastPicture(video: HTMLVideoElement): Promise<number | null> {
		const shown = new Promise<number>((resolve) =>
			video.requestVideoFrameCallback((_, { mediaTime }) => resolve(mediaTime)),
		);
		await FilmFile.#seek(video, Math.max(0, video.duration - 0.05));
		return Promise.race([shown, new Promise<null>((resolve) => setTimeout(() => resolve(null), LAST_PICTURE_MS))]);
	}

	/** Width of the small pictures against the whole ones. */
	get scale(): number {
		return this.#small.canvas.width / this.width;
	}

	#picture(tS: number): FilmPicture {
		const { width, height } = this.#small.canvas;
		this.#small.drawImage(this.#video, 0, 0, width, height);
		const { data } = this.#small.getImageData(0, 0, width, height);
		return { rgba: data, width, height, tS };
	}

	/** The small picture at a moment. */
	async at(tS: number): Promise<FilmPicture> {
		await FilmFile.#seek(this.#video, tS);
		return this.#picture(tS);
	}

	/** So many small pictures, evenly over the film from a moment on: taken in passing, since seeking is slow in films without an index. */
	async spread(count: number, fromS: number, signal: AbortSignal): Promise<FilmPicture[]> {
		const video = this.#video;
		const step = (this.durationS - fromS - 0.05) / (count - 1);
		const out: FilmPicture[] = [];
		await FilmFile.#seek(video, fromS);
		await new Promise<void>((resolve, reject) => {
			const take = (_: number, { mediaTime }: VideoFrameCallbackMetadata) => {
				if (mediaTime >= fromS + out.length * step - 0.02) out.push(this.#picture(mediaTime));
				if (out.length < count) video.requestVideoFrameCallback(take);
				else resolve();
			};
			video.requestVideoFrameCallback(take);
			video.addEventListener('ended', () => resolve(), { once: true, signal });
			video.addEventListener('error', () => reject(new Error(UNREADABLE)), { once: true, signal });
			signal.addEventListener('abort', () => reject(new DOMException('Stopped', 'AbortError')), { once: true });
			video.playbackRate = SPREAD_PACE;
			video.play().catch(reject);
		});
		video.pause();
		return out;
	}

	/** The whole picture at a moment, as an address for an image; the part about a place where one is given. */
	async still(tS: number, about?: { u: number; v: number; half: number }): Promise<string> {
		await FilmFile.#seek(this.#video, tS);
		const canvas = document.createElement('canvas');
		const { u = this.width / 2, v = this.height / 2, half = 0 } = about ?? {};
		[canvas.width, canvas.height] = about ? [2 * half, 2 * half] : [this.width, this.height];
		const context = canvas.getContext('2d');
		if (about) context?.drawImage(this.#video, u - half, v - half, 2 * half, 2 * half, 0, 0, 2 * half, 2 * half);
		else context?.drawImage(this.#video, 0, 0);
		return canvas.toDataURL('image/jpeg', 0.9);
	}

	/** Plays the film from a moment on, faster than life, and gives its small pictures one by one as they are asked for; null at its end. */
	reader(fromS: number, signal: AbortSignal): () => Promise<FilmPicture | null> {
		const video = this.#video;
		const waiting: FilmPicture[] = [];
		let wanted: ((picture: FilmPicture | null) => void) | null = null;
		let ended = false;
		let last = -Infinity;
		const give = (picture: FilmPicture | null) => {
			if (wanted) {
				wanted(picture);
				wanted = null;
			} else if (picture) waiting.push(picture);
		};
		const finish = () => {
			ended = true;
			give(null);
		};
		const take = (_: number, { mediaTime }: VideoFrameCallbackMetadata) => {
			if (ended || signal.aborted) return;
			if (mediaTime - last >= 1 / MOST_RATE - 0.004) {
				const dropped = last > -Infinity && mediaTime - last > DROPPED_S;
				const pace = video.playbackRate * (dropped ? 0.7 : 1.02);
				video.playbackRate = Math.max(PACE.least, Math.min(PACE.most, pace));
				last = mediaTime;
				give(this.#picture(mediaTime));
				if (waiting.length >= MOST_WAITING) video.pause();
			}
			video.requestVideoFrameCallback(take);
		};
		const begin = async () => {
			await FilmFile.#seek(video, fromS);
			video.requestVideoFrameCallback(take);
			for (const end of ['ended', 'error']) video.addEventListener(end, finish, { once: true, signal });
			video.playbackRate = PACE.first;
			await video.play();
		};
		signal.addEventListener('abort', () => (video.pause(), finish()), { once: true });
		void begin().catch(finish);
		return () => {
			const next = waiting.shift();
			if (video.paused && !ended && waiting.length < 2 && last > -Infinity) void video.play().catch(finish);
			if (next) return Promise.resolve(next);
			if (ended) return Promise.resolve(null);
			return new Promise((resolve) => (wanted = resolve));
		};
	}

	close(): void {
		this.#video.pause();
		this.#video.removeAttribute('src');
		this.#video.load();
		URL.revokeObjectURL(this.url);
	}
}
