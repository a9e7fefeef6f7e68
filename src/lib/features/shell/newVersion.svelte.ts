const HOUR_MS = 3_600_000;

/**
 * A version of the application that was fetched and waits. It is offered once, and is loaded only when the pilot says so: never in the middle of
 * something.
 */
export class NewVersion {
	/** One waits, and was not put off. */
	offered = $state(false);
	#waiting: ServiceWorker | null = null;
	#lookedAt = Date.now();

	/** Looks out for one; returns what ends that. */
	watch(): () => void {
		const { serviceWorker } = navigator;
		const off = new AbortController();
		if (!serviceWorker) return () => undefined;
		void serviceWorker.ready
			.then((registration) => {
				if (off.signal.aborted) return;
				this.#offer(registration.waiting);
				// One that was found before this page looked out for it has no event to come.
				this.#follow(registration.installing);
				registration.addEventListener('updatefound', () => this.#follow(registration.installing), {
					signal: off.signal,
				});
				document.addEventListener('visibilitychange', () => this.#look(registration), { signal: off.signal });
			})
			.catch(() => undefined); // a browser that keeps no application is served by the network
		return () => off.abort();
	}

	#follow(installing: ServiceWorker | null): void {
		installing?.addEventListener('statechange', () => installing.state === 'installed' && this.#offer(installing));
	}

	#offer(waiting: ServiceWorker | null): void {
		// The first one on a device is no new version: nothing of an older one is open.
		if (!waiting || !navigator.serviceWorker.controller || waiting === this.#waiting) return;
		this.#waiting = waiting;
		this.offered = true;
	}

	/** The browser looks for one when a page is loaded; a page that stays open for days never is. */
	#look(registration: ServiceWorkerRegistration): void {
		if (document.visibilityState !== 'visible' || Date.now() - this.#lookedAt < HOUR_MS) return;
		this.#lookedAt = Date.now();
		registration.update().catch(() => undefined); // no network: another time
	}

	load(): void {
		navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true });
		this.#waiting?.postMessage('take-over');
	}

	putOff(): void {
		this.offered = false;
	}
}
