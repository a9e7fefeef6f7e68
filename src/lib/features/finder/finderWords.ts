import type { Phase } from '$lib/core/symptoms/table';
import type { RecentEvent, SymptomKind, WhyWithheld } from '$lib/schema/symptoms';

export const SYMPTOM_KIND_WORDS: Record<SymptomKind, string> = {
	camera: 'A camera drone',
	multirotor: 'A self-built multirotor',
	wing: 'A wing',
	sprayer: 'A sprayer or spreader',
	racer: 'A racing quad',
	longrange: 'A long-range quad',
	toy: 'A small indoor drone',
};

export const PHASE_WORDS: Record<Phase, string> = {
	bench: 'On the bench',
	'power-up': 'When it is switched on',
	arming: 'When it is armed',
	ground: 'On the ground, propellers turning',
	hover: 'In a hover',
	flight: 'In flight',
	landing: 'At landing',
	after: 'After the flight',
};

export const RECENT_WORDS: Record<RecentEvent, string> = {
	new: 'Newly built',
	firmware: 'Software updated',
	knock: 'A knock or a crash',
	part: 'A part changed',
	journey: 'A journey',
	storage: 'Stored for long',
	nothing: 'Nothing at all',
};

export const WITHHELD_WORDS: Record<WhyWithheld, string> = {
	danger: 'too likely that it hurts or is lost',
	locked: 'not while what was seen is not mended',
	fire: 'not before a short is ruled out',
	'not-looked-at': 'first look at propellers, frame and what could be grave',
	'not-reached': 'it did not come that far yet',
	'none-too-likely': 'too much may be something else',
	place: 'not where you are',
};

/** Where the product does a test of which the table names no place. */
export const ALSO_DONE_WITH: Readonly<Record<string, string>> = { 'sound-compare': 'instrument:sound' };
