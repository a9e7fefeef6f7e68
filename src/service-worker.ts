/// <reference types="@sveltejs/kit" />
/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';

// Keeps the whole application on the device: with no network every page opens from the shell kept here.
const worker = self as unknown as ServiceWorkerGlobalScope;
const CACHE = `winglogos-${version}`;
const SHELL = '/';
const ASSETS = [...build, ...files];

worker.addEventListener('install', (event) => {
	event.waitUntil(
		caches
			.open(CACHE)
			.then((cache) => cache.addAll([...ASSETS, SHELL]))
			.then(() => worker.skipWaiting()),
	);
});

worker.addEventListener('activate', (event) => {
	event.waitUntil(
		caches
			.keys()
			.then((keys) => Promise.all(keys.filter((key) => key !== CACHE).map((key) => caches.delete(key))))
			.then(() => worker.clients.claim()),
	);
});

worker.addEventListener('fetch', (event) => {
	const { request } = event;
	const url = new URL(request.url);
	if (request.method !== 'GET' || url.origin !== worker.location.origin || url.pathname.startsWith('/api/')) return;
	if (ASSETS.includes(url.pathname)) {
		event.respondWith(caches.match(url.pathname).then((kept) => kept ?? fetch(request)));
	} else if (request.mode === 'navigate') {
		// The kept shell first: a network that hangs, or answers with somebody else's page, keeps nothing from opening. A new
		// version is looked for by the browser itself, and takes over with its own shell.
		event.respondWith(caches.match(SHELL).then((kept) => kept ?? fetch(request)));
	}
});
