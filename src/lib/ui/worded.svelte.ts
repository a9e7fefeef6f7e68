import { sayIn, wordedIn, type Worded, type Wording } from '$lib/messages/message';
import { units } from './preferences.svelte';

/** Whether every area of messages is here; until then a finding stands as it was worded, in SI units. */
let every = $state(false);

async function loadMessages() {
	await import('$lib/messages/catalogue');
	every = true;
}

/** Asks for the messages once they are needed: a pilot of metric units reads what the core worded. */
const here = () => {
	if (units() !== 'metric' && !every) void loadMessages();
	return every;
};

/** A reason's sentence and next action in the pilot's units. */
export const worded = (reason: Worded): Wording => wordedIn(reason, here() ? units() : 'metric');

/** A finding's headline in the pilot's units. */
export const headlineOf = ({ headline, reasons }: { headline: string; reasons: readonly Worded[] }): string =>
	sayIn(headline, reasons, here() ? units() : 'metric');
