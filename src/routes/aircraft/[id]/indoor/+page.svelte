<script lang="ts">
	import { page } from '$app/state';
	import IndoorView from '$lib/features/indoor/IndoorView.svelte';
</script>

<IndoorView id={page.params.id ?? ''} />
