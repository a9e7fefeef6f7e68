<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
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
	<p class="m-0 mb-2 text-small text-ink-2">
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
		<Select
			label="Return speed is held"
			value={flies.speedKind}
			none="Not known: over the ground"
			options={[
				{ value: 'ground', label: 'Over the ground' },
				{ value: 'air', label: 'Through the air' },
			]}
			onchange={(speedKind) => tell({ speedKind: speedKind ?? undefined })}
		/>
		<Select
			label="Climbs"
			value={flies.climbFirst === undefined ? null : flies.climbFirst ? 'first' : 'underway'}
			none="Not known: before it turns home"
			options={[
				{ value: 'first', label: 'Before it turns home' },
				{ value: 'underway', label: 'On the way home' },
			]}
			onchange={(when) => tell({ climbFirst: when === null ? undefined : when === 'first' })}
		/>
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
