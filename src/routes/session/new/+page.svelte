<script lang="ts">
	import NewSession from '$lib/features/session/NewSession.svelte';
</script>

<NewSession />
