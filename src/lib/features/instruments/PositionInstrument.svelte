<script lang="ts">
	import { DEFAULT_LOCK_RULE } from '$lib/core/position/lock';
	import PositionBody from '$lib/features/position/PositionBody.svelte';
	import { PositionState } from '$lib/features/position/positionState.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { comesBack } from '$lib/features/measuring/leftWork.svelte';
	import LiveInstrument from './LiveInstrument.svelte';
	import type { LiveProps } from './live';

	let { site, date, onsite }: LiveProps = $props();

	const { work, recorded } = comesBack('position', (key) => new PositionState(() => DEFAULT_LOCK_RULE, key));
</script>

<LiveInstrument id="position" {work} {site} {onsite} {recorded}>
	{#snippet why()}
		<Caution>Home is where the aircraft goes when the link is lost.</Caution>
		{#if work.answer}<h2 class="mt-5 mb-2">Why</h2>
			<Reasons reasons={work.answer.reasons} />{/if}
	{/snippet}
	<PositionBody state={work} place={site} {date} />
</LiveInstrument>
