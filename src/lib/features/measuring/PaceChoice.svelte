<script module lang="ts">
	export type Pace = '1' | '4' | '16';
</script>

<script lang="ts">
	import Choice from '$lib/ui/Choice.svelte';

	/** How many seconds of the practice aircraft's time pass in one of the clock's. */
	let { value = $bindable() }: { value: Pace } = $props();
</script>

<Choice
	label="Pace"
	{value}
	options={[
		{ value: '1', label: 'Real time' },
		{ value: '4', label: '4 ×' },
		{ value: '16', label: '16 ×' },
	]}
	onchange={(next) => (value = next)}
/>
