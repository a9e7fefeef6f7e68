<script lang="ts">
	import { ASKED_GESTURES } from '$lib/core/radio/orderCoach';
	import SourceFailure from '$lib/features/measuring/SourceFailure.svelte';
	import Button from '$lib/ui/Button.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import type { StickState } from './stickState.svelte';

	/** Four gestures under way: which are in, which is asked, and what every channel shows. */
	let { state: work }: { state: StickState } = $props();
	const inCount = $derived(work.view.windows.length);
</script>

<ul class="m-0 mt-4 grid list-none grid-cols-2 gap-2 p-0 lg:grid-cols-4">
	{#each ASKED_GESTURES as { asked, name }, k (asked)}
		<li
			class="grid content-start justify-items-center gap-2 rounded border p-3 text-center {k === inCount
				? 'border-2 border-action'
				: 'border-rule'}"
		>
			<span class="text-lead font-semibold">{name}</span>
			<span class="flex items-center gap-1 text-small"
				><MarkIcon mark={k < inCount ? 'clear' : 'unseen'} size={22} />{k < inCount
					? 'is in'
					: k === inCount
						? 'asked'
						: 'not yet'}</span
			>
		</li>
	{/each}
</ul>
<h2 class="mt-6 mb-2">What the channels show</h2>
{#if work.now.length === 0}
	<p class="text-ink-2">No channel is read yet.</p>
{:else}
	<ul class="m-0 grid list-none gap-x-8 gap-y-2 p-0 md:grid-cols-2">
		{#each work.now as value, k (k)}
			<li class="grid grid-cols-[92px_minmax(0,1fr)_56px] items-center gap-3">
				<span class="text-small">Channel {k + 1}</span>
				<span class="relative block h-3 rounded bg-fine">
					<span class="absolute inset-y-0 left-1/2 w-px bg-ink-2"></span>
					<span
						class="absolute inset-y-0 rounded bg-action"
						style="left: {50 + 50 * Math.min(0, Math.max(-1, value))}%; width: {50 * Math.min(1, Math.abs(value))}%"
					></span>
				</span>
				<span class="figure-mono text-right text-small"
					>{(Math.round(100 * value) + 0).toFixed(0).replace('-', '−')} %</span
				>
			</li>
		{/each}
	</ul>
{/if}
<SourceFailure recording={work.recording} />
<div class="mt-6 flex flex-wrap gap-3">
	<Button kind="primary" disabled={inCount === 0} onclick={() => work.finish()}>Finish now</Button>
	<Button class="min-h-14" onclick={() => work.cancel()}>Cancel</Button>
</div>
