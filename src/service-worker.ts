/// <reference types="@sveltejs/kit" />
/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';

// Keeps the whole application on the device: with no network every page opens from the shell stored here. A new version is fetched next to
// the old one and waits until every page was closed, or until the pilot asks for it.
const worker = self as unknown as ServiceWorkerGlobalScope;
const PREFIX = 'winglogos-';
const CACHE = PREFIX + version;
const SHELL = '/';
const ASSETS = [...build, ...files];
/** Versions before this one that leave their files for pages that are still open. */
const BEFORE = 2;

worker.addEventListener('install', (event) => {
	event.waitUntil(caches.open(CACHE).then((cache) => cache.addAll([...ASSETS, SHELL])));
});

worker.addEventListener('message', ({ data }) => {
	if (data === 'take-over') void worker.skipWaiting();
});

worker.addEventListener('activate', (event) => {
	event.waitUntil(
		caches
			.keys()
			.then((keys) => keys.filter((key) => key.startsWith(PREFIX) && key !== CACHE).slice(0, -BEFORE))
			.then((old) => Promise.all(old.map((key) => caches.delete(key))))
			.then(() => worker.clients.claim()),
	);
});

/** A file as this version has it; else as an older one that is still open does. */
const stored = async (path: string): Promise<Response | undefined> =>
	(await (await caches.open(CACHE)).match(path)) ?? caches.match(path);

worker.addEventListener('fetch', (event) => {
	const { request } = event;
	const url = new URL(request.url);
	if (request.method !== 'GET' || url.origin !== worker.location.origin || url.pathname.startsWith('/api/')) return;
	if (ASSETS.includes(url.pathname) || url.pathname.startsWith('/_app/immutable/')) {
		event.respondWith(stored(url.pathname).then((file) => file ?? fetch(request)));
	} else if (request.mode === 'navigate') {
		// The stored shell first: a network that hangs, or answers with somebody else's page, prevents no opening.
		event.respondWith(stored(SHELL).then((shell) => shell ?? fetch(request)));
	}
});
