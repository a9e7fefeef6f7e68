<script lang="ts" generics="T extends object">
	import type { Draft } from '$lib/schema/common';
	import Checkbox from './Checkbox.svelte';
	import Choice from './Choice.svelte';
	import type { RecordField } from './fields';
	import Quantity from './Quantity.svelte';
	import Select from './Select.svelte';
	import TextField from './TextField.svelte';

	/** The fields of a record, as its list has them. */
	type Props = { fields: readonly RecordField<T>[]; record: T; onchange: (change: Draft<NoInfer<T>>) => void };
	let { fields, record, onchange }: Props = $props();
	/** Longer texts have a line of their own. */
	const LONG = 100;
	const said = (words: string | ((record: T) => string) | undefined) =>
		typeof words === 'function' ? words(record) : (words ?? '');
	const shown = $derived(fields.filter(({ when }) => when?.(record) ?? true));
</script>

<div class="flex flex-wrap gap-5">
	{#each shown as field (field.id)}
		{@const note = said(field.note)}
		{#if field.kind === 'text'}
			{@const { max, rows, type, placeholder } = field}
			<div class={max > LONG ? 'basis-full' : type ? '' : 'min-w-52 flex-1'}>
				<TextField
					label={field.label}
					maxlength={max}
					{rows}
					{note}
					{placeholder}
					type={type ?? 'text'}
					value={field.get(record) ?? ''}
					oninput={(e) => onchange(field.set(record, e.currentTarget.value))}
				/>
			</div>
		{:else if field.kind === 'number'}
			<Quantity
				label={field.label}
				of={field.of}
				unit={field.unit ?? ''}
				value={field.get(record)}
				min={field.min}
				max={field.max}
				required={field.required ?? false}
				decimals={field.decimals}
				{note}
				onchange={(value) => onchange(field.set(record, value))}
			/>
		{:else if field.kind === 'choice'}
			{@const choice = { label: field.label, note, value: field.get(record), options: field.options }}
			{#if field.none === undefined}
				<Select {...choice} onchange={(value: string) => onchange(field.set(record, value))} />
			{:else}
				<Select
					{...choice}
					none={said(field.none)}
					onchange={(value: string | null) => onchange(field.set(record, value))}
				/>
			{/if}
		{:else if field.kind === 'few'}
			<div class="basis-full">
				<Choice
					label={field.label}
					value={field.get(record) ?? ''}
					options={[...field.options]}
					stacked={field.stacked ?? false}
					onchange={(value) => onchange(field.set(record, value))}
				/>
			</div>
		{:else}
			<Checkbox
				label={field.label}
				checked={field.get(record) ?? false}
				onchange={(on) => onchange(field.set(record, on))}
				class="self-end"
			/>
		{/if}
	{/each}
</div>
