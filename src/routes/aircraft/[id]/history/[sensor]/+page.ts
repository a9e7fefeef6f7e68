import { error } from '@sveltejs/kit';
import { sensorSchema } from '$lib/schema/records';
import type { PageLoad } from './$types';

export const load: PageLoad = ({ params }) => {
	const sensor = sensorSchema.safeParse(params.sensor);
	if (!sensor.success) error(404, 'There is no such history.');
	return { id: params.id, sensor: sensor.data };
};
