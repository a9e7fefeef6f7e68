<script lang="ts">
	import Choice from '$lib/ui/Choice.svelte';
	import Quantity from '$lib/ui/Quantity.svelte';
	import Select from '$lib/ui/Select.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { Cell, CellField } from '$lib/instruments/instrument';

	/** One field of an instrument's form; values are in SI units, or in the field's own unit where it is no quantity. */
	type Props = { field: CellField; value: Cell; onchange: (value: Cell) => void; plain?: boolean };
	let { field, value, onchange, plain = false }: Props = $props();
	/** More choices than that are opened by a press. */
	const IN_SIGHT = 5;
</script>

{#if field.kind === 'number'}
	<Quantity
		label={field.label}
		of={field.quantity}
		unit={field.unit}
		value={typeof value === 'number' ? value : null}
		min={field.min}
		max={field.max}
		note={field.note ?? ''}
		required={!field.optional}
		{onchange}
	/>
{:else if field.kind === 'choice' && (plain || field.options.length > IN_SIGHT)}
	<Select label={field.label} value={typeof value === 'string' ? value : null} options={field.options} {onchange} />
{:else if field.kind === 'choice'}
	<Choice label={field.label} value={String(value ?? '')} options={[...field.options]} {onchange} />
{:else}
	<TextField
		label={field.label}
		value={String(value ?? '')}
		maxlength={60}
		onchange={(e) => onchange(e.currentTarget.value)}
	/>
{/if}
