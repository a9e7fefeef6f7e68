import { DEG } from '$lib/core/frames/angles';

export const RAD = 1 / DEG;
