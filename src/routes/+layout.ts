import { openDrafts } from '$lib/store/drafts';
import { units } from '$lib/ui/preferences.svelte';
import { loadMessages } from '$lib/ui/worded';

// Data live in the browser, so pages render there, from a shell that the service worker can serve with no network.
export const ssr = false;
export const prerender = false;

export async function load() {
	await Promise.all([openDrafts(), loadMessages(units())]);
}
