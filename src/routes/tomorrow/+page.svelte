<script lang="ts">
	import TomorrowPage from '$lib/features/tomorrow/TomorrowPage.svelte';
</script>

<TomorrowPage />
