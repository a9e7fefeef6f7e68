<script lang="ts">
	import HoverBody from '$lib/features/hover/HoverBody.svelte';
	import HoverWhy from '$lib/features/hover/HoverWhy.svelte';
	import { HoverState } from '$lib/features/hover/hoverState.svelte';
	import LiveInstrument from './LiveInstrument.svelte';
	import type { LiveProps } from './live';

	let { site }: LiveProps = $props();

	const work = new HoverState(() => undefined);
</script>

<LiveInstrument id="hover" {work} {site}>
	{#snippet why()}<HoverWhy answer={work.answer} />{/snippet}
	<HoverBody state={work} />
</LiveInstrument>
