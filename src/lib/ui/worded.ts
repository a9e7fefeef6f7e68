import { sayIn, wordedIn, type Worded, type Wording } from '$lib/messages/message';
import type { UnitSystem } from '$lib/words/units';
import { units } from './preferences.svelte';

/**
 * Loads every area of messages for units other than metric, before a page is drawn in them. Where that fails findings stand in SI
 * units, as they were worded.
 */
export async function loadMessages(system: UnitSystem): Promise<void> {
	if (system !== 'metric') await import('$lib/messages/catalogue').catch(() => undefined);
}

/** A reason's sentence and next action in the pilot's units. */
export const worded = (reason: Worded): Wording => wordedIn(reason, units());

/** A finding's headline in the pilot's units. */
export const headlineOf = ({ headline, reasons }: { headline: string; reasons: readonly Worded[] }): string =>
	sayIn(headline, reasons, units());
