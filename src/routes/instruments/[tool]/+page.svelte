<script lang="ts">
	import InstrumentPage from '$lib/features/instruments/InstrumentPage.svelte';
	import { untrack } from 'svelte';
	import { prefer, preferences } from '$lib/ui/preferences.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();

	$effect(() => {
		const { tool } = data;
		untrack(() => prefer({ lately: [tool, ...preferences.lately.filter((id) => id !== tool)].slice(0, 4) }));
	});
</script>

{#key data.tool}
	<InstrumentPage instrument={data.instrument} liveId={data.liveId} />
{/key}
