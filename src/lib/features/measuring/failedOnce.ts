import { failed } from '$lib/ui/notify';

/** What says that something went wrong which is tried again and again: each failure once, so that it does not cover the page. */
export function failedOnce(): (error: unknown) => void {
	const told = new Set<string>();
	return (error) => {
		const words = String(error);
		if (!told.has(words)) failed(error);
		told.add(words);
	};
}
