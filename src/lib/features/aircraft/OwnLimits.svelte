<script lang="ts">
	import { fromUnit, toUnit, unitSymbol, type Quantity } from '$lib/core/words/units';
	import type { Aircraft } from '$lib/schema/records';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { units } from '$lib/ui/preferences.svelte';

	/** What this aircraft is held to, in the pilot's units. */
	let { craft, set }: { craft: Aircraft; set: (change: Partial<Aircraft>) => void } = $props();
	const si = (value: number, quantity: Quantity) => fromUnit(value, quantity, units());
	const own = (value: number, quantity: Quantity) => toUnit(value, quantity, units());
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
		<NumberField
			label="Return speed"
			unit={unitSymbol('speed', units())}
			min={0.1}
			max={own(100, 'speed')}
			value={own(craft.returnSpeedMps, 'speed')}
			required
			onchange={(v) => v !== null && set({ returnSpeedMps: si(v, 'speed') })}
		/>
		<NumberField
			label="Return height"
			unit={unitSymbol('height', units())}
			min={0}
			max={own(1000, 'height')}
			value={own(craft.returnHeightM, 'height')}
			required
			onchange={(v) => v !== null && set({ returnHeightM: si(v, 'height') })}
		/>
	</div>
</fieldset>
