import { handleRoute } from '$lib/server/handle';
import type { RequestHandler } from './$types';

const handle: RequestHandler = ({ params, request, url }) => handleRoute(params.path, request, url);

export const GET = handle;
export const POST = handle;
export const fallback = handle;
