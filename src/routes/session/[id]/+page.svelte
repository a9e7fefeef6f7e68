<script lang="ts">
	import { goto } from '$app/navigation';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';

	const view = getSessionView();
	// Reload, a killed tab or a link to the session comes back to the step that was in hand.
	$effect(() => {
		const { place } = view.bundle.session;
		void goto(view.href(place.station, place.task ?? undefined), { replaceState: true });
	});
</script>
