import { reviewVibration } from '$lib/core/inertial/vibration';
import { vibrationRequestSchema } from '$lib/schema/inertial';
import { jsonRoute } from '../../respond';

export const { POST, fallback } = jsonRoute(vibrationRequestSchema, reviewVibration);
