import { DEG } from '$lib/core/frames/angles';

export const DEG_PER_RAD = 1 / DEG;
