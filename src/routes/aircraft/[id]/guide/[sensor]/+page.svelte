<script lang="ts">
	import LinkLossPage from '$lib/features/linkLoss/LinkLossPage.svelte';
	import GuidePage from '$lib/features/guide/GuidePage.svelte';
	import Page from '$lib/features/shell/Page.svelte';
	import { live } from '$lib/store/live.svelte';
	import { findAircraft } from '$lib/store/repository';
	import Button from '$lib/ui/Button.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
	const aircraft = live(
		() => findAircraft(data.id),
		() => data.id,
	);
</script>

{#if aircraft.current}
	{#if data.sensor === 'link-loss'}
		<LinkLossPage aircraft={aircraft.current} />
	{:else}
		{#key data.sensor}<GuidePage aircraft={aircraft.current} sensor={data.sensor} />{/key}
	{/if}
{:else if aircraft.ready}
	<Page title="This aircraft is not on this device" name="Guided"
		><Empty title="Nothing here"><Button href="/aircraft">All aircraft</Button></Empty></Page
	>
{/if}
