import { problemWords } from './problem';
import { toast } from 'svelte-sonner';

/** A word that only confirms is gone before the next press, ms. */
const SHORT_MS = 3500;

/** Short word that something was done, with a way back where there is one. */
export const done = (message: string, undo?: () => void) =>
	toast.success(message, undo ? { action: { label: 'Undo', onClick: undo } } : { duration: SHORT_MS });

/** Something went wrong: the message says what and where; it stays until read. The same again is said in the same place. */
export const failed = (error: unknown) => {
	const message = problemWords(error);
	toast.error(message, { id: message, duration: 12_000 });
};
