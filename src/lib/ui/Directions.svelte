<script lang="ts">
	import Choice from './Choice.svelte';

	/** A direction as one of eight, for who has no bearing at hand; degrees from true north. */
	type Props = { label: string; value: number | null; onchange: (deg: number) => void };
	let { label, value, onchange }: Props = $props();
	const OPTIONS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'].map((name, k) => ({
		value: String(45 * k),
		label: name,
	}));
</script>

<Choice
	{label}
	value={value === null ? '' : String(value)}
	options={OPTIONS}
	onchange={(deg) => onchange(Number(deg))}
/>
