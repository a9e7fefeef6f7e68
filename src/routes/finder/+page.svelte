<script lang="ts">
	import FinderPage from '$lib/features/finder/FinderPage.svelte';
</script>

<FinderPage />
