import type { Choices } from '$lib/core/record/columns';
import { HOVER_ROLES } from '$lib/core/record/logRoles';
import { isTrackFile } from '$lib/core/record/tracks';
import { hasColumns } from '$lib/instruments/files';
import { rigHover, type RigFaults } from '$lib/rig/rig';
import type { HoverAnswer, HoverRequest } from '$lib/schema/hover';
import { failed } from '$lib/ui/notify';
import { call } from '$lib/workers/core';
import type { Found, LiveMeasurement } from '$lib/features/measuring/liveMeasurement';
import { hoverFigures } from './figures';
import { TableFlow } from '$lib/features/measuring/tableFlow.svelte';

const complete = (choices: Choices) =>
	[
		['t', 'north', 'east', 'up'],
		['t', 'lat', 'lon', 'alt'],
	].some((names) => hasColumns(names)(choices));

type Hold = HoverRequest['hold'];

/** A test hover from choosing its track to the finding. */
export class HoverState implements LiveMeasurement {
	readonly table = new TableFlow('hover', HOVER_ROLES, complete);
	hold = $state<Hold>('position');
	busy = $state(false);
	/** Share of the review that is done, 0..1; null while reading. */
	progress = $state<number | null>(null);
	sourceName = $state('');
	/** The hover was simulated. */
	practice = $state(false);
	request = $state.raw<HoverRequest | null>(null);
	answer = $state.raw<HoverAnswer | null>(null);
	#wind: () => HoverRequest['wind'];
	#abort: AbortController | null = null;

	constructor(wind: () => HoverRequest['wind']) {
		this.#wind = wind;
	}

	title = $derived.by(() => {
		const { answer } = this;
		if (!answer) return 'Hover for a minute, hands off, then bring the track here';
		const { spiral } = answer;
		if (spiral.present && spiral.compassErrorDeg !== null)
			return `Circling to the ${spiral.sense === 'ccw' ? 'left' : 'right'}: the compass reads about ${Math.abs(spiral.compassErrorDeg).toFixed(0)}° too far ${spiral.compassErrorDeg > 0 ? 'round' : 'back'}`;
		if (answer.verdict !== 'pass') return answer.reasons[0].text;
		if (this.request?.hold === 'position')
			return `It holds its place within ${answer.bubble.diameter95M?.toFixed(1)} m`;
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
		return !this.answer;
	}

	get found(): Found | null {
		const { answer } = this;
		return answer && { ...answer, figures: hoverFigures(answer), answer };
	}

	async readFile(file: File): Promise<void> {
		this.#abort = new AbortController();
		this.busy = true;
		try {
			const request = isTrackFile(file.name) ? await this.#fromTrack(file) : await this.#fromTable(file);
			if (!request) return;
			this.sourceName = file.name;
			this.practice = false;
			await this.#review(request);
		} catch (error) {
			if (!(error instanceof DOMException)) failed(error);
		} finally {
			this.busy = false;
		}
	}

	async #fromTrack(file: File): Promise<HoverRequest> {
		const track = await call('readTrack', file, { signal: this.#abort?.signal });
		return { track, hold: this.hold };
	}

	async #fromTable(file: File): Promise<HoverRequest | null> {
		const c = await this.table.read(file, this.#abort?.signal);
		if (!c) return null;
		const { t, north, east, up, lat, lon, alt } = c;
		return {
			track: north && east && up ? { t, north, east, up } : { t, lat, lon, alt },
			hold: this.hold,
			...(c.heading ? { heading: { t, deg: c.heading } } : {}),
			...(c.roll && c.pitch ? { attitude: { t, rollDeg: c.roll, pitchDeg: c.pitch } } : {}),
			...(c.satellites ? { quality: { t, satellites: c.satellites } } : {}),
		};
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

	repeat(): void {
		this.answer = null;
		this.request = null;
	}

	dispose(): void {
		this.cancel();
	}
}
