<script lang="ts">
	import { fromUnit, toUnit, unitSymbol } from '$lib/core/words/units';
	import Choice from '$lib/ui/Choice.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { units } from '$lib/ui/preferences.svelte';
	import type { Cell, CellField } from '$lib/instruments/instrument';

	/** One field of an instrument's form, in the pilot's own units. */
	type Props = { field: CellField; value: Cell; onchange: (value: Cell) => void; plain?: boolean };
	let { field, value, onchange, plain = false }: Props = $props();
	const id = $props.id();

	const shown = (v: number | null | undefined) =>
		v === null || v === undefined || field.kind !== 'number' || !field.quantity
			? (v ?? null)
			: toUnit(v, field.quantity, units());
	const kept = (v: number | null) =>
		v === null || field.kind !== 'number' || !field.quantity ? v : fromUnit(v, field.quantity, units());
	const bound = (v: number | undefined) => (v === undefined ? {} : { v: shown(v) ?? v });
</script>

{#if field.kind === 'number'}
	<NumberField
		label={field.label}
		unit={field.quantity ? unitSymbol(field.quantity, units()) : field.unit}
		value={shown(typeof value === 'number' ? value : null)}
		{...field.min === undefined ? {} : { min: bound(field.min).v }}
		{...field.max === undefined ? {} : { max: bound(field.max).v }}
		note={field.note ?? ''}
		required={!field.optional}
		onchange={(v) => onchange(kept(v))}
	/>
{:else if field.kind === 'choice' && (plain || field.options.length > 5)}
	<label class="grid gap-1" for={id}>
		<span class="text-[15px] text-ink-2">{field.label}</span>
		<select {id} class="field-input" value={String(value ?? '')} onchange={(e) => onchange(e.currentTarget.value)}>
			{#if !value}<option value="">choose…</option>{/if}
			{#each field.options as o (o.value)}<option value={o.value}>{o.label}</option>{/each}
		</select>
	</label>
{:else if field.kind === 'choice'}
	<Choice label={field.label} value={String(value ?? '')} options={[...field.options]} {onchange} />
{:else}
	<label class="grid gap-1" for={id}>
		<span class="text-[15px] text-ink-2">{field.label}</span>
		<input
			{id}
			class="field-input"
			value={String(value ?? '')}
			maxlength="60"
			onchange={(e) => onchange(e.currentTarget.value)}
		/>
	</label>
{/if}
