import { reviewHover } from '$lib/core/hover/review';
import { hoverRequestSchema } from '$lib/schema/hover';
import { jsonRoute } from '../../respond';

export const { POST, fallback } = jsonRoute(hoverRequestSchema, reviewHover);
