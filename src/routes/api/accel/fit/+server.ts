import { fitAccelerometer } from '$lib/core/inertial/accelFit';
import { accelRequestSchema } from '$lib/schema/inertial';
import { jsonRoute } from '../../respond';

export const { POST, fallback } = jsonRoute(accelRequestSchema, fitAccelerometer);
