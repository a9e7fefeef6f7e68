import { problemWords } from '$lib/ui/problem';
import { withTrial } from '$lib/core/facts/facts';
import type { HomePlan } from '$lib/core/return/planned';
import { homeFinding, type HomeAround, type HomeFinding } from '$lib/core/session/homeEntry';
import { homeRequest, type HomeRequest, type Missing } from '$lib/core/session/homePlan';
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

/** The way home of a session: what is known of it, what is tried, and the plan, computed again with every change. */
export class WayHomeState {
	tried = $state<Tried>({ distanceM: 200, heightM: 20, bearingDeg: null, windMps: null, returnHeightM: null });
	plan = $state.raw<HomePlan | null>(null);
	/** Why it could not be reckoned. */
	problem = $state('');
	#view: SessionView;
	#running: AbortController | null = null;
	#waiting = false;

	constructor(view: SessionView) {
		this.#view = view;
	}

	/** Takes a draft up again, where it fits. */
	take(kept: unknown): void {
		const read = triedSchema.safeParse(kept);
		if (read.success) this.tried = read.data;
	}

	/** Whether something other than the facts in force is tried: then nothing is recorded. */
	get asKnown(): boolean {
		return this.tried.windMps === null && this.tried.returnHeightM === null;
	}

	/** Facts in force, with what the sliders try instead; a stronger wind takes its gusts along. */
	facts = $derived.by(() => {
		const { facts, wind } = this.#view;
		const { windMps, returnHeightM } = this.tried;
		return withTrial(facts, {
			...(returnHeightM === null ? {} : { returnAltitudeM: returnHeightM }),
			...(windMps === null || !wind ? {} : { windMps, gustMps: windMps + Math.max(0, wind.gustMps - wind.speedMps) }),
		});
	});

	known = $derived.by((): HomeRequest | Missing[] => {
		const { ledger, rate } = this.#view;
		const { pack, site } = this.#view.bundle;
		return homeRequest({ facts: this.facts, pack, site, ledger, rate });
	});

	/** What the plan says, in words and figures. */
	finding = $derived.by((): HomeFinding | null => {
		const { known, plan } = this;
		return Array.isArray(known) || !plan ? null : homeFinding(plan, known, this.around);
	});

	get around(): HomeAround {
		const { aircraft, site, pack, session } = this.#view.bundle;
		return { aircraft, site, pack, venue: session.venue, units: units(), facts: this.facts };
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
			this.problem = problemWords(error);
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
