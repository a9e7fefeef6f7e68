<script lang="ts">
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
	const choose = <K extends string>(words: Record<K, string>, value: string): K | undefined =>
		(Object.keys(words) as K[]).find((key) => key === value);
</script>

<fieldset class="m-0 border-0 p-0">
	<legend class="sr-only">What it has</legend>
	<p class="m-0 mb-2 text-[15px] text-ink-2">
		Filled in as is usual for its kind; what you change here is asked, or not asked, in every session.
	</p>
	<div class="grid gap-x-6 sm:grid-cols-2">
		{#each partSchema.options as part (part)}
			<label class="flex min-h-11 items-center gap-3">
				<input
					type="checkbox"
					class="size-5 accent-(--action)"
					checked={hasPart(craft, part)}
					onchange={(e) => tell(part, e.currentTarget.checked)}
				/>
				<span
					>{PART_WORDS[part]}
					{#if craft.parts?.[part] === undefined && hasPart(craft, part)}<span class="text-[14px] text-ink-2"
							>as usual</span
						>{/if}</span
				>
			</label>
		{/each}
	</div>
	<div class="mt-3 flex flex-wrap gap-5">
		{#if craft.kind === 'wing'}
			<label class="grid gap-1">
				<span class="text-[15px] text-ink-2">Its surfaces</span>
				<select
					class="field-input"
					value={craft.surfaces ?? ''}
					onchange={(e) => set({ surfaces: choose(SURFACE_WORDS, e.currentTarget.value) })}
				>
					<option value="">not said</option>
					{#each Object.entries(SURFACE_WORDS) as [value, words] (value)}<option {value}>{words}</option>{/each}
				</select>
			</label>
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
			<label class="grid gap-1">
				<span class="text-[15px] text-ink-2">Its receiver for position</span>
				<select
					class="field-input"
					value={craft.receiver ?? ''}
					onchange={(e) => set({ receiver: choose(RECEIVER_WORDS, e.currentTarget.value) })}
				>
					<option value="">not said: taken as plain</option>
					{#each Object.entries(RECEIVER_WORDS) as [value, words] (value)}<option {value}>{words}</option>{/each}
				</select>
			</label>
		{/if}
		{#if craft.rotors > 2}
			<label class="grid gap-1">
				<span class="text-[15px] text-ink-2">Its motors stand</span>
				<select
					class="field-input"
					value={craft.layout ?? ''}
					onchange={(e) => set({ layout: choose(LAYOUT_WORDS, e.currentTarget.value) })}
				>
					<option value="">not said: as is usual for {craft.rotors}</option>
					{#each Object.entries(LAYOUT_WORDS) as [value, words] (value)}<option {value}>{words}</option>{/each}
				</select>
			</label>
			<label class="grid gap-1">
				<span class="text-[15px] text-ink-2">Front propellers turn</span>
				<select
					class="field-input"
					value={craft.spin ?? ''}
					onchange={(e) => set({ spin: choose(SPIN_WORDS, e.currentTarget.value) })}
				>
					<option value="">not said: taken as inward</option>
					{#each Object.entries(SPIN_WORDS) as [value, words] (value)}<option {value}>{words}</option>{/each}
				</select>
			</label>
		{/if}
		<label class="grid gap-1">
			<span class="text-[15px] text-ink-2">Propellers are held</span>
			<select
				class="field-input"
				value={craft.propellers ?? ''}
				onchange={(e) => set({ propellers: choose(PROPELLER_WORDS, e.currentTarget.value) })}
			>
				<option value="">not said</option>
				{#each Object.entries(PROPELLER_WORDS) as [value, words] (value)}<option {value}>{words}</option>{/each}
			</select>
		</label>
	</div>
	{#if craft.compasses > 0}
		<div class="mt-3 flex flex-wrap gap-5">
			{#each { length: craft.compasses }, k (k)}
				<label class="grid gap-1">
					<span class="text-[15px] text-ink-2"
						>{craft.compasses > 1 ? `Compass ${k + 1} sits` : 'Its compass sits'}</span
					>
					<select
						class="field-input"
						value={craft.compassMounts?.[k] ?? ''}
						onchange={(e) => mount(k, choose(MOUNT_WORDS, e.currentTarget.value))}
					>
						<option value="" disabled={(craft.compassMounts?.length ?? 0) > k + 1}>not said</option>
						{#each Object.entries(MOUNT_WORDS) as [value, words] (value)}<option
								{value}
								disabled={k > (craft.compassMounts?.length ?? 0)}>{words}</option
							>{/each}
					</select>
				</label>
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
		<p class="mt-3 mb-0 text-[15px] text-ink-2">Sides that its obstacle sensors cover</p>
		<div class="flex flex-wrap gap-x-6">
			{#each sideSchema.options as which (which)}
				<label class="flex min-h-11 items-center gap-2">
					<input
						type="checkbox"
						class="size-5 accent-(--action)"
						checked={craft.obstacleSides?.includes(which) ?? false}
						onchange={(e) => side(which, e.currentTarget.checked)}
					/>
					{SIDE_WORDS[which]}
				</label>
			{/each}
		</div>
	{/if}
</fieldset>
