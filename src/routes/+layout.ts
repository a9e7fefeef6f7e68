import { openDrafts } from '$lib/store/drafts';

// Data live in the browser, so pages render there, from a shell that the service worker can serve with no network.
export const ssr = false;
export const prerender = false;

export const load = () => openDrafts();
