import { error } from '@sveltejs/kit';
import { TOOLS } from '$lib/features/instruments/tools';
import type { PageLoad } from './$types';

export const load: PageLoad = ({ params }) => {
	const tool = TOOLS.find(({ id }) => id === params.tool);
	if (!tool) error(404, 'There is no such instrument.');
	return { tool: tool.id };
};
