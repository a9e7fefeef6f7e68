<script lang="ts">
	import FieldInput from './FieldInput.svelte';

	/** The temperature of the air, where it is known: sensors change with it. */
	let {
		value = $bindable(),
		label = 'Temperature, where known',
	}: {
		value: number | null;
		label?: string;
	} = $props();
</script>

<FieldInput
	field={{
		kind: 'number',
		id: 'temperature',
		label,
		unit: '°C',
		quantity: 'temperature',
		min: -40,
		max: 60,
		optional: true,
		start: null,
	}}
	{value}
	onchange={(v) => (value = typeof v === 'number' ? v : null)}
/>
