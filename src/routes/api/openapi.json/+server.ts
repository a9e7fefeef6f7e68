import { json } from '@sveltejs/kit';
import { faultBody } from '$lib/server/fault';
import { describeRoutes } from '$lib/server/openapi';

export const GET = () => json(describeRoutes());

export const fallback = () =>
	json(faultBody('method-not-allowed', 'method', 'This route takes GET.'), { status: 405, headers: { allow: 'GET' } });
