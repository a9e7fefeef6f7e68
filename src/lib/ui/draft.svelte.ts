import type { z } from 'zod';
import { recallDraft, rememberDraft } from '$lib/store/drafts';

/**
 * Keeps what is half filled over a reload, a killed tab and a killed browser, for half a day. `read` gives what is to be kept, null where there
 * is nothing yet; `take` is handed what was kept and refuses, what does not fit any more. Call it where a component
 * begins. Returns what forgets it once it is recorded.
 */
export function keepDraft(key: string, read: () => unknown, take: (kept: unknown) => unknown): { forget(): void } {
	const kept = recallDraft(key, Date.now());
	if (kept !== null) take(kept);
	$effect(() => rememberDraft(key, read(), Date.now()));
	return { forget: () => rememberDraft(key, null, Date.now()) };
}

/** Of a kept draft just the fields that it names: a schema's defaults must not overwrite what was stored. Null where it does not fit. */
export function keptFields<S extends z.ZodObject>(schema: S, kept: unknown): Partial<z.infer<S>> | null {
	const found = schema.partial().safeParse(kept);
	if (!found.success || !kept || typeof kept !== 'object') return null;
	return Object.fromEntries(Object.entries(found.data).filter(([name]) => name in kept)) as Partial<z.infer<S>>;
}

/** Takes up the words of a form by name: those of the same type as it has now; null where none fits. */
export function sameShape<T extends object>(kept: unknown, form: T): Partial<T> | null {
	if (!kept || typeof kept !== 'object') return null;
	const found = kept as Record<string, unknown>;
	const names = Object.keys(form) as (keyof T & string)[];
	const fitting = names.filter((name) => name in found && typeof found[name] === typeof form[name]);
	return fitting.length === 0 ? null : (Object.fromEntries(fitting.map((name) => [name, found[name]])) as Partial<T>);
}
