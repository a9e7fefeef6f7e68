<script lang="ts">
	import ProofPage from '$lib/features/logbook/ProofPage.svelte';
</script>

<ProofPage />
