<script lang="ts">
	import type { RigFaults } from '$lib/rig/rig';
	import { fromUnit, toUnit, unitSymbol } from '$lib/core/words/units';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { units } from '$lib/ui/preferences.svelte';

	/** What the practice aircraft has wrong in its hover, and the wind. */
	let { faults = $bindable() }: { faults: RigFaults } = $props();
</script>

<NumberField
	label="Compass error"
	unit="°"
	min={-80}
	max={80}
	value={faults.headingErrorDeg}
	onchange={(v) => (faults.headingErrorDeg = v ?? 0)}
/>
<NumberField
	label="Wind"
	unit={unitSymbol('speed', units())}
	min={0}
	max={toUnit(15, 'speed', units())}
	value={toUnit(faults.windMps, 'speed', units())}
	onchange={(v) => (faults.windMps = fromUnit(v ?? 0, 'speed', units()))}
/>
