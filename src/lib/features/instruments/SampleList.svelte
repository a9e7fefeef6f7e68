<script lang="ts">
	import { newSeed } from '$lib/rig/seed';
	import Button from '$lib/ui/Button.svelte';
	import { download } from '$lib/ui/download';
	import { failed } from '$lib/ui/notify';
	import type { Sample } from '$lib/instruments/instrument';

	/** What ships to try an instrument with: made by the simulated fleet, always the same; another draw is asked for. */
	type Props = { samples: readonly Sample[]; redraw?: boolean; ontry: (sample: Sample, seed: number) => void };
	let { samples, redraw = true, ontry }: Props = $props();

	const SHIPPED_SEED = 20;
	async function save(sample: Sample) {
		try {
			const file = await sample.file?.(SHIPPED_SEED);
			if (file) download(file.name, new Uint8Array(await file.arrayBuffer()), file.type);
		} catch (error) {
			failed(error);
		}
	}
</script>

<section class="no-print hairline mt-6 pt-4">
	<h2 class="m-0">To try</h2>
	<p class="mt-1 mb-2 text-small text-ink-2">
		{samples.some(({ file }) => file)
			? 'Logs of the simulated fleet, good and bad; each can be saved as a file.'
			: 'Figures of the made-up fleet, good and bad.'}
	</p>
	<ul class="m-0 list-none p-0">
		{#each samples as sample (sample.id)}
			<li class="hairline flex flex-wrap items-center gap-x-4 gap-y-1 py-1.5">
				<span class="min-w-0 flex-1 basis-60">{sample.label}</span>
				<Button onclick={() => ontry(sample, SHIPPED_SEED)} aria-label="Try it: {sample.label}">Try it</Button>
				{#if sample.file}
					{#if redraw}<Button kind="quiet" onclick={() => ontry(sample, newSeed())}>Others like it</Button>{/if}
					<Button kind="quiet" onclick={() => void save(sample)}>Save as a file</Button>
				{/if}
			</li>
		{/each}
	</ul>
</section>
