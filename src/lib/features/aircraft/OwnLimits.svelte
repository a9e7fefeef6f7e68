<script lang="ts">
	import Quantity from '$lib/ui/Quantity.svelte';
	import type { Aircraft } from '$lib/schema/records';
	import NumberField from '$lib/ui/NumberField.svelte';

	/** What this aircraft is held to, in the pilot's units. */
	let { craft, set }: { craft: Aircraft; set: (change: Partial<Aircraft>) => void } = $props();
</script>

<fieldset class="m-0 border-0 p-0">
	<legend class="sr-only">Its own limits</legend>
	<div class="flex flex-wrap gap-5">
		<NumberField
			label="Satellites"
			min={1}
			max={60}
			value={craft.lock.minSatellites}
			note="eight is usual"
			required
			onchange={(v) => v !== null && set({ lock: { ...craft.lock, minSatellites: Math.round(v) } })}
		/>
		<NumberField
			label="HDOP at most"
			min={0.5}
			max={20}
			value={craft.lock.maxHdop}
			required
			onchange={(v) => v !== null && set({ lock: { ...craft.lock, maxHdop: v } })}
		/>
		<NumberField
			label="Lock held for"
			unit="s"
			min={0}
			max={600}
			value={craft.lock.holdS}
			required
			onchange={(v) => v !== null && set({ lock: { ...craft.lock, holdS: v } })}
		/>
		<NumberField
			label="Heading known to"
			unit="°"
			min={0.1}
			max={20}
			value={craft.compassHeadingLimitDeg}
			required
			onchange={(v) => v !== null && set({ compassHeadingLimitDeg: v })}
		/>
		<Quantity
			label="Return speed"
			of="speed"
			min={0.1}
			max={100}
			value={craft.returnSpeedMps}
			required
			onchange={(v) => v !== null && set({ returnSpeedMps: v })}
		/>
		<Quantity
			label="Return height"
			of="height"
			min={0}
			max={1000}
			value={craft.returnHeightM}
			required
			onchange={(v) => v !== null && set({ returnHeightM: v })}
		/>
	</div>
</fieldset>
