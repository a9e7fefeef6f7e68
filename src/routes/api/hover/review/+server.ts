import { reviewHover } from '$lib/core/hover/review';
import { hoverRequestSchema } from '$lib/schema/hover';
import { answer, notAllowed, readJson } from '../../respond';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = ({ request }) =>
	answer(async () => reviewHover(await readJson(request, hoverRequestSchema)));

export const fallback = notAllowed('POST');
