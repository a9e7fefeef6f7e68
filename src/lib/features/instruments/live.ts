import type { Component } from 'svelte';
import type { LiveId } from '$lib/instruments/catalogue';
import type { Site } from '$lib/schema/records';
import CompassInstrument from './CompassInstrument.svelte';
import HoverInstrument from './HoverInstrument.svelte';
import PositionInstrument from './PositionInstrument.svelte';

export interface LiveProps {
	site: Site | null;
	/** Today, YYYY-MM-DD. */
	date: string;
	onsite: (id: string) => void;
}

/** The pages of the instruments that measure live. */
export const LIVE_PAGES: Record<LiveId, Component<LiveProps>> = {
	compass: CompassInstrument,
	position: PositionInstrument,
	hover: HoverInstrument,
};
