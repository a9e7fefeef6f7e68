<script lang="ts">
	import LogbookView from '$lib/features/logbook/LogbookView.svelte';
</script>

<LogbookView />
