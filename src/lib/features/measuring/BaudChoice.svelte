<script lang="ts">
	import { BAUDS, NO_SERIAL, opensSerial } from '$lib/sources/serialLine';
	import Choice from '$lib/ui/Choice.svelte';

	/** The speed of a serial line; where the browser opens none, that is said before it is asked for. */
	let { value = $bindable() }: { value: string } = $props();
</script>

{#if !opensSerial()}<p class="m-0 font-semibold">{NO_SERIAL}</p>
{:else}
	<Choice
		label="Baud"
		{value}
		options={BAUDS.map((baud) => ({ value: baud as string, label: baud }))}
		onchange={(next) => (value = next)}
	/>
{/if}
