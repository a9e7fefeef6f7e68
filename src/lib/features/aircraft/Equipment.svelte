<script lang="ts">
	import { hasPart } from '$lib/core/aircraft/capabilities';
	import type { Draft } from '$lib/schema/common';
	import { partSchema, sideSchema, type Aircraft, type Part } from '$lib/schema/records';
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import Fields from '$lib/ui/Fields.svelte';
	import Select from '$lib/ui/Select.svelte';
	import { optionsOf } from '$lib/ui/options';
	import { EQUIPMENT } from './fields';
	import { MOUNT_WORDS, PART_WORDS, SIDE_WORDS } from './partWords';

	/** The aircraft's equipment besides its frame: the checklist is made from it. */
	let { craft, set }: { craft: Aircraft; set: (change: Draft<Aircraft>) => void } = $props();

	const tell = (part: Part, has: boolean) => set({ parts: { ...craft.parts, [part]: has } });
	const side = (which: (typeof sideSchema.options)[number], covered: boolean) => {
		const others = (craft.obstacleSides ?? []).filter((s) => s !== which);
		set({ obstacleSides: covered ? [...others, which] : others });
	};
	/** In order: one that is emptied empties those after it. */
	const mount = (k: number, where: NonNullable<Aircraft['compassMounts']>[number] | undefined) => {
		const before = (craft.compassMounts ?? []).slice(0, k);
		const after = (craft.compassMounts ?? []).slice(k + 1);
		set({ compassMounts: where ? [...before, where, ...after] : before });
	};
</script>

<fieldset class="m-0 border-0 p-0">
	<legend class="sr-only">Equipment</legend>
	<p class="mt-5 mb-2 text-small text-ink-2">
		Filled in as usual for its kind. What is ticked here is checked in every session.
	</p>
	<div class="grid gap-x-6 sm:grid-cols-2">
		{#each partSchema.options as part (part)}
			<Checkbox checked={hasPart(craft, part)} onchange={(on) => tell(part, on)}
				><span
					>{PART_WORDS[part]}
					{#if craft.parts?.[part] === undefined && hasPart(craft, part)}<span class="text-note text-ink-2"
							>as usual</span
						>{/if}</span
				></Checkbox
			>
		{/each}
	</div>
	<div class="mt-3"><Fields fields={EQUIPMENT} record={craft} onchange={set} /></div>
	{#if craft.compasses > 0}
		<div class="mt-3 flex flex-wrap gap-5">
			{#each { length: craft.compasses }, k (k)}
				<Select
					label={craft.compasses > 1 ? `Position of compass ${k + 1}` : 'Position of the compass'}
					value={craft.compassMounts?.[k]}
					none="Not known"
					disabled={k > (craft.compassMounts?.length ?? 0)}
					options={optionsOf(MOUNT_WORDS)}
					onchange={(where) => mount(k, where ?? undefined)}
				/>
			{/each}
		</div>
	{/if}
	{#if hasPart(craft, 'obstacle')}
		<p class="mt-3 mb-0 text-small text-ink-2">Sides covered by obstacle sensors</p>
		<div class="flex flex-wrap gap-x-6">
			{#each sideSchema.options as which (which)}
				<Checkbox
					checked={craft.obstacleSides?.includes(which) ?? false}
					onchange={(on) => side(which, on)}
					label={SIDE_WORDS[which]}
				/>
			{/each}
		</div>
	{/if}
</fieldset>
