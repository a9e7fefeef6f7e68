import { fitCompass } from '$lib/core/compass/review';
import { compassRequestSchema } from '$lib/schema/compass';
import { jsonRoute } from '../../respond';

export const { POST, fallback } = jsonRoute(compassRequestSchema, fitCompass);
