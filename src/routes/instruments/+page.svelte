<script lang="ts">
	import InstrumentsView from '$lib/features/instruments/InstrumentsView.svelte';
</script>

<InstrumentsView />
