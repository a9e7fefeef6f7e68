<script lang="ts">
	import type { Site } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { inUse, listSites } from '$lib/store/tables';

	/** Where it is measured: the field model needs a place. */
	let { site, onsite }: { site: Site | null; onsite: (id: string) => void } = $props();
	const sites = live(async () => inUse(await listSites()));
</script>

<label class="mb-4 grid gap-1">
	<span class="text-[15px] text-ink-2">Site</span>
	<select class="field-input" value={site?.id ?? ''} onchange={(e) => onsite(e.currentTarget.value)}>
		{#each sites.current ?? [] as { id, name } (id)}<option value={id}>{name}</option>{:else}<option value=""
				>none entered</option
			>{/each}
	</select>
</label>
{#if !site}
	<p class="mt-0 mb-4 font-semibold">
		No site is on this device, so nothing is compared with the place. <a href="/sites">Enter yours</a>.
	</p>
{/if}
