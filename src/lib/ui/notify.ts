import { problemWords } from './problem';

/** A word that only confirms is gone before the next press, ms. */
const SHORT_MS = 3500;

let called: () => void = () => undefined;
/** Calls back with each notice: the first of them needs its place on the page. */
export const onNotice = (callback: () => void): void => void (called = callback);

/** What shows notices is loaded with the first of them: most pages open without. */
function toast(show: (toast: typeof import('svelte-sonner').toast) => unknown): void {
	called();
	void import('svelte-sonner').then((sonner) => show(sonner.toast));
}

/** Short word that something was done, with a way back where there is one. */
export const done = (message: string, undo?: () => void): void =>
	toast((t) => t.success(message, undo ? { action: { label: 'Undo', onClick: undo } } : { duration: SHORT_MS }));

/** Something went wrong: the message says what and where; it stays until read. The same again is said in the same place. */
export const failed = (error: unknown): void => {
	const message = problemWords(error);
	toast((t) => t.error(message, { id: message, duration: 12_000 }));
};
