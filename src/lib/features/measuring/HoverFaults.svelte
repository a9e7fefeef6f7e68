<script lang="ts">
	import Quantity from '$lib/ui/Quantity.svelte';
	import type { RigFaults } from '$lib/rig/rig';
	import NumberField from '$lib/ui/NumberField.svelte';

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
<Quantity label="Wind" of="speed" min={0} max={15} value={faults.windMps} onchange={(v) => (faults.windMps = v ?? 0)} />
