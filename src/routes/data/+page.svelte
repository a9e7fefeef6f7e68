<script lang="ts">
	import DataView from '$lib/features/data/DataView.svelte';
</script>

<DataView />
