import { units } from '$lib/ui/preferences.svelte';
import { formatQuantity } from '$lib/words/units';
import type { Choices } from '$lib/core/record/columns';
import { between, isHoverAlone, longestHover, type Piece } from '$lib/core/hover/cut';
import { trackOf } from '$lib/core/hover/track';
import { HOVER_ROLES } from '$lib/core/record/logRoles';
import { isTrackFile } from '$lib/core/record/tracks';
import { hasColumns } from '$lib/instruments/files';
import { rigHover, type RigFaults } from '$lib/rig/rig';
import type { HoverAnswer, HoverRequest } from '$lib/schema/hover';
import { showClock } from '$lib/ui/format';
import { failed } from '$lib/ui/notify';
import { call } from '$lib/workers/core';
import type { Found, LiveMeasurement } from '$lib/features/measuring/liveMeasurement';
import { hoverFigures } from './figures';
import { TableFlow } from '$lib/features/measuring/tableFlow.svelte';

/** Whether the columns of a table are enough for a track. */
export const completeTrack = (choices: Choices) =>
	[
		['t', 'north', 'east', 'up'],
		['t', 'lat', 'lon', 'alt'],
	].some((names) => hasColumns(names)(choices));

type Hold = HoverRequest['hold'];

/** A flight as its log has it: the track with what is judged, and columns that are only looked at. */
export interface WholeFlight {
	fileName: string;
	request: HoverRequest;
	pieces: readonly Piece[];
	looked: { t: ArrayLike<number>; speed?: Float64Array; voltage?: Float64Array; temperature?: Float64Array } | null;
}

/** A test hover from choosing its track to the finding. */
export class HoverState implements LiveMeasurement {
	readonly table = new TableFlow('hover', HOVER_ROLES, completeTrack);
	hold = $state<Hold>('position');
	busy = $state(false);
	/** Share of the review that is done, 0..1; null while reading. */
	progress = $state<number | null>(null);
	sourceName = $state('');
	/** The hover was simulated. */
	practice = $state(false);
	request = $state.raw<HoverRequest | null>(null);
	answer = $state.raw<HoverAnswer | null>(null);
	/** The whole flight that the hover is a piece of, where it is more than a hover. */
	whole = $state.raw<WholeFlight | null>(null);
	/** The piece that is judged, in the track's own seconds. */
	piece = $state.raw<{ fromS: number; toS: number } | null>(null);
	#wind: () => HoverRequest['wind'];
	#abort: AbortController | null = null;

	constructor(wind: () => HoverRequest['wind']) {
		this.#wind = wind;
	}

	title = $derived.by(() => {
		const { answer } = this;
		if (!answer && this.whole)
			return longestHover(this.whole.pieces)
				? 'Which hover of this flight is judged?'
				: 'No hover was found in this flight';
		if (!answer) return 'Hover for a minute, hands off, then bring the track here';
		const { spiral } = answer;
		if (spiral.present && spiral.compassErrorDeg !== null)
			return `Circling to the ${spiral.sense === 'ccw' ? 'left' : 'right'}: the compass reads about ${Math.abs(spiral.compassErrorDeg).toFixed(0)}° too far ${spiral.compassErrorDeg > 0 ? 'round' : 'back'}`;
		if (answer.verdict !== 'pass') return answer.reasons[0].text;
		if (this.request?.hold === 'position')
			return `Holds position within ${formatQuantity((answer.bubble.diameter95M ?? 0) / 2, 'height', units())}`;
		// Without position hold there is no place to hold.
		return answer.reasons.find(({ code }) => code === 'free-drift')?.text ?? answer.reasons[0].text;
	});

	async rehearse(seed: number, faults: RigFaults): Promise<void> {
		const { log } = rigHover(seed, faults, { hold: this.hold });
		this.sourceName = 'practice aircraft';
		this.practice = true;
		await this.#review({
			track: { t: log.t, north: log.north, east: log.east, up: log.up },
			heading: { t: log.t, deg: log.headingDeg },
			attitude: { t: log.t, rollDeg: log.rollDeg, pitchDeg: log.pitchDeg },
			quality: { t: log.t, satellites: log.satellites },
			hold: this.hold,
		});
	}

	get idle(): boolean {
		return !this.answer && !this.whole;
	}

	get found(): Found | null {
		const { answer } = this;
		return answer && { ...answer, figures: hoverFigures(answer), answer };
	}

	async readFile(file: File): Promise<void> {
		this.#abort = new AbortController();
		this.busy = true;
		try {
			const read = isTrackFile(file.name) ? await this.#fromTrack(file) : await this.#fromTable(file);
			if (!read) return;
			this.sourceName = file.name;
			this.practice = false;
			const pieces = await call('cutFlight', read.request, { signal: this.#abort?.signal });
			if (isHoverAlone(pieces) || pieces.length === 0) {
				[this.whole, this.piece] = [null, null];
				await this.#review(read.request);
				return;
			}
			this.whole = { ...read, pieces, fileName: file.name };
			this.piece = longestHover(pieces);
		} catch (error) {
			if (!(error instanceof DOMException)) failed(error);
		} finally {
			this.busy = false;
			// What was stopped is over: the next review is not stopped by it.
			this.#abort = null;
		}
	}

	async #fromTrack(file: File): Promise<Pick<WholeFlight, 'request' | 'looked'>> {
		const track = await call('readTrack', file, { signal: this.#abort?.signal });
		return { request: { track, hold: this.hold }, looked: null };
	}

	async #fromTable(file: File): Promise<Pick<WholeFlight, 'request' | 'looked'> | null> {
		const c = await this.table.read(file, this.#abort?.signal);
		if (!c) return null;
		const { t, speed, voltage, temperature } = c;
		const request: HoverRequest = {
			track: trackOf(c),
			hold: this.hold,
			...(c.heading ? { heading: { t, deg: c.heading } } : {}),
			...(c.roll && c.pitch ? { attitude: { t, rollDeg: c.roll, pitchDeg: c.pitch } } : {}),
			...(c.satellites ? { quality: { t, satellites: c.satellites } } : {}),
		};
		const looked = {
			t,
			...(speed ? { speed } : {}),
			...(voltage ? { voltage } : {}),
			...(temperature ? { temperature } : {}),
		};
		return { request, looked };
	}

	/** Judges the piece that was chosen of a whole flight, with the hold that was on. */
	async judgePiece(): Promise<void> {
		const { whole, piece } = this;
		if (!whole || !piece) return;
		// Which piece was judged stands in the record.
		const from = whole.request.track.t[0];
		const clock = (s: number) => showClock(Math.max(0, s - from));
		this.sourceName = `${whole.fileName}, ${clock(piece.fromS)} to ${clock(piece.toS)}`;
		await this.#review({ ...between(whole.request, piece.fromS, piece.toS), hold: this.hold });
	}

	async #review(request: HoverRequest): Promise<void> {
		this.busy = true;
		this.progress = null;
		this.#abort ??= new AbortController();
		try {
			const wind = this.#wind();
			const whole = wind ? { ...request, wind } : request;
			this.answer = await call('reviewHover', whole, {
				signal: this.#abort.signal,
				progress: (share) => (this.progress = share),
			});
			this.request = whole;
		} catch (error) {
			if (!(error instanceof DOMException)) failed(error);
		} finally {
			this.busy = false;
			this.#abort = null;
		}
	}

	cancel(): void {
		this.#abort?.abort();
	}

	/** Back to the whole flight, to judge another piece of it. */
	otherPiece(): void {
		[this.answer, this.request] = [null, null];
	}

	repeat(): void {
		[this.answer, this.request, this.whole, this.piece] = [null, null, null, null];
	}

	dispose(): void {
		this.cancel();
	}
}
