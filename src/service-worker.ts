/// <reference types="@sveltejs/kit" />
/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';

// Keeps the whole application on the device: with no network every page opens from the shell kept here. A new version is fetched beside
// the old one and waits until every page was closed, or until the pilot asks for it.
const worker = self as unknown as ServiceWorkerGlobalScope;
const PREFIX = 'winglogos-';
const CACHE = PREFIX + version;
const SHELL = '/';
const ASSETS = [...build, ...files];
/** Versions before this one whose files are kept for pages that are still open. */
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
const kept = async (path: string): Promise<Response | undefined> =>
	(await (await caches.open(CACHE)).match(path)) ?? caches.match(path);

worker.addEventListener('fetch', (event) => {
	const { request } = event;
	const url = new URL(request.url);
	if (request.method !== 'GET' || url.origin !== worker.location.origin || url.pathname.startsWith('/api/')) return;
	if (ASSETS.includes(url.pathname) || url.pathname.startsWith('/_app/immutable/')) {
		event.respondWith(kept(url.pathname).then((file) => file ?? fetch(request)));
	} else if (request.mode === 'navigate') {
		// The kept shell first: a network that hangs, or answers with somebody else's page, keeps nothing from opening.
		event.respondWith(kept(SHELL).then((shell) => shell ?? fetch(request)));
	}
});
