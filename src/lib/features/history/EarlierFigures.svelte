<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import { columnDecimals, decimalsOf, showFigure, showNumber } from '$lib/words/figures';
	import WideTable from '$lib/ui/WideTable.svelte';
	import { historyOf, type FigureHistory } from '$lib/core/evidence/history';
	import type { Kept } from '$lib/core/evidence/kept';
	import Choice from '$lib/ui/Choice.svelte';
	import LinePlot from '$lib/ui/plot/LinePlot.svelte';
	import { showDate } from '$lib/ui/format';

	/** The figures of a sensor through its calibrations: what moved, and by more than it is uncertain or not. */
	let { kept, now = false }: { kept: readonly Kept[]; /** The last is not on record yet. */ now?: boolean } = $props();

	const MOST_COLUMNS = 3;
	const DAY_MS = 86_400_000;
	const figures = $derived(historyOf(kept).filter(({ points }) => points.length > 1));
	const dates = $derived(
		[...new Set(figures.flatMap(({ points }) => points.map(({ at }) => at)))].toSorted().slice(-MOST_COLUMNS),
	);
	let chosen = $state('');
	let over = $state<'date' | 'temperature'>('date');
	const figure = $derived(
		figures.find(({ id }) => id === chosen) ?? figures.find(({ moved }) => moved?.real) ?? figures.at(0),
	);
	const warm = $derived(figure?.points.filter(({ temperatureC }) => temperatureC !== null) ?? []);
	const byWarmth = $derived(over === 'temperature' && warm.length > 1);

	/** Decimals where no uncertainty is told: those that show how far it moved. */
	const digitsOf = ({ points, moved }: FigureHistory) =>
		moved?.by ? decimalsOf(Math.abs(moved.by)) : columnDecimals(points.map(({ value }) => value));
	const show = (row: FigureHistory, v: number, sigma: number | null = null) =>
		showFigure(v, sigma, digitsOf(row)).value;
	const cell = (row: FigureHistory, at: string) => {
		const point = row.points.find((p) => p.at === at);
		if (!point) return '–';
		const { value, sigma } = point;
		return sigma === null ? show(row, value) : `${show(row, value, sigma)} ± ${show(row, sigma, sigma)}`;
	};
	const lastAt = $derived(kept.at(-1)?.at);
	const said = ({ moved }: FigureHistory) =>
		!moved ? '' : moved.real === null ? 'unknown noise' : moved.real ? 'moved' : 'within noise';
	const first = $derived(Date.parse(figure?.points[0]?.at ?? ''));
	const plotted = $derived(
		(byWarmth ? warm : (figure?.points ?? [])).map(({ at, value, temperatureC }) => ({
			x: byWarmth ? (temperatureC ?? 0) : (Date.parse(at) - first) / DAY_MS,
			y: value,
		})),
	);
	const plotTitle = $derived.by(() => {
		if (!figure) return '';
		if (!byWarmth) {
			const { label, moved, unit, points } = figure;
			const by = moved ? `${show(figure, Math.abs(moved.by), moved.sigma)} ${unit}`.trim() : '';
			// How far it moved is told from the one before.
			const since = `since ${showDate(points[points.length - 2].at)}`;
			if (!moved || moved.real === null) return `${label} ${since}${by ? `: by ${by}, its noise is not known` : ''}`;
			return moved.real ? `${label} moved by ${by} ${since}` : `${label}, within its noise ${since}`;
		}
		const { perDegree } = figure;
		return perDegree
			? `${figure.label} changes by ${showNumber(perDegree.slope)} ± ${showNumber(perDegree.sigma)} ${figure.unit} per °C`
			: `${figure.label} by temperature; too few, or too alike, to tell how it follows`;
	});
</script>

{#if figures.length === 0}
	<p class="text-ink-2">There is no earlier one with the same figures to compare with.</p>
{:else}
	<WideTable label="Figures through the calibrations">
		<table class="text-small">
			<thead>
				<tr>
					<th scope="col">figure</th>
					{#each dates as at (at)}<th scope="col" class="num">{now && at === lastAt ? 'now' : showDate(at)}</th>{/each}
					<th scope="col" class="num">moved by</th><th scope="col"><span class="sr-only">judged</span></th>
				</tr>
			</thead>
			<tbody>
				{#each figures as row, k (k)}
					<tr>
						<td class="min-w-32">{row.label}{row.unit ? `, ${row.unit}` : ''}</td>
						{#each dates as at (at)}<td class="num whitespace-nowrap">{cell(row, at)}</td>{/each}
						<td class="num {row.moved?.real ? 'font-bold' : ''}"
							>{row.moved ? show(row, row.moved.by, row.moved.sigma) : ''}</td
						>
						<td class="text-note whitespace-nowrap {row.moved?.real ? 'font-bold' : 'text-ink-2'}"
							>{said(row)}{#if row.sameDay}<span class="block font-normal text-ink-2"
									>{row.sameDay.runs} runs that day: spread {show(row, row.sameDay.spread, row.sameDay.spread)}</span
								>{/if}</td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	</WideTable>
	<p class="mt-1 text-note text-ink-2">
		Moved: the last two differ by more than twice their uncertainty together. Practice and what failed are left out.
	</p>
	{#if figure && figure.points.length > 1}
		<div class="no-print mt-4 mb-2 flex flex-wrap items-end gap-4">
			<Select
				label="Figure"
				value={figure.id}
				options={figures.map(({ id, label }) => ({ value: id, label }))}
				onchange={(next) => (chosen = next)}
			/>
			{#if warm.length > 1}
				<Choice
					label="Over"
					value={over}
					options={[
						{ value: 'date', label: 'Date' },
						{ value: 'temperature', label: 'Temperature' },
					]}
					onchange={(next) => (over = next)}
				/>
			{/if}
		</div>
		<LinePlot
			title={plotTitle}
			xLabel={byWarmth ? 'temperature, °C' : 'days'}
			yLabel={figure.unit}
			lines={[{ label: '', points: byWarmth ? plotted.toSorted((a, b) => a.x - b.x) : plotted }]}
			height={200}
		/>
	{/if}
{/if}
