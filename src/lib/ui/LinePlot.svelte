<script lang="ts">
	import { extent, line, scaleLinear } from 'd3';

	/** One quantity over another, with its limit drawn in, a direct label and a table view. */
	type Point = { x: number; y: number };
	type Props = {
		title: string;
		xLabel: string;
		yLabel: string;
		points: Point[];
		/** Drawn dashed, for comparison. */
		other?: { points: Point[]; label: string };
		label?: string;
		band?: number | null;
		bandLabel?: string;
		height?: number;
		colour?: string;
	};
	let {
		title,
		xLabel,
		yLabel,
		points,
		other,
		label = '',
		band = null,
		bandLabel = '',
		height = 150,
		colour = 'var(--ink)',
	}: Props = $props();

	let shown = $state(640);
	/** Drawn at the width it has, so that its text keeps its size. */
	const W = $derived(Math.max(260, shown));
	const M = { top: 14, right: 14, bottom: 34, left: 48 };
	const MOST_ROWS = 24;

	const all = $derived([...points, ...(other?.points ?? [])]);
	const x = $derived(
		scaleLinear()
			.domain(extent(all, (p) => p.x) as [number, number])
			.range([M.left, W - M.right]),
	);
	const y = $derived.by(() => {
		const [low, high] = extent(all, (p) => p.y) as [number, number];
		const least = band === null ? low : Math.min(low, -band);
		const most = band === null ? high : Math.max(high, band);
		const pad = (most - least || 1) * 0.08;
		return scaleLinear()
			.domain([least - pad, most + pad])
			.nice(4)
			.range([height - M.bottom, M.top]);
	});
	const path = $derived(
		line<Point>()
			.x((p) => x(p.x))
			.y((p) => y(p.y)),
	);
	const rows = $derived(points.filter((_, k) => k % Math.max(1, Math.ceil(points.length / MOST_ROWS)) === 0));
</script>

{#if points.length > 1}
	<figure class="m-0" bind:clientWidth={shown}>
		<figcaption class="font-semibold">{title}</figcaption>
		<svg viewBox="0 0 {W} {height}" class="block w-full" role="img" aria-label="{title}. {yLabel} over {xLabel}.">
			{#if band !== null}
				<rect
					x={M.left}
					width={W - M.left - M.right}
					y={y(band)}
					height={y(-band) - y(band)}
					fill="var(--clear-soft)"
				/>
				<text x={W - M.right - 4} y={y(band) - 4} text-anchor="end" font-size="13" fill="var(--clear)">{bandLabel}</text
				>
			{/if}
			{#each y.ticks(4) as tick (tick)}
				<line x1={M.left} x2={W - M.right} y1={y(tick)} y2={y(tick)} stroke="var(--fine)" />
				<text x={M.left - 6} y={y(tick) + 4} text-anchor="end" font-size="13" fill="var(--ink-2)">{tick}</text>
			{/each}
			{#each x.ticks(W < 420 ? 4 : 7) as tick (tick)}
				<text x={x(tick)} y={height - M.bottom + 16} text-anchor="middle" font-size="13" fill="var(--ink-2)"
					>{tick}</text
				>
			{/each}
			<line x1={M.left} x2={W - M.right} y1={height - M.bottom} y2={height - M.bottom} stroke="var(--rule)" />
			<text x={W - M.right} y={height - 3} text-anchor="end" font-size="13" fill="var(--ink-2)">{xLabel}</text>
			<text x="2" y="11" font-size="13" fill="var(--ink-2)">{yLabel}</text>
			{#if other}
				<path
					d={path(other.points) ?? ''}
					fill="none"
					stroke="var(--ink-2)"
					stroke-width="1.5"
					stroke-dasharray="4 4"
				/>
			{/if}
			<path d={path(points) ?? ''} fill="none" stroke={colour} stroke-width="2" />
			{#if label}<text x={M.left + 8} y={M.top + 12} font-size="14" font-weight="700" fill={colour}>{label}</text>{/if}
		</svg>
		<details class="no-print text-[14px]">
			<summary class="cursor-pointer text-action">As a table</summary>
			<table class="max-w-sm">
				<thead><tr><th scope="col">{xLabel}</th><th scope="col" class="num">{yLabel}</th></tr></thead>
				<tbody>
					{#each rows as row (row.x)}<tr
							><td class="font-mono">{row.x.toFixed(1)}</td><td class="num">{row.y.toFixed(2)}</td></tr
						>{/each}
				</tbody>
			</table>
		</details>
	</figure>
{/if}
