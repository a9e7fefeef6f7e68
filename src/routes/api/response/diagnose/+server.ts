import { diagnoseResponse } from '$lib/core/propulsion/diagnose';
import { responseRequestSchema } from '$lib/schema/response';
import { jsonRoute } from '../../respond';

export const { POST, fallback } = jsonRoute(responseRequestSchema, diagnoseResponse);
