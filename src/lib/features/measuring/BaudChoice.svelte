<script lang="ts">
	import { BAUDS } from '$lib/sources/serialLine';
	import Choice from '$lib/ui/Choice.svelte';

	/** The speed of a serial line. */
	let { value = $bindable() }: { value: string } = $props();
</script>

<Choice
	label="Baud"
	{value}
	options={BAUDS.map((baud) => ({ value: baud as string, label: baud }))}
	onchange={(next) => (value = next)}
/>
