import { handleRoute } from '$lib/server/handle';
import type { RequestHandler } from './$types';

const handle: RequestHandler = async ({ params, request, url, platform, getClientAddress }) => {
	const left = new AbortController();
	const leave = () => left.abort();
	// The line to the client: many requests may come over it.
	const line = platform?.req.socket;
	line?.once('close', leave);
	try {
		return await handleRoute(params.path, request, url, { client: getClientAddress(), left: left.signal });
	} finally {
		line?.off('close', leave);
	}
};

export const GET = handle;
export const POST = handle;
export const fallback = handle;
