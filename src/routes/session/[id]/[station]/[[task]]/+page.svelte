<script lang="ts">
	import StationPage from '$lib/features/session/StationPage.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#key `${data.station}/${data.task}`}
	<StationPage station={data.station} task={data.task} />
{/key}
