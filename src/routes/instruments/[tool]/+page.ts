import { error } from '@sveltejs/kit';
import { findInstrument, LIVE } from '$lib/instruments/catalogue';
import type { PageLoad } from './$types';

export const load: PageLoad = ({ params }) => {
	const instrument = findInstrument(params.tool) ?? null;
	const liveId = LIVE.find(({ id }) => id === params.tool)?.id ?? null;
	if (!instrument && !liveId) error(404, 'There is no such instrument.');
	return { tool: params.tool, instrument, liveId };
};
