<script lang="ts">
	import HomeView from '$lib/features/home/HomeView.svelte';
</script>

<HomeView />
