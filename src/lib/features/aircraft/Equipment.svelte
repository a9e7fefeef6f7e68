<script lang="ts">
	import { optionsOf } from '$lib/ui/options';
	import Select from '$lib/ui/Select.svelte';
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import Quantity from '$lib/ui/Quantity.svelte';
	import { hasPart, lengthOf } from '$lib/core/aircraft/capabilities';
	import { formatQuantity } from '$lib/core/words/units';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { units } from '$lib/ui/preferences.svelte';
	import { partSchema, sideSchema, type Aircraft, type Part } from '$lib/schema/records';
	import {
		LAYOUT_WORDS,
		MOUNT_WORDS,
		PART_WORDS,
		PROPELLER_WORDS,
		RECEIVER_WORDS,
		SIDE_WORDS,
		SPIN_WORDS,
		SURFACE_WORDS,
	} from './partWords';

	/** What the aircraft has beside its frame: the checklist is made from it. */
	let { craft, set }: { craft: Aircraft; set: (change: Partial<Aircraft>) => void } = $props();

	const tell = (part: Part, has: boolean) => set({ parts: { ...craft.parts, [part]: has } });
	const side = (which: (typeof sideSchema.options)[number], covered: boolean) => {
		const others = (craft.obstacleSides ?? []).filter((s) => s !== which);
		set({ obstacleSides: covered ? [...others, which] : others });
	};
	/** The first ones are said before the others; one that is not said any more takes the later ones with it. */
	const mount = (k: number, where: NonNullable<Aircraft['compassMounts']>[number] | undefined) => {
		const before = (craft.compassMounts ?? []).slice(0, k);
		const after = (craft.compassMounts ?? []).slice(k + 1);
		set({ compassMounts: where ? [...before, where, ...after] : before });
	};
</script>

<fieldset class="m-0 border-0 p-0">
	<legend class="sr-only">What it has</legend>
	<p class="m-0 mb-2 text-small text-ink-2">
		Filled in as is usual for its kind; what you change here is asked, or not asked, in every session.
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
	<div class="mt-3 flex flex-wrap gap-5">
		{#if craft.kind === 'wing'}
			<Select
				label="Control surfaces"
				value={craft.surfaces}
				none="Not known"
				options={optionsOf(SURFACE_WORDS)}
				onchange={(surfaces) => set({ surfaces: surfaces ?? undefined })}
			/>
		{/if}
		<Quantity
			label="Across"
			of="height"
			min={0.05}
			max={5}
			value={craft.lengthM}
			note="motor to motor, or the span; about {formatQuantity(lengthOf(craft), 'height', units())} for its kind"
			onchange={(v) => set({ lengthM: v ?? undefined })}
		/>
		{#if craft.hasPosition}
			<Select
				label="Position receiver"
				value={craft.receiver}
				none="Not known: taken as plain"
				options={optionsOf(RECEIVER_WORDS)}
				onchange={(receiver) => set({ receiver: receiver ?? undefined })}
			/>
		{/if}
		{#if craft.rotors > 2}
			<Select
				label="Motor layout"
				value={craft.layout}
				none="Not known: as is usual for {craft.rotors}"
				options={optionsOf(LAYOUT_WORDS)}
				onchange={(layout) => set({ layout: layout ?? undefined })}
			/>
			<Select
				label="Front propellers turn"
				value={craft.spin}
				none="Not known: taken as inward"
				options={optionsOf(SPIN_WORDS)}
				onchange={(spin) => set({ spin: spin ?? undefined })}
			/>
		{/if}
		<Select
			label="Propeller mounting"
			value={craft.propellers}
			none="Not known"
			options={optionsOf(PROPELLER_WORDS)}
			onchange={(propellers) => set({ propellers: propellers ?? undefined })}
		/>
	</div>
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
	{#if hasPart(craft, 'tank')}
		<div class="mt-3">
			<NumberField
				label="Nozzles"
				min={1}
				max={40}
				value={craft.nozzles ?? null}
				note="each is caught by itself"
				onchange={(v) => set({ nozzles: v === null ? undefined : Math.round(v) })}
			/>
		</div>
	{/if}
	{#if hasPart(craft, 'obstacle')}
		<p class="mt-3 mb-0 text-small text-ink-2">Sides that its obstacle sensors cover</p>
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
