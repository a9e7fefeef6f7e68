import { fitCompass } from '$lib/core/compass/review';
import { InputError } from '$lib/core/frames/inputError';
import { compassRequestSchema } from '$lib/schema/compass';
import { answer, notAllowed, readJson } from '../../respond';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = ({ request }) =>
	answer(async () => {
		const input = await readJson(request, compassRequestSchema);
		try {
			return fitCompass(input);
		} catch (error) {
			if (error instanceof InputError && error.path === 'date')
				throw new InputError(error.code, 'site.date', error.message);
			throw error;
		}
	});

export const fallback = notAllowed('POST');
