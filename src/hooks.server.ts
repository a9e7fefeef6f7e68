import type { Handle } from '@sveltejs/kit';
import { SECURITY_HEADERS } from '$lib/server/headers';

/**
 * A page of another origin may not post here; a missing Origin is a script, which may compute: nothing on the server
 * can be changed anyway.
 */
function foreign(request: Request, url: URL): boolean {
	const origin = request.headers.get('origin');
	return request.method !== 'GET' && request.method !== 'HEAD' && origin !== null && origin !== url.origin;
}

export const handle: Handle = async ({ event, resolve }) => {
	if (foreign(event.request, event.url))
		return Response.json(
			{
				error: {
					code: 'foreign-origin',
					message: 'Requests from pages of another origin are refused.',
					path: 'origin',
				},
			},
			{ status: 403 },
		);
	const response = await resolve(event);
	for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.headers.set(name, value);
	return response;
};
