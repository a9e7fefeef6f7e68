<script lang="ts">
	import InstrumentPage from '$lib/features/instruments/InstrumentPage.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#key data.tool}
	<InstrumentPage instrument={data.instrument} liveId={data.liveId} />
{/key}
