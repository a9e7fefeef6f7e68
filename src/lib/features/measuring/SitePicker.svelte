<script lang="ts">
	import { named } from '$lib/ui/options';
	import Select from '$lib/ui/Select.svelte';
	import type { Site } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { inUse, listSites } from '$lib/store/tables';

	/** Where it is measured: the field model needs a place. */
	let { site, onsite }: { site: Site | null; onsite: (id: string) => void } = $props();
	const sites = live(async () => inUse(await listSites()));
</script>

<div class="mb-4"><Select label="Site" value={site?.id} options={named(sites.current ?? [])} onchange={onsite} /></div>
{#if !site}
	<p class="mt-0 mb-4 font-semibold">
		No site is on this device, so nothing is compared with the place. <a href="/sites">Enter yours</a>.
	</p>
{/if}
