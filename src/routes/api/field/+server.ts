import { fieldAt } from '$lib/core/earth/field';
import { fieldQuerySchema } from '$lib/schema/field';
import { answer, checked, notAllowed } from '../respond';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ url }) =>
	answer(() => {
		const { lat, lon, altM, date } = checked(fieldQuerySchema, Object.fromEntries(url.searchParams));
		return fieldAt(lat, lon, altM, date);
	});

export const fallback = notAllowed('GET');
