<script lang="ts">
	import Quantity from '$lib/ui/Quantity.svelte';
	import { hasPart } from '$lib/core/aircraft/capabilities';
	import type { Aircraft } from '$lib/schema/records';
	import NumberField from '$lib/ui/NumberField.svelte';

	/** How it flies: what the way home is reckoned with. Empty is allowed; the usual is taken then, and said. */
	let { craft, set }: { craft: Aircraft; set: (change: Partial<Aircraft>) => void } = $props();
	type Flying = NonNullable<Aircraft['flies']>;
	const flies = $derived(craft.flies ?? {});
	const tell = (change: Partial<Flying>) => {
		const next = { ...flies, ...change };
		set({ flies: Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined)) });
	};
	const SPEEDS = [
		['airspeedMaxMps', 'Fastest through the air', 100],
		['climbMps', 'Climbs with', 50],
		['descentMps', 'Comes down with', 50],
	] as const;
</script>

<fieldset class="m-0 border-0 p-0">
	<legend class="sr-only">How it comes home</legend>
	<p class="m-0 mb-2 text-[15px] text-ink-2">
		As its settings and its manual have it. Left empty, what is usual for its kind is taken, and the Return station says
		so.
	</p>
	<div class="flex flex-wrap gap-5">
		{#each SPEEDS as [key, label, most] (key)}
			<Quantity
				{label}
				of="speed"
				min={0.1}
				max={most}
				value={flies[key]}
				onchange={(v) => tell({ [key]: v ?? undefined })}
			/>
		{/each}
		<NumberField
			label="Power in the hover"
			unit="W"
			min={1}
			max={100000}
			value={flies.hoverW ?? null}
			note="empty: from its flights"
			onchange={(v) => tell({ hoverW: v ?? undefined })}
		/>
		<Quantity
			label="Lands where it is, nearer than"
			of="height"
			min={0}
			max={10_000}
			value={craft.minReturnDistanceM}
			required
			onchange={(v) => v !== null && set({ minReturnDistanceM: v })}
		/>
		<label class="grid gap-1">
			<span class="text-[15px] text-ink-2">Its return speed is held</span>
			<select
				class="field-input"
				value={flies.speedKind ?? ''}
				onchange={(e) =>
					tell({ speedKind: (['ground', 'air'] as const).find((kind) => kind === e.currentTarget.value) })}
			>
				<option value="">not said: over the ground</option>
				<option value="ground">over the ground</option>
				<option value="air">through the air</option>
			</select>
		</label>
		<label class="grid gap-1">
			<span class="text-[15px] text-ink-2">It climbs</span>
			<select
				class="field-input"
				value={flies.climbFirst === undefined ? '' : String(flies.climbFirst)}
				onchange={(e) => tell({ climbFirst: { true: true, false: false }[e.currentTarget.value] })}
			>
				<option value="">not said: before it turns home</option>
				<option value="true">before it turns home</option>
				<option value="false">on the way home</option>
			</select>
		</label>
		{#if hasPart(craft, 'video')}
			<NumberField
				label="Video power"
				unit="mW"
				min={0}
				max={10000}
				value={craft.videoMw ?? null}
				onchange={(v) => set({ videoMw: v ?? undefined })}
			/>
		{/if}
	</div>
</fieldset>
