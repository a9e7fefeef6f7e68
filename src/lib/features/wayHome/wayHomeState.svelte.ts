import { chargeIn, estimateOnPack } from '$lib/core/propulsion/flownFlights';
import type { HomePlan } from '$lib/core/return/planned';
import { homeFinding, type HomeAround, type HomeFinding } from '$lib/core/session/homeEntry';
import { homeRequest, type HomeRequest, type Missing } from '$lib/core/session/homePlan';
import type { FlightTimeRequest } from '$lib/schema/flightTime';
import type { Wind } from '$lib/schema/records';
import { call } from '$lib/workers/core';
import type { SessionView } from '$lib/features/running/sessionView.svelte';
import { failed } from '$lib/ui/notify';
import { units } from '$lib/ui/preferences.svelte';
import { z } from 'zod';

/** What is tried with the sliders; null where it is as it is known. */
const triedSchema = z.object({
	distanceM: z.number().min(5).max(20_000),
	heightM: z.number().min(1).max(500),
	bearingDeg: z.number().min(0).max(360).nullable(),
	windMps: z.number().min(0).max(60).nullable(),
	returnHeightM: z.number().min(0).max(1000).nullable(),
});
export type Tried = z.infer<typeof triedSchema>;

/** The way home of a session: what is known of it, what is tried, and the plan, computed anew with every change. */
export class WayHomeState {
	tried = $state<Tried>({ distanceM: 200, heightM: 20, bearingDeg: null, windMps: null, returnHeightM: null });
	plan = $state.raw<HomePlan | null>(null);
	/** Why it could not be reckoned. */
	problem = $state('');
	#view: SessionView;
	#flights: () => readonly FlightTimeRequest['flights'][number][];
	#running: AbortController | null = null;
	#waiting = false;

	constructor(view: SessionView, flights: () => readonly FlightTimeRequest['flights'][number][]) {
		this.#view = view;
		this.#flights = flights;
	}

	/** Takes a draft up again, where it fits. */
	take(kept: unknown): void {
		const read = triedSchema.safeParse(kept);
		if (read.success) this.tried = read.data;
	}

	/** The wind that is planned with: today's, or stronger and weaker with its gusts. */
	wind = $derived.by((): Wind | null => {
		const { wind } = this.#view;
		const { windMps } = this.tried;
		if (!wind || windMps === null) return wind;
		return { fromDeg: wind.fromDeg, speedMps: windMps, gustMps: windMps + Math.max(0, wind.gustMps - wind.speedMps) };
	});

	/** Whether something other than what is known is tried: then nothing is kept. */
	get asKnown(): boolean {
		return this.tried.windMps === null && this.tried.returnHeightM === null;
	}

	startPct = $derived.by(() => {
		const { pack } = this.#view.bundle;
		return chargeIn(this.#view.state.record.speaking('pack-voltage') ?? undefined, pack?.chemistry);
	});

	known = $derived.by((): HomeRequest | Missing[] => {
		const { aircraft, pack, site } = this.#view.bundle;
		const { returnHeightM } = this.tried;
		const flown =
			pack && this.#flights().length > 0 ? estimateOnPack(pack, this.startPct ?? 100, this.#flights()) : null;
		return homeRequest({
			aircraft: returnHeightM === null ? aircraft : { ...aircraft, returnHeightM },
			...{ pack, site, wind: this.wind, startPct: this.startPct, flown },
		});
	});

	/** What the plan says, in words and figures. */
	finding = $derived.by((): HomeFinding | null => {
		const { known, plan } = this;
		return Array.isArray(known) || !plan ? null : homeFinding(plan, known, this.around);
	});

	get around(): HomeAround {
		const { aircraft, site, pack, session } = this.#view.bundle;
		return { aircraft, site, pack, venue: session.venue, units: units() };
	}

	/** Plans with what stands now; while one plan is made, only the latest of what came since is made next. */
	async work(): Promise<void> {
		if (this.#running) {
			this.#waiting = true;
			return;
		}
		const { known, tried } = this;
		if (Array.isArray(known)) {
			this.plan = null;
			return;
		}
		const { distanceM, heightM, bearingDeg } = tried;
		this.#running = new AbortController();
		this.problem = '';
		try {
			this.plan = await call(
				'planHome',
				{
					request: known.request,
					farthest: { distanceM, heightM, bearingDeg },
					known: { powerSigmaLn: known.powerSigmaLn },
				},
				{ signal: this.#running.signal },
			);
		} catch (error) {
			if (error instanceof DOMException && error.name === 'AbortError') return;
			this.problem = error instanceof Error ? error.message : String(error);
			this.plan = null;
			failed(error);
		} finally {
			this.#running = null;
			if (this.#waiting) {
				this.#waiting = false;
				void this.work();
			}
		}
	}

	dispose(): void {
		this.#waiting = false;
		this.#running?.abort();
	}
}
