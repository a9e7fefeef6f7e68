/** The places of the application, in the order of the header; `key` goes there after `g`; Sites is where one flies. */
export const PLACES = [
	{ href: '/', label: 'Session', key: 's' },
	{ href: '/aircraft', label: 'Aircraft', key: 'a' },
	{ href: '/sites', label: 'Sites', key: 'w' },
	{ href: '/instruments', label: 'Instruments', key: 'i' },
	{ href: '/practice', label: 'Practice', key: 'p' },
	{ href: '/logbook', label: 'Logbook', key: 'l' },
	{ href: '/data', label: 'Data', key: 'd' },
] as const;

/** Which place a path belongs to. */
export const placeOf = (path: string): string =>
	path.startsWith('/session')
		? '/'
		: (PLACES.findLast(({ href }) => href !== '/' && path.startsWith(href))?.href ?? '/');
