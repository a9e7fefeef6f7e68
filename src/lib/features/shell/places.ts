/** The places of the application, in the order of the header; `key` goes there after `g`. */
export const PLACES = [
	{ href: '/', label: 'Session', key: 's' },
	{ href: '/aircraft', label: 'Aircraft', key: 'a' },
	{ href: '/sites', label: 'Sites', key: 'p' },
	{ href: '/instruments', label: 'Instruments', key: 'i' },
	{ href: '/practice', label: 'Practice', key: 'r' },
	{ href: '/logbook', label: 'Logbook', key: 'l' },
	{ href: '/data', label: 'Data', key: 'd' },
] as const;

/** Which place a path belongs to. */
export const placeOf = (path: string): string =>
	path.startsWith('/session')
		? '/'
		: (PLACES.findLast(({ href }) => href !== '/' && path.startsWith(href))?.href ?? '/');
