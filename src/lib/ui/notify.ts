import { toast } from 'svelte-sonner';

/** Short word that something was done, with a way back where there is one. */
export const done = (message: string, undo?: () => void) =>
	toast.success(message, undo ? { action: { label: 'Undo', onClick: undo } } : undefined);

/** Something went wrong: the message says what and where; it stays until read. */
export const failed = (error: unknown) =>
	toast.error(error instanceof Error ? error.message : String(error), { duration: 12_000 });
