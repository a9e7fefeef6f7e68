import { reviewStillGyro } from '$lib/core/inertial/gyro';
import { gyroRequestSchema } from '$lib/schema/inertial';
import { jsonRoute } from '../../respond';

export const { POST, fallback } = jsonRoute(gyroRequestSchema, reviewStillGyro);
