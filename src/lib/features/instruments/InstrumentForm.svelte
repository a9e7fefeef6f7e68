<script lang="ts">
	import Plus from '@lucide/svelte/icons/plus';
	import Trash from '@lucide/svelte/icons/trash';
	import Button from '$lib/ui/Button.svelte';
	import FieldInput from '../measuring/FieldInput.svelte';
	import type { InstrumentState } from './instrumentState.svelte';
	import { blankRow, rowsOf, type Cell, type RowsField } from '$lib/instruments/instrument';

	/** The figures that go into an instrument. */
	let { work }: { work: InstrumentState } = $props();

	const cellOf = (id: string): Cell => {
		const value = work.values[id];
		return typeof value === 'number' || typeof value === 'string' ? value : null;
	};
	const change = (field: RowsField, index: number, cell: string, value: Cell) =>
		work.set(
			field.id,
			rowsOf(work.values, field.id).map((row, k) => (k === index ? { ...row, [cell]: value } : row)),
		);
	/** The first field that is wrong gets the focus. */
	const focusIf = (wrong: boolean) => (node: HTMLElement) => {
		if (wrong) node.querySelector<HTMLElement>('input, select, button')?.focus();
	};
</script>

<div class="grid gap-4">
	<div class="grid gap-x-6 gap-y-3 sm:grid-cols-2">
		{#each work.instrument.fields as field (field.id)}
			{#if field.kind !== 'rows'}
				<div
					class={field.kind === 'choice' && field.options.length > 2 ? 'sm:col-span-2' : ''}
					{@attach focusIf(work.problemField === field.id)}
				>
					<FieldInput {field} value={cellOf(field.id)} onchange={(value) => work.set(field.id, value)} />
					{#if work.from[field.id]}<p class="m-0 text-note text-ink-2">{work.from[field.id]}</p>{/if}
				</div>
			{/if}
		{/each}
	</div>
	{#each work.instrument.fields as field (field.id)}
		{#if field.kind === 'rows'}
			{@const list = rowsOf(work.values, field.id)}
			<fieldset class="m-0 border-0 p-0">
				<legend class="mb-1 p-0 font-semibold"
					>{field.label}{#if work.from[field.id]}<span class="ml-2 text-note font-normal text-ink-2"
							>{work.from[field.id]}</span
						>{/if}</legend
				>
				{#each list as row, index (index)}
					<div class="hairline flex flex-wrap items-end gap-x-4 gap-y-1 py-2">
						{#each field.of as cell (cell.id)}
							<div
								class={cell.kind === 'number' ? 'w-36' : 'min-w-32 flex-1'}
								{@attach focusIf(work.problemField === `${field.id}.${index}.${cell.id}`)}
							>
								<FieldInput
									field={cell}
									plain
									value={row[cell.id] ?? null}
									onchange={(value) => change(field, index, cell.id, value)}
								/>
							</div>
						{/each}
						<button
							type="button"
							class="mb-1 grid min-h-11 min-w-11 place-items-center rounded text-ink-2 hover:bg-action-soft"
							aria-label="Take out {field.one.replace(/^an? /, '')} {index + 1}"
							onclick={() =>
								work.set(
									field.id,
									list.filter((_, k) => k !== index),
								)}><Trash size={18} /></button
						>
					</div>
				{/each}
				<Button kind="quiet" onclick={() => work.set(field.id, [...list, blankRow(field)])}
					><Plus size={18} aria-hidden="true" /> Add {field.one}</Button
				>
			</fieldset>
		{/if}
	{/each}
</div>
