import type { Observed } from '$lib/core/session/tasks/responseStop';
import type { Values } from '$lib/instruments/instrument';
import type { Aircraft } from '$lib/schema/records';

/** What is known of the aircraft and was seen of its nudges, as the ranking's form takes it; what is not known stays empty. */
export const responseValues = ({ layout, spin }: Aircraft, observed: Observed): Values => ({
	layout: layout ?? '',
	spin: spin ?? '',
	...observed,
	throttle: 'not-tried',
});
