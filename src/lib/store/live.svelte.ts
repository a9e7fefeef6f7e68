import { liveQuery } from 'dexie';
import { storeFailure } from './failure.svelte';

export interface Live<T> {
	readonly current: T | undefined;
	readonly error: unknown;
	/** False until the first answer. */
	readonly ready: boolean;
}

/**
 * A query that follows the tables it reads. Call it while a component is set up; the values it depends on (route
 * parameters) are read inside `query`, and the subscription ends with the component.
 */
export function live<T>(query: () => Promise<T>, dependsOn: () => unknown = () => null): Live<T> {
	let current = $state.raw<T>();
	let error = $state.raw<unknown>(null);
	let ready = $state(false);
	$effect(() => {
		dependsOn();
		ready = false;
		const subscription = liveQuery(query).subscribe({
			next: (value) => {
				current = value;
				error = null;
				ready = true;
			},
			error: (caught) => {
				error = caught;
				ready = true;
				storeFailure.tell(caught);
			},
		});
		return () => subscription.unsubscribe();
	});
	return {
		get current() {
			return current;
		},
		get error() {
			return error;
		},
		get ready() {
			return ready;
		},
	};
}

/** A query that is asked once for each value it depends on, and again when told to. */
export function once<T>(
	query: () => Promise<T>,
	dependsOn: () => unknown = () => null,
): Live<T> & { again: () => void } {
	let current = $state.raw<T>();
	let error = $state.raw<unknown>(null);
	let ready = $state(false);
	let asked = $state(0);
	$effect(() => {
		dependsOn();
		void asked;
		let over = false;
		query().then(
			(value) => {
				if (over) return;
				[current, error, ready] = [value, null, true];
			},
			(caught: unknown) => {
				if (over) return;
				[error, ready] = [caught, true];
				storeFailure.tell(caught);
			},
		);
		return () => (over = true);
	});
	return {
		get current() {
			return current;
		},
		get error() {
			return error;
		},
		get ready() {
			return ready;
		},
		again: () => asked++,
	};
}
