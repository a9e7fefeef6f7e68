import { toast } from 'svelte-sonner';

/** Short word that something was done, with a way back where there is one. */
export const done = (message: string, undo?: () => void) =>
	toast.success(message, undo ? { action: { label: 'Undo', onClick: undo } } : undefined);

/** Something went wrong: the message says what and where; it stays until read. The same again is said in the same place. */
export const failed = (error: unknown) => {
	const message = error instanceof Error ? error.message : String(error);
	toast.error(message, { id: message, duration: 12_000 });
};
