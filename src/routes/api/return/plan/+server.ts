import { planReturn } from '$lib/core/return/plan';
import { returnRequestSchema } from '$lib/schema/return';
import { jsonRoute } from '../../respond';

export const { POST, fallback } = jsonRoute(returnRequestSchema, planReturn);
