import { reviewGnss } from '$lib/core/position/review';
import { gnssQuerySchema } from '$lib/schema/gnss';
import { answer, checked, notAllowed, readBytes, requireType } from '../../respond';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = ({ request, url }) =>
	answer(async () => {
		requireType(request, 'text/plain');
		const rule = checked(gnssQuerySchema, Object.fromEntries(url.searchParams));
		// Receivers send bytes, not UTF-8: one byte, one character keeps the checksums what they were.
		return reviewGnss(new TextDecoder('latin1').decode(await readBytes(request)), rule);
	});

export const fallback = notAllowed('POST');
