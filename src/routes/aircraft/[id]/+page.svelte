<script lang="ts">
	import { page } from '$app/state';
	import AircraftPage from '$lib/features/aircraft/AircraftPage.svelte';
</script>

{#key page.params.id}
	<AircraftPage id={page.params.id ?? ''} />
{/key}
