<script lang="ts">
	import WideTable from '$lib/ui/WideTable.svelte';
	import { columnDecimals, showFigure } from '$lib/words/figures';
	import { toUnit, unitSymbol } from '$lib/words/units';
	import { ruleOf, type Figure as Figured } from '$lib/core/figures/figure';
	import Figure from '$lib/ui/Figure.svelte';
	import { preferences, units } from '$lib/ui/preferences.svelte';
	import type { Finding, Table } from '$lib/instruments/instrument';
	import PlotView from './PlotView.svelte';

	/** Figures with their uncertainty, then plots, then tables. */
	let { finding, pictureUrl = '' }: { finding: Finding; pictureUrl?: string } = $props();

	const inUnit = ({ id }: Figured, v: number | null | undefined) => {
		const quantity = ruleOf(id)?.quantity;
		return typeof v === 'number' && quantity ? toUnit(v, quantity, units()) : (v ?? null);
	};
	const unitOf = ({ id, unit }: Figured) => {
		const quantity = ruleOf(id)?.quantity;
		return quantity ? unitSymbol(quantity, units()) : unit;
	};
	const shown = (f: Figured) => showFigure(inUnit(f, f.value), inUnit(f, f.sigma), f.digits);

	/** A cell of a table: beside a column of uncertainties both have the decimals that those leave; else a column shares its own. */
	function cellOf({ columns, rows }: Table, row: Table['rows'][number], k: number): string {
		const cell = row[k];
		if (typeof cell !== 'number') return cell ?? '–';
		const isSigma = columns[k].startsWith('±');
		const sigma = isSigma ? cell : columns[k + 1]?.startsWith('±') ? row[k + 1] : null;
		if (typeof sigma !== 'number' || sigma <= 0) {
			const column = rows.flatMap((other) => (typeof other[k] === 'number' ? [other[k]] : []));
			return showFigure(cell, null, columnDecimals(column)).value;
		}
		const { value, sigma: plusMinus } = showFigure(cell, sigma);
		return isSigma ? plusMinus : value;
	}
	/** What was not found out is told by the reasons, not by a dash. */
	const found = $derived(finding.figures.filter(({ value }) => value !== null));
	const first = $derived(found[0]);
	const rest = $derived(found.slice(1));
	/** Maps are square: the tables stand beside them. */
	const square = $derived(finding.plots.some(({ kind }) => kind === 'reach' || kind === 'map'));
</script>

<div class="mt-4 flex flex-wrap items-start gap-x-10 gap-y-4">
	{#if first}
		<div class="max-md:basis-full">
			<Figure
				label={first.label}
				value={shown(first).value}
				unit={unitOf(first)}
				sigma={shown(first).sigma}
				size="huge"
				note={first.note ?? ''}
			/>
		</div>
	{/if}
	<div class="flex min-w-0 flex-1 flex-wrap gap-x-8 gap-y-3 pt-1">
		{#each rest as figure, k (k)}
			<Figure
				label={figure.label}
				value={shown(figure).value}
				unit={unitOf(figure)}
				sigma={shown(figure).sigma}
				size="plain"
				note={figure.note ?? ''}
			/>
		{/each}
	</div>
</div>
<div class="mt-5 grid gap-x-8 gap-y-6 {square ? 'lg:grid-cols-[minmax(0,440px)_minmax(0,1fr)]' : ''}">
	<div class="grid content-start gap-6">
		{#each finding.plots as plot, k (k)}<PlotView {plot} {pictureUrl} />{/each}
	</div>
	<div class="grid content-start gap-5">
		{#each finding.tables as table, k (k)}
			{#if preferences.detail === 'explained'}
				<details class="no-print">
					<summary class="min-h-11 cursor-pointer py-2 text-action underline">{table.title}</summary>
					{@render listed(table)}
				</details>
				<div class="hidden print:block">{@render listed(table)}</div>
			{:else}{@render listed(table)}{/if}
		{/each}
	</div>
</div>

{#snippet listed(table: Table)}
	<WideTable label={table.title}>
		<p class="m-0 mb-1 font-semibold">{table.title}</p>
		<table class="max-w-3xl text-small">
			<thead
				><tr
					>{#each table.columns as column, k (k)}<th
							scope="col"
							class={table.rows.some((row) => typeof row[k] === 'number') ? 'num' : ''}>{column}</th
						>{/each}</tr
				></thead
			>
			<tbody>
				{#each table.rows as row, index (index)}<tr
						>{#each row as cell, k (k)}<td class={typeof cell === 'number' ? 'num' : ''}>{cellOf(table, row, k)}</td
							>{/each}</tr
					>{/each}
			</tbody>
		</table>
	</WideTable>
{/snippet}
