import { error } from '@sveltejs/kit';
import { stationIdSchema } from '$lib/schema/records';
import type { PageLoad } from './$types';

export const load: PageLoad = ({ params }) => {
	const station = stationIdSchema.safeParse(params.station);
	if (!station.success) error(404, 'There is no such station.');
	return { station: station.data, task: params.task ?? null };
};
