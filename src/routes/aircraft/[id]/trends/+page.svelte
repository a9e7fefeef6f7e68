<script lang="ts">
	import { page } from '$app/state';
	import TrendsView from '$lib/features/trends/TrendsView.svelte';
</script>

<TrendsView id={page.params.id ?? ''} />
