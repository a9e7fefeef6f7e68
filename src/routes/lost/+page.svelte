<script lang="ts">
	import LostPage from '$lib/features/lost/LostPage.svelte';
</script>

<LostPage />
