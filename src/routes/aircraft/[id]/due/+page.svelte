<script lang="ts">
	import { page } from '$app/state';
	import DueView from '$lib/features/due/DueView.svelte';
</script>

{#key page.params.id}
	<DueView id={page.params.id ?? ''} />
{/key}
