<script lang="ts">
	import HistoryView from '$lib/features/history/HistoryView.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<HistoryView id={data.id} sensor={data.sensor} />
