import { solveMounting } from '$lib/core/inertial/mounting';
import { mountingRequestSchema } from '$lib/schema/inertial';
import { jsonRoute } from '../../respond';

export const { POST, fallback } = jsonRoute(mountingRequestSchema, solveMounting);
