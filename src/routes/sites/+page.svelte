<script lang="ts">
	import SitesView from '$lib/features/sites/SitesView.svelte';
</script>

<SitesView />
