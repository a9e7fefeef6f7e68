import { forgetUnderway, underwayOf, type Underway } from '$lib/store/underway';

/** A live measurement that can be let go and taken up again. */
export interface Resting {
	/** Something was measured. */
	readonly holds: boolean;
	/** Nothing runs and nothing was found. */
	readonly idle: boolean;
	/** Lets the source go; what was measured stays. */
	rest(): void;
	/** What was written down of it before the page was loaded again. */
	takeUp(kept: Underway): void;
}

interface Left {
	work: Resting;
	end: () => void;
}

/**
 * What was measured on pages that were left before it was recorded. It waits as long as the application is open; what was written down of it
 * (`writtenDown.ts`), half a day.
 */
const left: Partial<Record<string, Left>> = {};

/**
 * The measurement of a page, by a key of its own: what was measured there before and left unrecorded, else a new one. A page that is left by a slip
 * of the thumb loses nothing; one that is closed or loaded again asks first, and brings back what was written down. `recorded` says that the record
 * has it. To be called while a component is set up.
 */
export function comesBack<T extends Resting>(key: string, make: (key: string) => T): { work: T; recorded: () => void } {
	let entry = left[key] as { work: T; end: () => void } | undefined;
	left[key] = undefined;
	if (!entry) {
		let work!: T;
		// It outlives the component that began it.
		const end = $effect.root(() => {
			work = make(key);
		});
		entry = { work, end };
		void underwayOf(key).then((before) => {
			if (before && work.idle && !work.holds) work.takeUp(before);
		});
	}
	const { work, end } = entry;
	let kept = false;
	asksFirst(() => work.holds && !kept);
	$effect(() => {
		// What begins again is not in the record yet.
		if (work.idle) kept = false;
	});
	$effect(() => () => {
		work.rest();
		if (work.holds && !kept) left[key] = { work, end };
		else end();
	});
	return {
		work,
		recorded() {
			kept = true;
			forgetUnderway(key);
		},
	};
}

/** A page that is closed or loaded again while this holds asks first. To be called while a component is set up. */
export function asksFirst(holds: () => boolean): void {
	$effect(() => {
		const ask = (event: BeforeUnloadEvent) => {
			if (holds()) event.preventDefault();
		};
		addEventListener('beforeunload', ask);
		return () => removeEventListener('beforeunload', ask);
	});
}

/** A recording that was made on a page and left there unread, and what it is of. */
export interface LeftRecording {
	file: File;
	from: { practice: boolean; name: string };
}

const recordings: Partial<Record<string, LeftRecording>> = {};

/** Leaves a recording with its page, by the page's key, as long as the application is open. */
export function leaveRecording(key: string, left: LeftRecording): void {
	recordings[key] = left;
}

/** What was left on a page; it is the caller's from here on. */
export function takeLeftRecording(key: string): LeftRecording | null {
	const left = recordings[key] ?? null;
	recordings[key] = undefined;
	return left;
}
