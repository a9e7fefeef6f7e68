<script lang="ts">
	import type { HoverRequest } from '$lib/schema/hover';
	import Choice from '$lib/ui/Choice.svelte';

	/** Which hold was on, or is. */
	type Props = { label: string; value: HoverRequest['hold']; onchange: (hold: HoverRequest['hold']) => void };
	let { label, value, onchange }: Props = $props();
</script>

<Choice
	{label}
	{value}
	options={[
		{ value: 'position', label: 'Position hold' },
		{ value: 'height', label: 'Height hold' },
		{ value: 'attitude', label: 'Self-level' },
	]}
	{onchange}
/>
